import { apply, type Book, type Edit, faultsOf, invertAll, applyEdit, sayEdit, type Step, firstSets } from '@/core/book'
import { fail, type Json, ok, type Result, sameJson } from '@/core/words'
import type { BookRow, Catalogue, EditRow } from '../catalogue'
import { stamp } from '../clock'
import { roomProblem } from '../disk-room'
import type { Transaction } from 'sequelize'
import { storedBook } from './shelf'

/** What the editor's browser saw before an edit: for each value it sets, what stood there. */
export type Seen = readonly { readonly id: string; readonly key: string; readonly from: Json }[]

export interface Saved {
  readonly revision: number
  readonly book: Book
}

type Undoing = Pick<EditRow, 'kind' | 'say' | 'about'>

/** Makes an edit on the newest book, unless it would overwrite what somebody else changed meanwhile. */
export const editBook = (
  db: Catalogue,
  bookId: string,
  accountId: string,
  edit: Edit,
  seen: Seen,
): Promise<Result<Saved>> =>
  onNewest(db, bookId, async (row, transaction) => {
    const { book } = storedBook(row)
    const made = applyEdit(book, edit)
    if (!made.ok) return made
    const clash = firstSets(made.value.steps).find((step) => isClash(step, seen))
    if (clash) return fail(await clashWords(db, bookId, clash, transaction))
    return keep(db, row, accountId, made.value, { kind: 'edit', say: sayEdit(book, edit), about: null }, transaction)
  })

const isClash = (step: Step, seen: Seen) =>
  step.kind === 'set' &&
  seen.some((one) => one.id === step.id && one.key === step.key && !sameJson(one.from, step.from))

/** Who changed the same value last, and what they did. */
async function clashWords(db: Catalogue, bookId: string, step: Step, transaction: Transaction) {
  const rows = await db.edits.findAll({
    where: { book_id: bookId },
    order: [['revision', 'DESC']],
    limit: 100,
    transaction,
  })
  const found = rows
    .map((row) => row.get({ plain: true }))
    .find((row) =>
      (JSON.parse(row.steps) as Step[]).some(
        (other) => other.kind === 'set' && step.kind === 'set' && other.id === step.id && other.key === step.key,
      ),
    )
  const account = found && (await db.accounts.findByPk(found.account_id, { transaction }))
  return {
    kind: 'clash',
    by: (account?.get('name') as string | undefined) ?? 'Somebody',
    did: found?.say ?? 'changed it',
  } as const
}

/** Takes back the account's own latest edit that still stands. */
export const undo = (db: Catalogue, bookId: string, accountId: string): Promise<Result<Saved & { say: string }>> =>
  onNewest(db, bookId, async (row, transaction) => {
    const found = await latest(
      db,
      bookId,
      { account_id: accountId, undone: false },
      transaction,
      (entry) => entry.kind !== 'undo',
    )
    if (!found) return fail({ kind: 'nothing-to-undo' })
    const taken = await takeBack(
      db,
      row,
      accountId,
      [found],
      { kind: 'undo', say: found.say, about: found.revision },
      transaction,
    )
    if (!taken.ok) return taken
    await db.edits.update({ undone: true }, { where: { book_id: bookId, revision: found.revision }, transaction })
    return ok({ ...taken.value, say: found.say })
  })

/** Makes again what the account undid last, as long as it made no other edit since. */
export const redo = (db: Catalogue, bookId: string, accountId: string): Promise<Result<Saved & { say: string }>> =>
  onNewest(db, bookId, async (row, transaction) => {
    const found = await latest(
      db,
      bookId,
      { account_id: accountId },
      transaction,
      (entry) => entry.kind === 'edit' || (entry.kind === 'undo' && !entry.undone),
    )
    if (!found || found.kind !== 'undo') return fail({ kind: 'nothing-to-redo' })
    const { say } = found
    const taken = await takeBack(db, row, accountId, [found], { kind: 'redo', say, about: found.revision }, transaction)
    if (!taken.ok) return taken
    await db.edits.update({ undone: true }, { where: { book_id: bookId, revision: found.revision }, transaction })
    return ok({ ...taken.value, say })
  })

