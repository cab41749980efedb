'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { bookId, findReport, Letterhead, Report } from '@/core/book'
import { fail, ok } from '@/core/words'
import * as books from '@/server/books'

/** A report as it is typed: what is too long in its words is told by the edit, in words. */
const Typed = Report.extend({
  name: z.string().max(20_000).optional(),
  opening: z.string().max(100_000).optional(),
  closing: z.string().max(100_000).optional(),
})

/** What is too long is told by the edit, in words. */
const LongLetterhead = Letterhead.extend({
  name: z.string().max(4000).optional(),
  lines: z.string().max(4000).optional(),
  foot: z.string().max(4000).optional(),
})

/** Keeps a report for all who may see its list; `before` is what it was when changing it began. */
export const keepReport = bookAction(
  'staff',
  z.strictObject({ report: Typed, before: Report.optional() }),
  async ({ db, account, stored }, { report, before }) => {
    const saved = await books.keepReport(db, stored.id, account.id, { report, before })
    if (!saved.ok) return saved
    const now = findReport(saved.value.book, report.id)
    return now ? ok(now) : fail({ kind: 'gone', what: 'report' })
  },
)

export const dropReport = bookAction(
  'staff',
  z.strictObject({ report: z.string().max(40) }),
  async (at, { report }) => {
    const saved = await books.dropReport(at.db, at.stored.id, at.account.id, report)
    return saved.ok ? ok(null) : saved
  },
)

/** What stands on everything that the office prints. */
export const changeLetterhead = bookAction(
  'administrator',
  z.strictObject({ to: LongLetterhead, before: Letterhead.optional() }),
  async (at, { to, before }) => {
    const saved = await books.editBook(at.db, at.stored.id, at.account.id, { kind: 'changeLetterhead', to }, [
      { id: bookId, key: 'letterhead', from: before ?? null },
    ])
    return saved.ok ? ok(null) : saved
  },
)
