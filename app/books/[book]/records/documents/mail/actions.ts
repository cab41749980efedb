'use server'

import * as z from 'zod'
import { type AtBook, bookAction } from '@/app/door'
import { List, type Template } from '@/core/book'
import { fail, ok, type Result } from '@/core/words'
import { listsFor } from '@/server/books'
import { now } from '@/server/clock'
import { readOnly } from '@/server/database'
import { callRecords, heavyProblem, openedBook } from '@/server/live'
import { sendAgain, sendNow, setPostOffice, takeBack } from '@/server/post'
import { mailDocuments, mailsToCome, NotLaid } from '@/server/reports'
import { documentOf } from '../documents-of'

const Wish = z.strictObject({
  table: z.string().max(40),
  document: z.string().max(40),
  of: z.union([
    z.strictObject({ refs: z.array(z.string().min(1).max(3000)).min(1).max(500) }),
    z.strictObject({ list: List, given: z.record(z.string().max(40), z.string().max(400)) }),
  ]),
})
type Wish = z.infer<typeof Wish>

/** What handing out needs, for a document that is kept or that the program writes by itself. */
async function handingOf({ db, account, stored }: AtBook, { table, document, of }: Wish) {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  const shown = { ...live.value.book, templates: stored.book.templates, lists: stored.book.lists }
  const template: Template | undefined = documentOf(shown, table, document)
  if (!template || ('list' in of && of.list.table !== template.table))
    return fail({ kind: 'gone', what: 'document' } as const)
  const reads = { db: readOnly(db), live: live.value }
  const lists = await callRecords(reads, listsFor(stored.book, account.id))
  const answers = { given: 'list' in of ? of.given : {}, now: now(), lists }
  const writings = { reads, template, of, answers, letterhead: stored.book.letterhead, who: account.name }
  return ok({ db, book: stored.id, account: account.id, writings })
}

async function told<T>(work: Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work
  } catch (cause) {
    if (cause instanceof NotLaid) return fail(cause.problem)
    const problem = heavyProblem(cause)
    if (problem) return fail(problem)
    throw cause
  }
}

/** The e-mails of a document for some records, as they would be sent. */
export const askMails = bookAction('staff', Wish, async (at, wish) => {
  const handing = await handingOf(at, wish)
  return handing.ok ? told(mailsToCome(handing.value)) : handing
})

/** Sends them: to these records of them. How many. */
export const sendMails = bookAction(
  'staff',
  Wish.extend({
    only: z.array(z.string().min(1).max(3000)).min(1).max(500),
    /** When it was looked who had it before. */
    asOf: z.string().max(30),
  }),
  async (at, { only, asOf, ...wish }) => {
    const handing = await handingOf(at, wish)
    if (!handing.ok) return handing
    const sent = await told(mailDocuments(handing.value, { only: new Set(only), asOf }))
    if (sent.ok) sendNow(at.db)
    return sent
  },
)

const One = z.strictObject({ mail: z.string().min(1).max(20) })

/** Sends one again that was refused, was taken back, or of which nobody knows. */
export const sendMailAgain = bookAction('staff', One, async ({ db, stored }, { mail }) => {
  if (!(await sendAgain(db, stored.id, mail))) return fail({ kind: 'mail-gone' })
  sendNow(db)
  return ok(null)
})

/** Takes one back that waits, or all of them. How many. */
export const takeMailsBack = bookAction('staff', One.partial(), async ({ db, stored }, { mail }) =>
  ok(await takeBack(db, stored.id, mail)),
)

/** Who e-mails are from, and by which post office they go. */
export const setPost = bookAction(
  'administrator',
  z.strictObject({
    senderName: z.string().trim().max(60),
    senderAddress: z.string().trim().max(254),
    real: z
      .strictObject({
        host: z.string().trim().min(1).max(254),
        port: z.int().min(1).max(65535),
        safety: z.enum(['tls', 'agreed', 'none']),
        user: z.string().trim().min(1).max(254).optional(),
      })
      .optional(),
    /** None where it stays as it is. */
    password: z.string().min(1).max(500).optional(),
  }),
  async ({ db, stored }, { password, real, ...sender }) => {
    // What is tried out has made-up addresses, and writes to nobody.
    if (stored.dryOf !== undefined) return fail({ kind: 'not-allowed' })
    const set = real && { ...real, user: real.user }
    return setPostOffice(db, stored.id, { ...sender, real: set }, password)
  },
)
