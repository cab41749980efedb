import type { Book } from '@/core/book'
import { showValue } from '@/core/kinds'
import type { Cell, ReadColumn } from '@/core/lists'
import type { ListLine } from '@/server/live'

/** What a cell says; a tick as a tick. */
export function sayCell(book: Book, { face }: Pick<ReadColumn, 'face'>, cell: Cell): string {
  if (cell !== null && typeof cell === 'object') return cell.label
  if (face.kind === 'tick') return cell === '1' ? '✓' : ''
  return showValue(cell, face, book.look)
}

/** What each column of a record says; several of them one after the other. */
export const sayCells = (book: Book, columns: readonly ReadColumn[], { cells }: ListLine): string[] =>
  columns.map((column) => {
    const cell = cells[column.id] ?? null
    const all = Array.isArray(cell) ? (cell as readonly Cell[]) : [cell as Cell]
    return all
      .map((one) => sayCell(book, column, one))
      .filter(Boolean)
      .join(', ')
  })
