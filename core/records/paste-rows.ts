import type { Book, Field } from '../book'
import type { Now } from '../kinds'
import { type Inset, insetLimit } from './form-layout'
import { newRowText, type RowText } from './form-text'
import { mayPaste, placeBlock, shownAs } from './pasted-block'

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
  const { body, target, beyond } = placeBlock(columns, from, cells)
  const all = [...rows]
  let here = at
  let written = 0
  for (const line of body) {
    while (all[here]?.removed) here++
    if (here >= insetLimit) break
    const row = all[here] ?? { ...newRowText(book, inset, now), mark: freshMark() }
    all[here] = line.reduce((changed, typed, place) => {
      const field = target(place)
      return field && mayPaste(field)
        ? withCell(changed, field, shownAs(book, inset.table, field, typed, now))
        : changed
    }, row)
    here++
    written++
  }
  return { rows: all, written, over: body.length - written, beyond }
}

const withCell = (row: RowText, { id, kind }: Field, text: string): RowText => ({
  ...row,
  text: { ...row.text, [id]: text },
  ...(kind === 'link' && { labels: { ...row.labels, [id]: '' } }),
})
