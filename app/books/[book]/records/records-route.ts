import { type AtBook, bookRoute, refused } from '@/app/door'
import { findTable } from '@/core/book'
import { fail } from '@/core/words'
import type { Role } from '@/server/catalogue'
import { readOnly } from '@/server/database'
import { heavyProblem, type Live, openedBook } from '@/server/live'

interface TableParams {
  readonly book: string
  readonly table: string
}

/** For Records’ route handlers on one table of the live book. */
export const tableRoute = (
  least: Role,
  answer: (at: AtBook & { live: Live }, request: Request, params: TableParams) => Promise<Response>,
) =>
  bookRoute<TableParams>(least, async (at, request, params) => {
    const live = await openedBook(at.db, at.stored)
    if (!live.ok) return refused(409, live)
    if (!findTable(live.value.book, params.table)) return refused(404, fail({ kind: 'gone', what: 'table' }))
    try {
      // The request's own signal tells when whoever asked has gone.
      return await answer({ ...at, db: readOnly(at.db, request.signal), live: live.value }, request, params)
    } catch (cause) {
      const problem = heavyProblem(cause)
      if (!problem) throw cause
      return refused(503, fail(problem))
    }
  })
