import * as z from 'zod'
import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { listsFor } from '@/server/books'
import { readOnly } from '@/server/database'
import { openedBook } from '@/server/live'
import { papersWork, startEdition, todayWork } from '@/server/reports'
import { sentIn } from '../../../sent-in'

const Wish = z.strictObject({
  papers: z.array(z.string().max(20)).min(1).max(500).readonly(),
  /** As just handed out; anything older is marked as a copy. */
  original: z.literal(true).optional(),
  /** As it would be with the values of today. */
  today: z.literal(true).optional(),
  moment: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/),
  view: z.string().min(1).max(40),
})

const longest = 20_000

/** Shows again what was handed out, or what it would be today. */
export const POST = bookRoute<{ book: string }>('reader', async ({ db, account, stored }, request) => {
  const wish = Wish.safeParse(await sentIn(request, longest))
  if (!wish.success) return refused(400, fail({ kind: 'unexpected' }))
  const { papers, original, today, moment, view } = wish.data
  const [paper = ''] = papers
  if (!today) {
    const showing = { db, book: stored.id, papers, originalFor: original && account.id }
    return Response.json(await startEdition(stored.id, account.id, () => papersWork(showing, stored.book.name), view))
  }
  const live = await openedBook(db, stored)
  if (!live.ok) return refused(409, live)
  const asked = {
    db,
    book: stored.id,
    paper,
    answers: { given: {}, now: { moment }, lists: listsFor(stored.book, account.id) },
  }
  const work = (signal: AbortSignal) => todayWork({ ...asked, reads: { db: readOnly(db, signal), live: live.value } })
  return Response.json(await startEdition(stored.id, account.id, work, view))
})
