import { type AtBook, bookRoute, refused } from '@/app/door'
import { findTable } from '@/core/book'
import { fail } from '@/core/words'
import type { Role } from '@/server/catalogue'
import { type Live, openedBook } from '@/server/live'

interface TableParams {
  readonly book: string
  readonly table: string
}

/** For the Desk's route handlers on one table of the live book. */
export const tableRoute = (
  asked: Role,
  answer: (at: AtBook & { live: Live }, request: Request, params: TableParams) => Promise<Response>,
) =>
  bookRoute<TableParams>(asked, async (at, request, params) => {
    const live = await openedBook(at.db, at.stored)
    if (!live.ok) return refused(409, live)
    if (!findTable(live.value.book, params.table)) return refused(404, fail({ kind: 'gone', what: 'table' }))
    return answer({ ...at, live: live.value }, request, params)
  })
