'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { fail, ok } from '@/core/words'
import { sendAgain, sendNow, takeBack } from '@/server/post'
import { mailDocuments, mailsToCome } from '@/server/reports'
import { documentOf } from '../documents-of'
import { HandedTo, handingOf, told } from '../handing'

const Wish = z.strictObject({
  table: z.string().max(40),
  /** A kept document, or one that the program writes by itself. */
  document: z.string().max(40),
  of: HandedTo,
})

/** The e-mails of a document for some records, as they would be sent. */
export const askMails = bookAction('staff', Wish, async (at, { table, document, of }) => {
  const handing = await handingOf(at, of, (book) => documentOf(book, table, document))
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
  async (at, { only, asOf, table, document, of }) => {
    const handing = await handingOf(at, of, (book) => documentOf(book, table, document))
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
