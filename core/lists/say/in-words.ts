import type { Book } from '../../book'
import { displayOf } from '../../expressions'
import { kindOf } from '../../kinds'
import type { ReadColumn } from '../check/read-list'
import type { Cell } from '../statement/cells'

export const isTogether = (cell: Cell | readonly Cell[]): cell is readonly Cell[] => Array.isArray(cell)

/** A value as people write it; what a link leads to by what it is known by. */
export function inWords(book: Book, { face }: Pick<ReadColumn, 'face'>, cell: Cell | readonly Cell[]): string {
  if (isTogether(cell))
    return cell
      .map((one) => inWords(book, { face }, one))
      .filter(Boolean)
      .join(', ')
  if (cell === null) return ''
  if (typeof cell === 'object') return cell.label
  const look = displayOf(book, face)
  return kindOf(look.kind).show(cell, look, book.look)
}
