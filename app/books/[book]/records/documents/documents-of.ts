import type { Book, Template } from '@/core/book'
import { findTable } from '@/core/book'
import { makeReady, readyFor, type ReadyKind, readyKinds, readyTitles } from '@/core/reports'

/** What can be written for a table's records: what is kept, and what the program writes by itself. */
export interface Choice {
  readonly id: string
  readonly name: string
  readonly isReady: boolean
}

const readyId = (kind: ReadyKind) => `ready-${kind}`

export function choicesOf(book: Book, tableId: string): Choice[] {
  const table = findTable(book, tableId)
  if (!table) return []
  const kept = book.templates
    .filter((template) => template.table === tableId)
    .map(({ id, name }) => ({ id, name, isReady: false }))
    .sort((a, b) => a.name.localeCompare(b.name))
  const ready = readyFor(book, table).map((kind) => ({ id: readyId(kind), name: readyTitles[kind], isReady: true }))
  return [...kept, ...ready]
}

/** The document of a choice; those that the program writes are written anew each time. */
export function documentOf(book: Book, tableId: string, id: string): Template | undefined {
  const kind = readyKinds.find((one) => readyId(one) === id)
  if (kind) return findTable(book, tableId) && makeReady(book, tableId, kind, id)
  return book.templates.find((template) => template.id === id && template.table === tableId)
}
