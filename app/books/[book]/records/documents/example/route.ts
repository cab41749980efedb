import * as z from 'zod'
import { bookRoute, refused } from '@/app/door'
import { findTable, Template } from '@/core/book'
import { fail } from '@/core/words'
import { listsFor } from '@/server/books'
import { readOnly } from '@/server/database'
import { openedBook } from '@/server/live'
import { exampleOf } from '@/server/reports'
import { sentIn } from '../../sent-in'

const Wish = z.strictObject({
  template: Template,
  ref: z.string().min(1).max(3000).optional(),
  moment: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/),
})

/** What one record puts into a document that is being written. */
export const POST = bookRoute<{ book: string }>('reader', async ({ db, account, stored }, request) => {
  const wish = Wish.safeParse(await sentIn(request, 1_000_000))
  if (!wish.success) return refused(400, fail({ kind: 'unexpected' }))
  const { template, ref, moment } = wish.data
  const live = await openedBook(db, stored)
  if (!live.ok) return refused(409, live)
  if (!findTable(live.value.book, template.table)) return refused(404, fail({ kind: 'gone', what: 'table' }))
  const reads = { db: readOnly(db, request.signal), live: live.value }
  const answers = { given: {}, now: { moment }, lists: listsFor(stored.book, account.id) }
  return Response.json((await exampleOf(reads, template, answers, ref)) ?? null)
})
