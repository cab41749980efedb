import { type Book, tableOf } from '../book'
import { type ListRow, type Typed, typedFrom } from '../records'
import { changedFields, type GridRow } from './grid'

/** A row on the record as it is by now, and where somebody else wrote something else into the same cell. */
export interface Newer {
  readonly row: GridRow
  /** By field id, what somebody else wrote there. */
  readonly theirs: Typed
}

const none: Typed = {}

/**
 * Lays what was typed onto the record as somebody else saved it meanwhile: their values come into the cells that
 * weren't touched; a cell that both changed keeps what was typed, and theirs is told.
 */
export function onNewer(book: Book, tableId: string, row: GridRow, latest: ListRow | undefined): Newer {
  if (!row.stored || !latest || latest.rev === row.stored.rev) return { row, theirs: none }
  const table = tableOf(book, tableId)
  const [was, is] = [typedFrom(book, table, row.stored.values), typedFrom(book, table, latest.values)]
  const own = new Set(changedFields(book, tableId, row))
  const cells = (mine: Typed, newer: Typed) =>
    Object.fromEntries(table.fields.map(({ id }) => [id, (own.has(id) ? mine[id] : newer[id]) ?? '']))
  const both = table.fields.filter(({ id }) => own.has(id) && is[id] !== was[id] && is[id] !== row.text[id])
  return {
    row: { ...row, text: cells(row.text, is), labels: cells(row.labels, latest.labels), stored: latest },
    theirs: Object.fromEntries(both.map(({ id }) => [id, latest.labels[id] ?? is[id] ?? ''])),
  }
}
