import type { Choices } from '../kinds'
import type { Book, Field } from './book'
import { isPlainList } from './edits/word-lists'
import { findTable } from './find'
import type * as z from 'zod'

/** The words that a field may hold and that the design knows: its choices, or those its list of words starts with. */
export function wordsOf(book: Book, field: Field): Readonly<z.infer<typeof Choices>> {
  if (field.kind === 'choice') return field.choices ?? []
  const link = field.kind === 'link' ? book.links.find((one) => one.field === field.id) : undefined
  const list = link && findTable(book, link.one)
  return list && isPlainList(book, list) ? (list.words ?? []) : []
}
