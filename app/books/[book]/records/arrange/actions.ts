'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { bookId, findForm, Form, FormLook } from '@/core/book'
import { fail, ok } from '@/core/words'
import * as books from '@/server/books'

/** A form as it is arranged: what is wrong with its name is told by the edit, in words. */
const Typed = Form.extend({ name: z.string().max(400) })

/** Keeps a form for those it is for; `before` is what it was when arranging it began. */
export const keepForm = bookAction(
  'administrator',
  z.strictObject({ form: Typed, before: Form.optional() }),
  async ({ db, account, stored }, { form, before }) => {
    const saved = await books.keepForm(db, stored.id, account.id, { form, before })
    if (!saved.ok) return saved
    const now = findForm(saved.value.book, form.id)
    return now ? ok(now) : fail({ kind: 'gone', what: 'form' })
  },
)

/** How all forms look; `before` is how they looked when changing it began. */
export const changeFormLook = bookAction(
  'administrator',
  z.strictObject({ to: FormLook, before: FormLook.optional() }),
  async (at, { to, before }) => {
    const saved = await books.editBook(at.db, at.stored.id, at.account.id, { kind: 'changeFormLook', to }, [
      { id: bookId, key: 'formLook', from: before ?? null },
    ])
    return saved.ok ? ok(saved.value.book.formLook ?? null) : saved
  },
)

export const dropForm = bookAction(
  'administrator',
  z.strictObject({ form: z.string().max(40) }),
  async ({ db, account, stored }, { form }) => {
    const saved = await books.dropForm(db, stored.id, account.id, form)
    return saved.ok ? ok(null) : saved
  },
)
