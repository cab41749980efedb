import sharp from 'sharp'
import { type Book, type Field, mustHold, type Table } from '@/core/book'
import { derivedOf } from '@/core/expressions'
import { isDerived } from '@/core/kinds'
import { fillingOrder, fillTable, impossibleTables, type MakeUp, wishedCount } from '@/core/made-up'
import { quoteName } from '@/core/names'
import { keyOfRef, refOf, type Values } from '@/core/records'
import { ownRules } from '@/core/rules'
import { counted, fail, ok, type Result, wordProblem } from '@/core/words'
import { addBook, findBook } from '../books'
import type { Catalogue } from '../catalogue'
import { now, stamp } from '../clock'
import { roomProblem } from '../disk-room'
import { log } from '../log'
import { addMany, violatedRules, freezeMany, type Live, liveOf, openBook, storeFile } from '../live'
import type { Account } from '../people'
import { mend } from './mend'
import { plausible } from './plausible'

/** What a dry run made of one table. */
export interface DryTable {
  readonly table: string
  readonly name: string
  readonly records: number
  /** Why there are none, or fewer than wished, in words. */
  readonly short?: string
}

export interface DryRun {
  /** The scratch book; its records are at the usual address. */
  readonly id: string
  readonly tables: readonly DryTable[]
}

/**
 * Opens a design as it stands in a scratch database of its own and fills it with made-up records that keep
 * its rules. A dry run of the same book that is still there is thrown away first.
 */
export async function makeDryRun(
  db: Catalogue,
  account: Account,
  of: string,
  seed = 20270312,
): Promise<Result<DryRun>> {
  const stored = await findBook(db, of)
  if (!stored || stored.dryOf) return fail({ kind: 'gone', what: 'book' })
  if (stored.book.tables.length === 0) return inWords('There are no tables to fill yet. Make one in Tables first.')
  const book = onlyPossible(stored.book)
  if (book.tables.length === 0) return ok({ id: '', tables: told(stored.book, new Map()) })
  // Before the earlier one goes: nothing could take its place.
  const full = await roomProblem(db)
  if (full) return fail(full)
  await throwAway(db, of)
  const id = await addBook(db, account, book, of)
  const sheet = await openBook(db, id, account.id)
  if (!sheet.ok) return sheet
  if (sheet.value.blocked.length > 0) return inWords(sheet.value.blocked.join(' '))
  const live = liveOf((await findBook(db, id))!)
  if (!live.ok) return live
  return ok({ id, tables: told(stored.book, await fill(db, live.value, seed)) })
}

const inWords = (words: string) => fail({ kind: 'in-own-words', words })

/** The design without what no record can be entered of; links that may be blank go with it. */
function onlyPossible(book: Book): Book {
  const impossible = impossibleTables(book)
  const gone = (table: string) => impossible.has(table)
  const links = book.links.filter((link) => !gone(link.one) && !gone(link.many))
  const lost = new Set(book.links.filter((link) => !links.includes(link)).map((link) => link.field))
  return soundPart({
    ...book,
    needs: [],
    pairs: [],
    links,
    tables: book.tables
      .filter((table) => !gone(table.id))
      .map((table) => ({
        ...table,
        fields: table.fields.filter((field) => !lost.has(field.id)),
        knownBy: table.knownBy.filter((field) => !lost.has(field)),
      })),
  })
}

/** Without the derived fields and rules that speak of what isn't there. */
function soundPart(book: Book): Book {
  const broken = (field: Field) => isDerived(field) && 'problem' in derivedOf(book, field.id)
  const tables = book.tables.map((table) => ({ ...table, fields: table.fields.filter((field) => !broken(field)) }))
  const ids = new Set(tables.map((table) => table.id))
  const part = { ...book, tables, rules: book.rules.filter((rule) => ids.has(rule.table)) }
  const unsound = new Set(ownRules(part).flatMap(({ rule, problem }) => (problem ? [rule] : [])))
  return { ...part, rules: part.rules.filter((rule) => !unsound.has(rule)) }
}

