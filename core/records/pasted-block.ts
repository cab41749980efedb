import type { Book, Field, Table } from '../book'
import { isTyped, kindOf, type Now, showValue, unmatched } from '../kinds'
import { looselySame } from '../words'
import { readTyped } from './check-record'

/** What is worked out, given on saving, or a file, isn't pasted. */
export const mayPaste = (field: Field) => isTyped(field) && !['file', 'given'].includes(kindOf(field.kind).control)

/** Where the cells of a block go: by the names of columns in its first row, or from the column that one is in rightwards. */
export interface PastedBlock {
  readonly body: readonly (readonly string[])[]
  readonly target: (place: number) => Field | undefined
  /** So many of the block's columns are none of the columns shown. */
  readonly beyond: number
}

/** Makes out what goes where of a block of cells. */
export function placeBlock(
  columns: readonly Field[],
  from: string,
  cells: readonly (readonly string[])[],
): PastedBlock {
  const named = namedColumns(columns, cells[0] ?? [])
  if (named)
    return {
      body: cells.slice(1),
      target: (place) => named[place],
      beyond: named.filter((field) => !field).length,
    }
  const start = columns.findIndex(({ id }) => id === from)
  const widest = cells.reduce((most, line) => Math.max(most, line.length), 0)
  return {
    body: cells,
    target: (place) => columns[start + place],
    beyond: Math.max(0, widest - (columns.length - start)),
  }
}

/** The columns that the cells of a line name, where most of them name one; of the others nothing is taken. */
function namedColumns(columns: readonly Field[], line: readonly string[]): readonly (Field | undefined)[] | undefined {
  const found = line.map((name) => columns.find((field) => looselySame(field.name, name)))
  const all = found.filter((field) => field !== undefined)
  const filled = line.filter((name) => name.trim())
  return all.length > 1 && all.length * 2 >= filled.length && new Set(all).size === all.length ? found : undefined
}

/** What is typed or pasted as the box shows it; what can't be read stays as it is, to be marked. A link holds the words. */
export function shownAs(book: Book, table: Table, field: Field, typed: string, now: Now): string {
  const text = typed.trim()
  if (field.kind === 'link') return text && unmatched(text)
  const read = readTyped(book, table, { ...field, must: undefined }, text, now)
  return read.ok && read.value !== null ? showValue(read.value, field, book.look) : text
}
