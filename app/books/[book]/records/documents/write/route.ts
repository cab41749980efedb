import * as z from 'zod'
import { bookRoute, refused } from '@/app/door'
import { List, Template } from '@/core/book'
import { readList } from '@/core/lists'
import { fail } from '@/core/words'
import { callRecords, openedBook } from '@/server/live'
import { findBook, listsFor } from '@/server/books'
import { readOnly } from '@/server/database'
import { documentsWork, startEdition, type Writings } from '@/server/reports'
import { sentIn } from '../../sent-in'

const Wish = z.strictObject({
  template: Template,
  /** Which records it is written for: these, or all of a list. */
  of: z.union([
    z.strictObject({ refs: z.array(z.string().min(1).max(3000)).min(1).max(500).readonly() }),
    z.strictObject({ list: List, given: z.record(z.string().max(40), z.string().max(400)) }),
  ]),
  /** With which label of the first sheet labels begin. */
  first: z.int().min(1).max(1000).optional(),
  /** The minute it is where somebody asks. */
  moment: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/),
  /** Where it is looked at: what is laid there comes in place of what was. */
  view: z.string().min(1).max(40),
})

const longest = 1_000_000

/** Begins to write a document, kept or not, for some records; what comes of it is read page by page. */
export const POST = bookRoute<{ book: string }>('reader', async ({ db, account, stored }, request) => {
  const wish = Wish.safeParse(await sentIn(request, longest))
  if (!wish.success) return refused(400, fail({ kind: 'unexpected' }))
  const { template, of, first, moment, view } = wish.data
  const live = await openedBook(db, stored)
  if (!live.ok) return refused(409, live)
  const lists = await callRecords({ db: readOnly(db), live: live.value }, listsFor(stored.book, account.id))
  const answers = { given: 'list' in of ? of.given : {}, now: { moment }, lists }
  const faults = 'list' in of ? readList(live.value.book, of.list, answers).faults : []
  if (faults[0]) return refused(409, fail(faults[0].problem))
  // Names of other tables' records never stand in for those that it is of.
  if ('list' in of && of.list.table !== template.table) return refused(400, fail({ kind: 'unexpected' }))
  const writings = (signal?: AbortSignal): Writings => ({
    reads: { db: readOnly(db, signal), live: live.value },
    template,
    of,
    answers,
    first,
    isOpening: async () => (await findBook(db, stored.id))?.opening !== undefined,
    letterhead: stored.book.letterhead,
    who: account.name,
  })
  // What is wrong with a document is known before its first page.
  const known = documentsWork(writings())
  if ('problem' in known) return refused(409, fail(known.problem))
  const edition = await startEdition(
    stored.id,
    account.id,
    (signal) => {
      const work = documentsWork(writings(signal))
      return 'problem' in work ? known : work
    },
    view,
  )
  return Response.json(edition)
})
