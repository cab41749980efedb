import type { Book, Field } from '../book'
import { isTyped, kindOf, type Now, showValue, unmatched } from '../kinds'
import { looselySame } from '../words'
import { readTyped } from './check-record'
import { type Inset, insetLimit } from './form-layout'
import { newRowText, type RowText } from './form-text'

export interface Paste {
  readonly book: Book
  readonly inset: Inset
  /** The rows that stand there. */
  readonly rows: readonly RowText[]
  /** The columns as they are shown. */
  readonly columns: readonly Field[]
  /** The row and the field that one is in. */
  readonly at: number
  readonly from: string
  /** What is pasted, row by row. */
  readonly cells: readonly (readonly string[])[]
  readonly now: Now
  readonly freshMark: () => string
}

export interface Pasted {
  readonly rows: readonly RowText[]
  /** So many rows were written. */
  readonly written: number
  /** So many had no room. */
  readonly over: number
  /** So many of the block's columns are none of the rows'. */
  readonly beyond: number
}

/**
 * A block of cells put into rows, from the cell that one is in rightwards and downwards; rows that aren't there are
 * added, those to be taken out are passed over. Where the first row of the block has the names of columns, they say
 * what goes where. What is worked out is let be. Links hold the words until it is known which record they name.
 */
export function pasteRows({ book, inset, rows, columns, at, from, cells, now, freshMark }: Paste): Pasted {
  const named = namedColumns(columns, cells[0] ?? [])
  const start = columns.findIndex(({ id }) => id === from)
  const target = (place: number) => (named ? named[place] : columns[start + place])
  const body = named ? cells.slice(1) : cells
  const all = [...rows]
  let here = at
  let written = 0
  for (const line of body) {
    while (all[here]?.removed) here++
    if (here >= insetLimit) break
    const row = all[here] ?? { ...newRowText(book, inset, now), mark: freshMark() }
    all[here] = line.reduce((changed, typed, place) => {
      const field = target(place)
      return field && mayPaste(field) ? withCell(changed, field, textOf(book, inset, field, typed, now)) : changed
    }, row)
    here++
    written++
  }
  const widest = Math.max(0, ...cells.map((line) => line.length))
  const beyond = named ? named.filter((field) => !field).length : Math.max(0, widest - (columns.length - start))
  return { rows: all, written, over: body.length - written, beyond }
}

const mayPaste = (field: Field) => isTyped(field) && !['file', 'given'].includes(kindOf(field.kind).control)

/** The columns that the cells of a line name, where most of them name one; of the others nothing is taken. */
function namedColumns(columns: readonly Field[], line: readonly string[]): readonly (Field | undefined)[] | undefined {
  const found = line.map((name) => columns.find((field) => looselySame(field.name, name)))
  const all = found.filter((field) => field !== undefined)
  const filled = line.filter((name) => name.trim())
  return all.length > 1 && all.length * 2 >= filled.length && new Set(all).size === all.length ? found : undefined
}

/** What is pasted as the box shows it; what can't be read stays as it is, to be marked. */
function textOf(book: Book, { table }: Inset, field: Field, typed: string, now: Now): string {
  const text = typed.trim()
  if (field.kind === 'link') return text && unmatched(text)
  const read = readTyped(book, table, { ...field, must: undefined }, text, now)
  return read.ok && read.value !== null ? showValue(read.value, field, book.look) : text
}

const withCell = (row: RowText, { id, kind }: Field, text: string): RowText => ({
  ...row,
  text: { ...row.text, [id]: text },
  ...(kind === 'link' && { labels: { ...row.labels, [id]: '' } }),
})
