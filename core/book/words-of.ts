import type { Choice } from '../kinds'
import type { Book, Field, Table } from './book'
import { findTable, linksFrom } from './find'

/** The words that a field may hold and that the design knows: its choices, or those its list of words starts with. */
export function wordsOf(book: Book, field: Field): readonly Choice[] {
  if (field.kind === 'choice') return field.choices ?? []
  const link = field.kind === 'link' ? book.links.find((one) => one.field === field.id) : undefined
  const list = link && findTable(book, link.one)
  return list && isPlainList(book, list) ? (list.words ?? []) : []
}

/** A list of words and nothing else. */
export const isPlainList = (book: Book, table: Table): boolean =>
  table.role === 'word-list' &&
  table.fields.length === 1 &&
  table.fields[0]!.kind === 'line' &&
  linksFrom(book, table.id).length === 0
