import * as z from 'zod'
import { type AtBook, bookRoute, refused } from '@/app/door'
import { limits, List } from '@/core/book'
import { fail, type Problem } from '@/core/words'
import { findBook, listsFor } from '@/server/books'
import { readOnly } from '@/server/database'
import { heavyProblem, isOfAnotherShape, type Live, openedBook } from '@/server/live'
import { sentIn } from '../sent-in'

const Cursor = z.array(z.union([z.string().max(2000), z.number(), z.null()])).max(20)

/** What a list is run with. */
export const Run = z.strictObject({
  list: List,
  given: z.record(z.string().max(40), z.string().max(400)).default({}),
  /** The minute it is where somebody asks. */
  moment: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/),
  after: Cursor.optional(),
  limit: z.int().min(1).max(500).default(100),
  /** Of one group alone, by its keys. */
  path: z.array(z.string().max(4000).nullable()).max(limits.groups).optional(),
  /** Groups by some of what the list is grouped by, in place of a page; by none, all of its records as one. */
  by: z.array(z.int().min(0)).max(limits.groups).optional(),
  /** How many there are, in place of a page. */
  count: z.literal(true).optional(),
  /** What is missing in a field of its records, in place of a page. */
  missing: z.string().max(40).optional(),
  /** All of it taken out, as what; a CSV file where it isn't said. */
  as: z.enum(['csv', 'json', 'xlsx', 'tabs', 'sql']).optional(),
})
export type Run = z.infer<typeof Run>

/** Longer than any list can be that keeps to the limits. */
const longest = 1_000_000

/** For route handlers that run a list on the live book; what is sent is read from the body. */
export const listRoute = (
  answer: (
    at: AtBook & { catalogue: AtBook['db']; live: Live; lists: readonly List[] },
    run: Run,
    request: Request,
  ) => Promise<Response>,
) =>
  bookRoute<{ book: string }>('reader', async (at, request) => {
    const run = Run.safeParse(await sentIn(request, longest))
    if (!run.success) return refused(400, fail({ kind: 'unexpected' }))
    const live = await openedBook(at.db, at.stored)
    if (!live.ok) return refused(409, live)
    try {
      // The request's own signal tells when whoever asked has gone.
      const lists = listsFor(at.stored.book, at.account.id)
      return await answer(
        { ...at, catalogue: at.db, db: readOnly(at.db, request.signal), live: live.value, lists },
        run.data,
        request,
      )
    } catch (cause) {
      const problem = heavyProblem(cause) ?? (await changing(at, cause))
      if (!problem) throw cause
      return refused(503, fail(problem))
    }
  })

/** What a list asks of may be made anew just then; anything else that isn't there is our own mistake. */
async function changing({ db, stored }: AtBook, cause: unknown): Promise<Problem | undefined> {
  if (!isOfAnotherShape(cause)) return undefined
  const now = await findBook(db, stored.id)
  const isChanging = now?.opening !== undefined || now?.openedRevision !== stored.openedRevision
  return isChanging ? { kind: 'being-opened', book: stored.book.name } : undefined
}
