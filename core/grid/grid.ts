import { type Book, tableOf } from '../book'
import type { Now } from '../kinds'
import { type ListRow, startValues, type Typed, typedFrom } from '../records'

/** So many rows may stand unsaved in a grid; they are saved in one transaction. */
export const mostRows = 10_000

/** One record as its cells show it. */
export interface GridRow {
  /** What the row goes by in the grid. */
  readonly id: string
  /** What stands in the cells, by field id. */
  readonly text: Typed
  /** What linked records are known by, and the names of files. */
  readonly labels: Typed
  /** The record as it was when its first cell was changed; none for a new one. */
  readonly stored?: ListRow
}

/** What was typed and isn't saved. */
export interface Grid {
  /** New records, in their order. */
  readonly fresh: readonly GridRow[]
  /** Records that are stored otherwise, by reference. */
  readonly changed: ReadonlyMap<string, GridRow>
}

export const emptyGrid: Grid = { fresh: [], changed: new Map() }

/** A stored record as a row. */
export const storedRow = (book: Book, tableId: string, row: ListRow): GridRow => ({
  id: row.ref,
  text: typedFrom(book, tableOf(book, tableId), row.values),
  labels: row.labels,
  stored: row,
})

/** A new row as it starts. */
export const freshRow = (book: Book, tableId: string, id: string, now: Now): GridRow => ({
  id,
  text: typedFrom(book, tableOf(book, tableId), startValues(book, tableId, now)),
  labels: {},
})

/** What comes into a cell: its text, and of a link what its record is known by. */
export interface CellText {
  readonly text: string
  readonly label?: string
}

/** A row with other cells. */
export const withCells = (row: GridRow, cells: ReadonlyMap<string, CellText>): GridRow => ({
  ...row,
  text: { ...row.text, ...Object.fromEntries([...cells].map(([field, { text }]) => [field, text])) },
  labels: { ...row.labels, ...Object.fromEntries([...cells].map(([field, { label = '' }]) => [field, label])) },
})

/**
 * Puts rows in the place of those that go by the same; new ones that aren't there come last. A stored record that is
 * as it was stored again is changed no more.
 */
export function putRows(book: Book, tableId: string, grid: Grid, rows: readonly GridRow[]): Grid {
  const changed = new Map(grid.changed)
  const put = new Map<string, GridRow>()
  for (const row of rows) {
    if (!row.stored) put.set(row.id, row)
    else if (isAsStored(book, tableId, row)) changed.delete(row.id)
    else changed.set(row.id, row)
  }
  const fresh = grid.fresh.map((row) => put.get(row.id) ?? row)
  const known = new Set(grid.fresh.map(({ id }) => id))
  return { fresh: [...fresh, ...[...put.values()].filter(({ id }) => !known.has(id))], changed }
}

/** Takes rows out: new ones go, stored ones are again as they were. */
export function dropRows(grid: Grid, ids: ReadonlySet<string>): Grid {
  const changed = new Map([...grid.changed].filter(([ref]) => !ids.has(ref)))
  return { fresh: grid.fresh.filter(({ id }) => !ids.has(id)), changed }
}

/** All rows that aren't saved, new ones first. */
export const unsaved = ({ fresh, changed }: Grid): readonly GridRow[] => [...fresh, ...changed.values()]

export const isEmpty = ({ fresh, changed }: Grid) => fresh.length === 0 && changed.size === 0

/** The fields whose cells show something else than what is stored. */
export function changedFields(book: Book, tableId: string, { text, stored }: GridRow): readonly string[] {
  const was = stored ? typedFrom(book, tableOf(book, tableId), stored.values) : {}
  return tableOf(book, tableId)
    .fields.map(({ id }) => id)
    .filter((id) => (text[id] ?? '') !== (was[id] ?? ''))
}

const isAsStored = (book: Book, tableId: string, row: GridRow) => changedFields(book, tableId, row).length === 0
