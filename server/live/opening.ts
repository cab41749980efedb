import { type OpeningPlan, type OpeningStep, planOpening, wordsInTheWay } from '@/core/opening'
import { collation, quoteName } from '@/core/names'
import { derivedInTheWay } from '@/core/expressions'
import { rulesInTheWay } from '@/core/rules'
import { fail, ok, type Result } from '@/core/words'
import { findBook, type StoredBook, storedBook } from '../books'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { run, select, transact } from '../database'
import { roomProblem } from '../disk-room'
import { log } from '../log'
import { rulesBroken } from './breakers'
import { resumeOpening } from './journal'
import { liveOf } from './live'

export interface OpeningSheet {
  readonly kind: OpeningPlan['kind']
  readonly steps: readonly OpeningStep[]
  /** What stands in the way, in words; empty where the book can be opened. */
  readonly blocked: readonly string[]
}

/** What opening the book now would do, and what in the live records stands in the way. */
export async function openingSheet(db: Catalogue, stored: StoredBook): Promise<OpeningSheet> {
  const records = stored.opened ? await hasRecords(db, stored.liveSchema) : false
  const plan = planOpening(stored.opened, stored.book, records)
  const blocked: string[] = []
  if (stored.book.tables.length === 0) blocked.push('There are no tables yet. Make one in Tables first.')
  for (const table of stored.book.tables.filter((candidate) => candidate.key.length === 0)) {
    blocked.push(`${table.name} has no key. Choose one in Tables first.`)
  }
  blocked.push(...wordsInTheWay(stored.book), ...derivedInTheWay(stored.book), ...rulesInTheWay(stored.book))
  for (const question of blocked.length > 0 ? [] : plan.questions) {
    const { count, examples } = await countIn(db, stored.liveSchema, question.sql)
    if (count > 0) blocked.push(question.blocked(count, examples))
  }
  const live = records && blocked.length === 0 ? liveOf(stored) : undefined
  if (live?.ok) blocked.push(...(await rulesBroken(db, live.value, stored.book)))
  return { kind: plan.kind, steps: plan.steps, blocked }
}

/**
 * Opens a book: writes the journal first, then carries its steps out one by one. DDL commits by itself,
 * so each step can be run again without harm, and a start after a crash goes on where the journal stands.
 */
export async function openBook(db: Catalogue, bookId: string, accountId: string): Promise<Result<OpeningSheet>> {
  const stored = await findBook(db, bookId)
  if (!stored) return fail({ kind: 'gone', what: 'book' })
  const full = await roomProblem(db)
  if (full) return fail(full)
  await resumeOpenings(db, bookId)
  const current = (await findBook(db, bookId)) ?? stored
  const sheet = await openingSheet(db, current)
  if (sheet.blocked.length > 0) return ok(sheet)
  const id = await db.sequelize.transaction(async (transaction) => {
    // The lock on the book's row keeps a second opening of it waiting until this one is in the journal.
    const row = await db.books.findByPk(bookId, { transaction, lock: transaction.LOCK.UPDATE })
    const under = await db.openings.count({ where: { book_id: bookId, state: 'running' }, transaction })
    const newest = row && storedBook(row.get({ plain: true }))
    if (!newest || under > 0 || newest.revision !== current.revision) return undefined
    const entry = await db.openings.create(
      {
        book_id: bookId,
        account_id: accountId,
        state: 'running',
        design: JSON.stringify(newest.book),
        revision: newest.revision,
        steps: JSON.stringify(sheet.steps),
        position: 0,
        started_at: stamp(),
        ended_at: null,
      },
      { transaction },
    )
    return entry.get('id') as number
  })
  if (id === undefined) return fail({ kind: 'stale', what: 'The book' })
  await makeSchema(db, current.liveSchema)
  const outcome = await resumeOpening(db, id)
  if (outcome === 'taken-back')
    return ok({
      ...sheet,
      blocked: [
        'The database refused a step, and everything was put back as it was. Look at the design and try again.',
      ],
    })
  return ok(sheet)
}

/** Finishes, or takes back, what an earlier run left half done. Called when the server starts. */
export async function resumeOpenings(db: Catalogue, bookId?: string): Promise<void> {
  const left = await db.openings.findAll({
    where: { state: 'running', ...(bookId && { book_id: bookId }) },
    order: ['id'],
  })
  for (const entry of left) {
    const { id, book_id } = entry.get({ plain: true })
    const stored = await findBook(db, book_id)
    if (!stored || id === undefined) continue
    log.info({ book: book_id, opening: id }, 'finishing an opening that was interrupted')
    await makeSchema(db, stored.liveSchema)
    await resumeOpening(db, id)
  }
}

const makeSchema = (db: Catalogue, schema: string) =>
  db.sequelize.query(`CREATE DATABASE IF NOT EXISTS ${quoteName(schema)} CHARACTER SET utf8mb4 COLLATE ${collation}`)

async function hasRecords(db: Catalogue, schema: string): Promise<boolean> {
  const tables = await select<{ name: string }>(
    db,
    'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = ?',
    [schema, 'BASE TABLE'],
  )
  for (const { name } of tables) {
    const rows = await select(db, `SELECT 1 FROM ${quoteName(schema)}.${quoteName(name)} LIMIT 1`)
    if (rows.length > 0) return true
  }
  return false
}

/** The plan's statements name tables alone; they are run with the live schema as the current one. */
const countIn = (db: Catalogue, schema: string, sql: string): Promise<{ count: number; examples: string }> =>
  transact(db, async (transaction) => {
    await run(db, `USE ${quoteName(schema)}`, [], transaction)
    const [row] = await select<{ count: number; examples?: string | null }>(db, sql, [], transaction)
    return { count: Number(row?.count ?? 0), examples: row?.examples ?? '' }
  })
