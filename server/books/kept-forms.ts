import { type Edit, findForm, type Form } from '@/core/book'
import { fail, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { editBook, type Saved, type Seen } from './edit-book'
import { findBook } from './shelf'

export interface KeepingForm {
  readonly form: Form
  /** As it was when arranging it began, where it was kept before. */
  readonly before?: Form | undefined
}

/** Keeps a form, new or arranged anew; what somebody else made of it meanwhile is not written over. */
export async function keepForm(
  db: Catalogue,
  bookId: string,
  accountId: string,
  { form, before }: KeepingForm,
): Promise<Result<Saved>> {
  if (!before) return editBook(db, bookId, accountId, { kind: 'addForm', ...form }, [])
  const stored = await findBook(db, bookId)
  if (!stored || !findForm(stored.book, form.id)) return gone
  const { id, table: _table, ...to } = form
  const edit: Edit = { kind: 'changeForm', form: id, to }
  return editBook(db, bookId, accountId, edit, seenIn(before))
}

export async function dropForm(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<Saved>> {
  const stored = await findBook(db, bookId)
  if (!stored || !findForm(stored.book, id)) return gone
  return editBook(db, bookId, accountId, { kind: 'removeForm', form: id }, [])
}

const gone = fail({ kind: 'gone', what: 'form' })

const parts = ['name', 'lines', 'without', 'for', 'starts'] as const

const seenIn = (before: Form): Seen => parts.map((key) => ({ id: before.id, key, from: before[key] ?? null }))
