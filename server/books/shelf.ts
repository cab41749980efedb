import { type Book, emptyBook, limits, readBook } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { physicalName } from '@/core/names'
import { fail, ok, type Result } from '@/core/words'
import type { BookRow, Catalogue, GateRow, Role } from '../catalogue'
import { stamp } from '../clock'
import { type Row, select } from '../database'
import { roomProblem } from '../disk-room'
import { newId } from '../ids'
import type { Account } from '../people'

/** A book as it stands: the design, and the design as it was last opened. */
export interface StoredBook {
  readonly id: string
  readonly book: Book
  readonly revision: number
  readonly opened: Book | undefined
  readonly openedRevision: number | undefined
  /** The edition of the program that made the live database. */
  readonly openedEdition: number | undefined
  readonly liveSchema: string
  /** The book that this one is a dry run of. */
  readonly dryOf: string | undefined
  /** The opening that is under way, if one is. */
  readonly opening: number | undefined
}

export interface ShelfEntry {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly opened: boolean
}

/** The books an account may see. */
export const booksOf = async (db: Catalogue, accountId: string): Promise<ShelfEntry[]> =>
  (
    await select<{ id: string; name: string; role: Role; opened: number }>(
      db,
      `SELECT b.id, b.name, m.role, b.opened IS NOT NULL AS opened FROM \`${db.catalogue}\`.books b
       JOIN \`${db.catalogue}\`.memberships m ON m.book_id = b.id WHERE m.account_id = ? AND b.dry_of IS NULL ORDER BY b.name, b.id`,
      [accountId],
    )
  ).map((row) => ({ ...row, opened: Boolean(row.opened) }))

/** A new, empty book; who makes it is its administrator. */
export async function makeBook(db: Catalogue, account: Account, typed: string): Promise<Result<string>> {
  const name = typed.normalize('NFC').replace(/\s+/g, ' ').trim()
  if (!account.makesBooks) return fail({ kind: 'not-allowed' })
  if (!name) return fail({ kind: 'name-blank', what: 'book' })
  if (name.length > limits.nameLength) return fail({ kind: 'name-too-long', what: 'book', limit: limits.nameLength })
  const full = await roomProblem(db)
  if (full) return fail(full)
  return ok(await addBook(db, account, emptyBook(name, plainLook)))
}

/** Puts a book on the shelf, its maker as administrator unless it is a dry run, with a schema of its own for its records. */
export async function addBook(db: Catalogue, account: Account, book: Book, dryOf?: string): Promise<string> {
  const id = newId()
  await db.sequelize.transaction(async (transaction) => {
    const rows = await db.books.findAll({ attributes: ['live_schema'], transaction })
    const prefix = `${db.catalogue}_`
    const taken = new Set(rows.map((row) => (row.get('live_schema') as string).slice(prefix.length)))
    const free = physicalName(`${dryOf ? 'dry ' : ''}${book.name}`.slice(0, 24), 'table', taken)
    const row = {
      id,
      name: book.name,
      design: JSON.stringify(book),
      revision: 0,
      opened: null,
      opened_revision: null,
      live_schema: prefix + free,
      created_at: stamp(),
      dry_of: dryOf ?? null,
    }
    await db.books.create(row, { transaction })
    await db.gates.create(
      { book_id: id, part: '', opening: null, opened_revision: null, opened_edition: null },
      { transaction },
    )
    // A dry run is its book's, and whose that is.
    if (!dryOf)
      await db.memberships.create({ account_id: account.id, book_id: id, role: 'administrator' }, { transaction })
  })
  return id
}

type Standing = Omit<BookRow, 'design' | 'opened'> & Gate

const standingColumns =
  'b.id, b.name, b.revision, b.opened_revision, b.live_schema, b.created_at, b.dry_of, g.opening, g.opened_edition'

/** A book as it stands. Its design is fetched and read only where this process doesn't know it at that revision yet. */
export async function findBook(db: Catalogue, id: string): Promise<StoredBook | undefined> {
  const from = `FROM \`${db.catalogue}\`.books b LEFT JOIN \`${db.catalogue}\`.gates g ON g.book_id = b.id AND g.part = '' WHERE b.id = ?`
  const [row] = await select<Standing & Row>(db, `SELECT ${standingColumns} ${from}`, [id])
  if (!row) return undefined
  const book = known.get(mark(id, row.revision))
  const opened = row.opened_revision === null ? undefined : known.get(mark(id, row.opened_revision))
  if (book && (opened || row.opened_revision === null)) return standing(row, book, opened)
  // All of it anew: it may have moved on since.
  const [whole] = await select<BookRow & Gate & Row>(db, `SELECT ${standingColumns}, b.design, b.opened ${from}`, [id])
  return whole && storedBook(whole, whole)
}

type Gate = Pick<GateRow, 'opening' | 'opened_edition'>

export function storedBook(row: BookRow, gate?: Gate): StoredBook {
  return standing(
    { ...row, opening: gate?.opening ?? null, opened_edition: gate?.opened_edition ?? null },
    designAt(row.id, row.revision, row.design),
    row.opened === null ? undefined : designAt(row.id, row.opened_revision ?? 0, row.opened),
  )
}

const standing = (row: Standing, book: Book, opened: Book | undefined): StoredBook => ({
  id: row.id,
  book,
  revision: row.revision,
  opened,
  openedRevision: row.opened_revision ?? undefined,
  liveSchema: row.live_schema,
  dryOf: row.dry_of ?? undefined,
  opening: row.opening ?? undefined,
  openedEdition: row.opened_edition ?? undefined,
})

// A design never changes without its revision: it is read once for each, however many requests need it.
const known = new Map<string, Book>()
const mostKnown = 48
const mark = (id: string, revision: number) => `${id} ${revision}`

function designAt(id: string, revision: number, json: string): Book {
  const place = mark(id, revision)
  const found = known.get(place) ?? parsed(json)
  // What was needed last goes last.
  known.delete(place)
  if (known.size >= mostKnown) known.delete(known.keys().next().value!)
  known.set(place, found)
  return found
}

/** A design from its stored text. */
export function parsed(json: string): Book {
  const book = readBook(JSON.parse(json))
  if (!book.ok) throw new Error('Expected a whole book in the catalogue.')
  return book.value
}
