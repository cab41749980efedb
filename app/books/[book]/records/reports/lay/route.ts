import { Readable } from 'node:stream'
import * as z from 'zod'
import { bookRoute, refused } from '@/app/door'
import { fileHeaders } from '@/app/text-answer'
import { type List, Report } from '@/core/book'
import { readList } from '@/core/lists'
import { fail } from '@/core/words'
import { findBook, listsFor } from '@/server/books'
import { readOnly } from '@/server/database'
import { callRecords, labelOf, openedBook, type Reads } from '@/server/live'
import {
  type Laying,
  reportWork,
  reportFileKinds,
  type ReportFileKind,
  reportFile,
  startEdition,
} from '@/server/reports'
import { sentIn } from '../../sent-in'

const Wish = z.strictObject({
  report: Report,
  given: z.record(z.string().max(40), z.string().max(400)).default({}),
  /** The minute it is where somebody asks. */
  moment: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/),
  /** Where it is looked at: what is laid there comes in place of what was. */
  view: z.string().min(1).max(40),
  /** A file in place of pages. */
  as: z.enum(reportFileKinds).optional(),
})

const longest = 200_000
const types: Readonly<Record<ReportFileKind, string>> = {
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  csv: 'text/csv; charset=utf-8',
  html: 'text/html; charset=utf-8',
}

/** Begins to lay a report on pages, kept or not; what comes of it is read page by page. */
export const POST = bookRoute<{ book: string }>('reader', async ({ db, account, stored }, request) => {
  const wish = Wish.safeParse(await sentIn(request, longest))
  if (!wish.success) return refused(400, fail({ kind: 'unexpected' }))
  const { report, given, moment, view, as } = wish.data
  const live = await openedBook(db, stored)
  if (!live.ok) return refused(409, live)
  const lists = await callRecords({ db: readOnly(db), live: live.value }, listsFor(stored.book, account.id))
  const list = lists.find(({ id }) => id === report.list)
  if (!list) return refused(404, fail({ kind: 'gone', what: 'list' }))
  const answers = { given, now: { moment }, lists }
  // What is wrong with a list is known before its first page.
  const { faults } = readList(live.value.book, list, answers)
  const [first] = faults
  if (first) return refused(409, fail(first.problem))
  const called = await calledIn({ db: readOnly(db), live: live.value }, list, given)
  const laying = (signal: AbortSignal): Laying => ({
    reads: { db: readOnly(db, signal), live: live.value },
    list,
    report,
    answers,
    called,
    isOpening: async () => (await findBook(db, stored.id))?.opening !== undefined,
    letterhead: stored.book.letterhead,
    who: account.name,
  })
  if (as) {
    const { name, file } = await reportFile(laying(request.signal), as)
    return new Response(Readable.toWeb(file) as ReadableStream, { headers: fileHeaders(types[as], `${name}.${as}`) })
  }
  const edition = await startEdition(stored.id, account.id, (signal) => reportWork(laying(signal)), view)
  return Response.json(edition)
})

/** What the records are called that were answered. */
async function calledIn(reads: Reads, { asks }: List, given: Readonly<Record<string, string>>) {
  const called: Record<string, string> = {}
  for (const { id, place } of asks) {
    const link = reads.live.book.links.find(({ field }) => field === place.field)
    const label = link && given[id] ? await labelOf(reads, link.one, given[id]) : undefined
    if (label) called[id] = label
  }
  return called
}
