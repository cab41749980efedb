import { type Book, type Field, tableOf } from '../book'
import type { Now } from '../kinds'
import { mayPaste, placeBlock, shownAs } from '../records'
import { type CellText, freshRow, type GridRow, withCells } from './grid'

export interface GridPaste {
  readonly book: Book
  readonly tableId: string
  /** The columns as they are shown. */
  readonly columns: readonly Field[]
  /** The column that one is in. */
  readonly from: string
  /** The rows from the one that one is in, as far as they may be written over. */
  readonly onto: readonly GridRow[]
  /** What is pasted, row by row. */
  readonly cells: readonly (readonly string[])[]
  readonly now: Now
  /** What a further new row goes by; none where no row may be added. */
  readonly freshId: (() => string) | undefined
}

export interface GridPasted {
  /** The rows that were written, and those that were added. */
  readonly rows: readonly GridRow[]
  /** So many lines had no row to go into. */
  readonly over: number
  /** So many of the block's columns are none of the columns shown. */
  readonly beyond: number
}

/** Puts a block of cells into rows, and into new ones where there are no more. */
export function pasteBlock(paste: GridPaste): GridPasted {
  const { book, tableId, columns, from, onto, cells, now, freshId } = paste
  const table = tableOf(book, tableId)
  const { body, target, beyond } = placeBlock(columns, from, cells)
  const rows = body.flatMap((line, at): GridRow[] => {
    const row = onto[at] ?? (freshId && freshRow(book, tableId, freshId(), now))
    if (!row) return []
    const put = new Map<string, CellText>()
    line.forEach((typed, place) => {
      const field = target(place)
      if (field && mayPaste(field)) put.set(field.id, { text: shownAs(book, table, field, typed, now) })
    })
    return [withCells(row, put)]
  })
  return { rows, over: body.length - rows.length, beyond }
}

/** The cells of a block in a grid, filled down: every row gets what stands in the first. */
export const fillDown = (rows: readonly GridRow[], fields: readonly Field[]): readonly GridRow[] => {
  const [first, ...others] = rows
  if (!first) return []
  const typed = fields.filter(mayPaste)
  const cells = new Map(typed.map(({ id }) => [id, { text: first.text[id] ?? '', label: first.labels[id] ?? '' }]))
  return others.map((row) => withCells(row, cells))
}
