import { type Edit, findTemplate, type Template } from '@/core/book'
import { fail, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { editBook, type Saved, type Seen } from './edit-book'
import { findBook } from './shelf'

export interface KeepingTemplate {
  readonly template: Template
  /** As it was when changing it began, where it was kept before. */
  readonly before?: Template | undefined
}

/** Keeps a document, new or changed; a change that somebody else made to it meanwhile is not written over. */
export async function keepTemplate(
  db: Catalogue,
  bookId: string,
  accountId: string,
  { template, before }: KeepingTemplate,
): Promise<Result<Saved>> {
  if (!before) return editBook(db, bookId, accountId, { kind: 'addTemplate', ...template }, [])
  const stored = await findBook(db, bookId)
  if (!stored || !findTemplate(stored.book, template.id)) return gone
  const { id, table: _table, ...to } = template
  const edit: Edit = { kind: 'changeTemplate', template: id, to }
  return editBook(db, bookId, accountId, edit, seenIn(before))
}

export async function dropTemplate(
  db: Catalogue,
  bookId: string,
  accountId: string,
  id: string,
): Promise<Result<Saved>> {
  const stored = await findBook(db, bookId)
  if (!stored || !findTemplate(stored.book, id)) return gone
  return editBook(db, bookId, accountId, { kind: 'removeTemplate', template: id }, [])
}

const gone = fail({ kind: 'gone', what: 'document' })

const parts = ['name', 'paper', 'letters', 'bare', 'window', 'labels', 'handed', 'mail', 'columns', 'blocks'] as const

const seenIn = (before: Template): Seen => parts.map((key) => ({ id: before.id, key, from: before[key] ?? null }))
