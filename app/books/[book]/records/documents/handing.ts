import * as z from 'zod'
import type { AtBook } from '@/app/door'
import { type Book, List, type Template } from '@/core/book'
import { fail, ok, type Result } from '@/core/words'
import { listsFor } from '@/server/books'
import { now } from '@/server/clock'
import { readOnly } from '@/server/database'
import { callRecords, heavyProblem, openedBook } from '@/server/live'
import { NotLaid } from '@/server/reports'

/** Which records are handed something, as a browser says it: these, or all of a list. */
export const HandedTo = z.union([
  z.strictObject({ refs: z.array(z.string().min(1).max(3000)).min(1).max(500) }),
  z.strictObject({ list: List, given: z.record(z.string().max(40), z.string().max(400)) }),
])

/** What handing out needs: the document that is found among those of today, and the records that it is for. */
export async function handingOf(
  { db, account, stored }: AtBook,
  of: z.infer<typeof HandedTo>,
  find: (book: Book) => Template | undefined,
) {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  const { templates, lists: kept, letterhead } = stored.book
  const template = find({ ...live.value.book, templates, lists: kept })
  if (!template || ('list' in of && of.list.table !== template.table))
    return fail({ kind: 'gone', what: 'document' } as const)
  const reads = { db: readOnly(db), live: live.value }
  const lists = await callRecords(reads, listsFor(stored.book, account.id))
  // What is handed out for good is of the office's own day, whatever a browser believes.
  const answers = { given: 'list' in of ? of.given : {}, now: now(), lists }
  const writings = { reads, template, of, answers, letterhead, who: account.name }
  return ok({ db, book: stored.id, account: account.id, writings })
}

/** What came of it, or why it can't be done, in words. */
export async function told<T>(work: Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work
  } catch (cause) {
    if (cause instanceof NotLaid) return fail(cause.problem)
    const problem = heavyProblem(cause)
    if (problem) return fail(problem)
    throw cause
  }
}
