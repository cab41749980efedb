import type { Book } from '@/core/book'
import { type Agreed, edition, type OpeningPlan, type OpeningStep, planOpening, wordsInTheWay } from '@/core/opening'
import { derivedInTheWay } from '@/core/expressions'
import { rulesInTheWay } from '@/core/rules'
import { fail, ok, type Problem, type Result, wordProblem } from '@/core/words'
import { findBook, type StoredBook, storedBook } from '../../books'
import type { Catalogue } from '../../catalogue'
import { stamp } from '../../clock'
import { roomProblem } from '../../disk-room'
import { log } from '../../log'
import { hasRecords, liveProblems, type Loss } from './in-the-way'
import { resumeOpening } from './journal'

export interface OpeningSheet {
  readonly kind: OpeningPlan['kind']
  readonly steps: readonly OpeningStep[]
  /** What stands in the way, in words; empty where the book can be opened. */
  readonly blocked: readonly string[]
  /** Of that, what doesn't any more once somebody agrees to lose it; and what was agreed to. */
  readonly losses: readonly Loss[]
}

/** What opening the book now would do, and what in the live records stands in the way but for the losses agreed to. */
export async function openingSheet(
  db: Catalogue,
  stored: StoredBook,
  agreed: readonly Agreed[] = [],
): Promise<OpeningSheet> {
  const records = stored.opened ? await hasRecords(db, stored.liveSchema) : false
  const plan = planOpening(stored.opened, stored.book, records, stored.openedEdition)
  const { kind, steps, questions } = plan
  const inDesign = problemsInDesign(stored.book)
  if (inDesign.length > 0) return { kind, steps, blocked: inDesign.map(wordProblem), losses: [] }
  const { blocked, losses } = await liveProblems(db, stored, stored.book, { questions, records, agreed })
  return { kind, steps, blocked: blocked.map(wordProblem), losses }
}

const problemsInDesign = (book: Book): Problem[] => [
  ...(book.tables.length === 0 ? [{ kind: 'no-tables' } as const] : []),
  ...book.tables
    .filter(({ key }) => key.length === 0)
    .map(({ name }) => ({ kind: 'table-without-key', table: name }) as const),
  ...wordsInTheWay(book),
  ...derivedInTheWay(book),
  ...rulesInTheWay(book),
]

/**
 * Opens a book: writes the journal first, then carries its steps out one by one. DDL commits by itself,
 * so each step can be run again without harm, and a start after a crash goes on where the journal stands.
 */
export async function openBook(
  db: Catalogue,
  bookId: string,
  accountId: string,
  agreed: readonly Agreed[] = [],
): Promise<Result<OpeningSheet>> {
  const stored = await findBook(db, bookId)
  if (!stored) return fail({ kind: 'gone', what: 'book' })
  const full = await roomProblem(db)
  if (full) return fail(full)
  await resumeOpenings(db, bookId)
  const current = (await findBook(db, bookId)) ?? stored
  const sheet = await openingSheet(db, current, agreed)
  if (sheet.blocked.length > 0) return ok(sheet)
  const id = await db.sequelize.transaction(async (transaction) => {
    // The gate first, as whoever saves holds it: what is saved with records may be of the book's own row too.
    await db.gates.findOne({ where: { book_id: bookId, part: '' }, transaction, lock: transaction.LOCK.UPDATE })
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
        steps: JSON.stringify(sheet.steps.map((step) => withAgreed(step, agreed))),
        edition,
        position: 0,
        started_at: stamp(),
        ended_at: null,
      },
      { transaction },
    )
    const opening = entry.get('id') as number
    // Whoever is saving is let through first; whoever comes later waits until the opening is done.
    await db.gates.update({ opening }, { where: { book_id: bookId, part: '' }, transaction })
    return opening
  })
  if (id === undefined) return fail({ kind: 'stale', what: 'The book' })
  const { state, blocked } = await resumeOpening(db, id)
  if (state === 'done') return ok(sheet)
  const why: readonly Problem[] = blocked.length > 0 ? blocked : [{ kind: 'step-refused' }]
  return ok({ ...sheet, blocked: why.map(wordProblem) })
}

function withAgreed(step: OpeningStep, agreed: readonly Agreed[]): OpeningStep {
  if (step.asks) return { ...step, agreed }
  return agreed.some(({ id }) => step.loses?.includes(id)) ? { ...step, forGood: true } : step
}

/** Finishes, or takes back, what an earlier run left half done. Called when the server starts. */
export async function resumeOpenings(db: Catalogue, bookId?: string): Promise<void> {
  const left = await db.openings.findAll({
    where: { state: 'running', ...(bookId && { book_id: bookId }) },
    order: ['id'],
  })
  for (const entry of left) {
    const { id, book_id } = entry.get({ plain: true })
    if (id === undefined) continue
    log.info({ book: book_id, opening: id }, 'finishing an opening that was interrupted')
    await resumeOpening(db, id)
  }
}
