'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { findTemplate, Template } from '@/core/book'
import { fail, ok } from '@/core/words'
import * as books from '@/server/books'
import { handOut } from '@/server/reports'
import { HandedTo, handingOf, told } from './handing'

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
    of: HandedTo,
  }),
  async (at, { document, of }) => {
    const handing = await handingOf(at, of, (book) => findTemplate(book, document))
    return handing.ok ? told(handOut(handing.value)) : handing
  },
)