/** Takes the book back to how it stood after an earlier revision. It is an edit of its own and can be undone. */
export const goBackTo = (db: Catalogue, bookId: string, accountId: string, revision: number): Promise<Result<Saved>> =>
  onNewest(db, bookId, async (row, transaction) => {
    const later = (await db.edits.findAll({ where: { book_id: bookId }, order: [['revision', 'DESC']], transaction }))
      .map((entry) => entry.get({ plain: true }))
      .filter((entry) => entry.revision > revision)
    if (later.length === 0 || revision < 0) return fail({ kind: 'nothing-to-undo' })
    const note: Undoing & { about: number } = {
      kind: 'edit',
      say: revision === 0 ? 'Go back to the beginning' : `Go back to edit ${revision}`,
      about: revision,
    }
    return takeBack(db, row, accountId, stillStanding(later, revision), note, transaction)
  })

/**
 * The entries, newest first, that lead from an earlier revision to the book as it stands. One that went back itself
 * left the book as it stood after the revision that it went to, so what lies between those two is passed over; else
 * going back and forth would cost twice as much each time.
 */
function stillStanding<Entry extends Pick<EditRow, 'revision' | 'kind' | 'about'>>(
  later: readonly Entry[],
  revision: number,
): Entry[] {
  const byRevision = new Map(later.map((entry) => [entry.revision, entry]))
  const standing: Entry[] = []
  for (let at = later[0]?.revision ?? revision; at > revision;) {
    const entry = byRevision.get(at)
    if (!entry) break
    const asAfter = standsAsAfter(entry)
    if (asAfter === undefined || asAfter < revision) standing.push(entry)
    at = asAfter === undefined || asAfter < revision ? at - 1 : asAfter
  }
  return standing
}

/** The earlier revision after which the book stood as it does after this entry, where one is known. */
function standsAsAfter({ revision, kind, about }: Pick<EditRow, 'revision' | 'kind' | 'about'>): number | undefined {
  if (about === null) return undefined
  if (kind === 'edit') return about
  return about === revision - 1 ? about - 1 : undefined
}

async function latest(
  db: Catalogue,
  bookId: string,
  where: object,
  transaction: Transaction,
  wanted: (entry: EditRow) => boolean,
): Promise<EditRow | undefined> {
  const rows = await db.edits.findAll({
    where: { book_id: bookId, ...where },
    order: [['revision', 'DESC']],
    limit: 500,
    transaction,
  })
  return rows.map((row) => row.get({ plain: true })).find(wanted)
}

/** Applies the inverses of some entries, newest first. */
async function takeBack(
  db: Catalogue,
  row: BookRow,
  accountId: string,
  entries: readonly EditRow[],
  note: Undoing,
  transaction: Transaction,
) {
  const steps = entries.flatMap((entry) => invertAll(JSON.parse(entry.steps) as Step[]))
  const after = apply(storedBook(row).book, steps)
  // What somebody else built on it since may no longer fit; then it can't be taken back alone.
  if (!after.ok || faultsOf(after.value).length > 0) return fail({ kind: 'stale', what: `What “${note.say}” did` })
  return keep(db, row, accountId, { book: after.value, steps }, note, transaction)
}

/** Everything that changes a book goes through here: one at a time, on the newest revision, all or nothing. */
async function onNewest<T>(
  db: Catalogue,
  bookId: string,
  change: (row: BookRow, transaction: Transaction) => Promise<Result<T>>,
): Promise<Result<T>> {
  const full = await roomProblem(db)
  if (full) return fail(full)
  return db.sequelize.transaction(async (transaction) => {
    const row = await db.books.findByPk(bookId, { transaction, lock: transaction.LOCK.UPDATE })
    return row ? change(row.get({ plain: true }), transaction) : fail({ kind: 'gone', what: 'book' })
  })
}

async function keep(
  db: Catalogue,
  row: BookRow,
  accountId: string,
  { book, steps }: { book: Book; steps: readonly Step[] },
  note: Undoing,
  transaction: Transaction,
): Promise<Result<Saved>> {
  const revision = row.revision + 1
  await db.books.update(
    { design: JSON.stringify(book), name: book.name, revision },
    { where: { id: row.id }, transaction },
  )
  const entry = {
    book_id: row.id,
    revision,
    account_id: accountId,
    made_at: stamp(),
    steps: JSON.stringify(steps),
    undone: false,
  }
  await db.edits.create({ ...entry, ...note, say: note.say.slice(0, 300) }, { transaction })
  return ok({ revision, book })
}