async function fill(db: Catalogue, live: Live, seed: number): Promise<Map<string, Omit<DryTable, 'table' | 'name'>>> {
  const { makeUp: makeUpPlain, dice } = plausible(live.book.look, seed)
  const files = await storeSpecimens(db, live)
  const makeUp: MakeUp = (table, field) => files.get(field.id) ?? makeUpPlain(table, field)
  const refs = new Map<string, readonly string[]>()
  const made = new Map<string, Omit<DryTable, 'table' | 'name'>>()
  const records = new Map<string, ReadonlyMap<string, Values>>()
  for (const table of fillingOrder(live.book)) {
    if (table.words) {
      // The words of a word list were written down when the scratch database was opened.
      refs.set(
        table.id,
        table.words.map(({ word }) => refOf([word])),
      )
      made.set(table.id, { records: table.words.length })
      continue
    }
    const filled = fillTable(live.book, table, wishedCount(live.book, table), refs, makeUp, dice, records)
    const added = await addMany(
      { db, live, who: 'Dry run' },
      { table: table.id, rows: filled.rows, momentOf: () => now().moment },
    )
    if (added.ok) {
      refs.set(table.id, added.value)
      records.set(table.id, new Map(added.value.map((ref, at) => [ref, { ...keyIn(table, ref), ...filled.rows[at] }])))
    }
    const refused = added.ok ? undefined : Object.values(added.problem.problems).map(wordProblem).join(' ')
    made.set(table.id, {
      records: added.ok ? added.value.length : 0,
      ...((refused ?? filled.short) && { short: refused ?? filled.short! }),
    })
  }
  await mend(db, live, makeUp)
  await freezeMany({ db, live })
  for (const { own, count } of await violatedRules({ db, live })) {
    const before = made.get(own.table.id)!
    const words = `${counted(count, 'made-up record')} ${count === 1 ? 'breaks' : 'break'} the rule “${own.rule.words}”`
    made.set(own.table.id, {
      ...before,
      short: [before.short, `${words}; chance doesn’t know it.`].filter(Boolean).join(' '),
    })
  }
  return made
}

/** A key of one field as its record goes by it: a number is only given when the record is saved. */
function keyIn(table: Table, ref: string): Values {
  const [key, ...more] = table.key
  const [value] = keyOfRef(ref, 1) ?? []
  return key && value && more.length === 0 ? { [key]: value } : {}
}

/** A small picture for each field that must have a file. */
async function storeSpecimens(db: Catalogue, live: Live): Promise<Map<string, string>> {
  const files = new Map<string, string>()
  const fields = live.book.tables.flatMap((table) =>
    table.fields.filter((one) => one.kind === 'file' && mustHold(table, one)),
  )
  for (const field of fields) {
    const create = { width: 320, height: 240, channels: 3, background: '#d9b36c' } as const
    const stored = await storeFile({ db, live }, field.id, {
      name: `${field.name}.png`,
      contents: await sharp({ create }).png().toBuffer(),
    })
    if (stored.ok) files.set(field.id, stored.value.hash)
  }
  return files
}

function told(book: Book, made: ReadonlyMap<string, Omit<DryTable, 'table' | 'name'>>): DryTable[] {
  const impossible = impossibleTables(book)
  return book.tables.map((table) => ({
    table: table.id,
    name: table.name,
    ...(made.get(table.id) ?? { records: 0, short: impossible.get(table.id) ?? 'Nothing was made of it.' }),
  }))
}

/** The dry run of a book that is still there, if any. */
export async function dryRunOf(db: Catalogue, of: string): Promise<string | undefined> {
  const row = await db.books.findOne({ where: { dry_of: of }, attributes: ['id'] })
  return row?.get('id') as string | undefined
}

/** Throws the dry runs of a book away, records and all. */
export async function throwAway(db: Catalogue, of: string): Promise<void> {
  for (const row of await db.books.findAll({ where: { dry_of: of } })) {
    await db.sequelize.query(`DROP DATABASE IF EXISTS ${quoteName(row.get('live_schema') as string)}`)
    await row.destroy()
  }
}

/** Throws away what nobody came back to for a day. Called when the server starts. */
export async function throwOldAway(db: Catalogue): Promise<void> {
  const rows = await db.books.findAll({ attributes: ['id', 'dry_of', 'created_at'] })
  const yesterday = stamp(new Date(Date.now() - 24 * 3600 * 1000))
  for (const row of rows.map((one) => one.get({ plain: true })))
    if (row.dry_of && String(row.created_at) < yesterday) {
      log.info({ book: row.dry_of }, 'throwing an old dry run away')
      await throwAway(db, row.dry_of)
    }
}
