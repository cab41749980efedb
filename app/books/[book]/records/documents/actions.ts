'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { findTemplate, List, Template } from '@/core/book'
import { fail, ok } from '@/core/words'
import * as books from '@/server/books'
import { listsFor } from '@/server/books'
import { now } from '@/server/clock'
import { readOnly } from '@/server/database'
import { callRecords, heavyProblem, openedBook } from '@/server/live'
import { handOut, NotLaid } from '@/server/reports'

/** A document as it is typed: what is too long in its name is told by the edit, in words. */
const Typed = Template.extend({ name: z.string().max(400) })

/** Keeps a document for all who may see the book; `before` is what it was when changing it began. */
export const keepDocument = bookAction(
  'staff',
  z.strictObject({ template: Typed, before: Template.optional() }),
  async ({ db, account, stored }, { template, before }) => {
    const saved = await books.keepTemplate(db, stored.id, account.id, { template, before })
    if (!saved.ok) return saved
    const now = findTemplate(saved.value.book, template.id)
    return now ? ok(now) : fail({ kind: 'gone', what: 'document' })
  },
)

export const dropDocument = bookAction(
  'staff',
  z.strictObject({ document: z.string().max(40) }),
  async (at, { document }) => {
    const saved = await books.dropTemplate(at.db, at.stored.id, at.account.id, document)
    return saved.ok ? ok(null) : saved
  },
)

/** Hands a kept document out for some records; the papers, in their order. */
export const handOutDocument = bookAction(
  'staff',
  z.strictObject({
    document: z.string().max(40),
    of: z.union([
      z.strictObject({ refs: z.array(z.string().min(1).max(3000)).min(1).max(500) }),
      z.strictObject({ list: List, given: z.record(z.string().max(40), z.string().max(400)) }),
    ]),
  }),
  async ({ db, account, stored }, { document, of }) => {
    const template = findTemplate(stored.book, document)
    if (!template || ('list' in of && of.list.table !== template.table)) return fail({ kind: 'gone', what: 'document' })
    const live = await openedBook(db, stored)
    if (!live.ok) return live
    const reads = { db: readOnly(db), live: live.value }
    const lists = await callRecords(reads, listsFor(stored.book, account.id))
    // What is on paper for good is of the office's own day, whatever a browser believes.
    const answers = { given: 'list' in of ? of.given : {}, now: now(), lists }
    const writings = { reads, template, of, answers, letterhead: stored.book.letterhead, who: account.name }
    return handOut({ db, book: stored.id, account: account.id, writings }).catch((cause: unknown) => {
      if (cause instanceof NotLaid) return fail(cause.problem)
      const problem = heavyProblem(cause)
      if (problem) return fail(problem)
      throw cause
    })
  },
)
