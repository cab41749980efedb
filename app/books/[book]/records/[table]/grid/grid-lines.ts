import type { Book } from '@/core/book'
import { changedFields, freshRow, type Grid, type GridRow, onNewer, storedRow } from '@/core/grid'
import type { Now } from '@/core/kinds'
import type { ListRow, Typed } from '@/core/records'

/** A line of the grid. The blank one becomes a new record with the first thing typed into it. */
export interface GridLine {
  readonly is: 'new' | 'blank' | 'stored'
  readonly row: GridRow
  /** What somebody else wrote meanwhile into cells that were changed here. */
  readonly theirs: Typed
  readonly isChanged: boolean
}

interface Around {
  readonly book: Book
  readonly tableId: string
  readonly now: Now
}

/** All lines, each made when it is asked for. */
export interface GridLines {
  readonly count: number
  /** Those that aren't saved, new ones first. */
  readonly unsaved: readonly GridLine[]
  /** So many of them are new, the blank one among them. */
  readonly fresh: number
  readonly at: (index: number) => GridLine | undefined
}

const none: Typed = {}
const asStored = new WeakMap<ListRow, GridLine>()

/**
 * New records come first, then a blank line for the next; then those that were changed and aren't among the records
 * found, and those found.
 */
export function gridLines(
  { book, tableId, now }: Around,
  { fresh, changed }: Grid,
  found: readonly ListRow[],
  blankId: string | undefined,
): GridLines {
  const refs = new Map(changed.size > 0 ? found.map((row) => [row.ref, row]) : [])
  // What somebody saved alike meanwhile is changed no more.
  const others = [...changed.values()]
    .map((row) => changedLine(book, tableId, row, refs.get(row.id)))
    .filter(({ isChanged }) => isChanged)
  const astray = others.filter(({ row }) => !refs.has(row.id))
  const byRef = new Map(others.map((line) => [line.row.id, line]))
  const own = fresh.map((row): GridLine => ({ is: 'new', row, theirs: none, isChanged: true }))
  const ahead = fresh.length + (blankId === undefined ? 0 : 1)
  const at = (index: number): GridLine | undefined => {
    if (own[index]) return own[index]
    if (index < ahead && blankId !== undefined)
      return { is: 'blank', row: freshRow(book, tableId, blankId, now), theirs: none, isChanged: false }
    if (astray[index - ahead]) return astray[index - ahead]
    const stored = found[index - ahead - astray.length]
    return stored && (byRef.get(stored.ref) ?? storedLine(book, tableId, stored))
  }
  return { count: ahead + astray.length + found.length, unsaved: [...own, ...others], fresh: ahead, at }
}

function storedLine(book: Book, tableId: string, stored: ListRow): GridLine {
  const known = asStored.get(stored)
  if (known) return known
  const line: GridLine = { is: 'stored', row: storedRow(book, tableId, stored), theirs: none, isChanged: false }
  asStored.set(stored, line)
  return line
}

const onLatest = new WeakMap<GridRow, { readonly latest: ListRow | undefined; readonly line: GridLine }>()

/** A changed record as it stands on what is stored by now; the same row as long as neither is another. */
function changedLine(book: Book, tableId: string, row: GridRow, latest: ListRow | undefined): GridLine {
  const known = onLatest.get(row)
  if (known && known.latest === latest) return known.line
  const newer = onNewer(book, tableId, row, latest)
  const line: GridLine = { is: 'stored', ...newer, isChanged: changedFields(book, tableId, newer.row).length > 0 }
  onLatest.set(row, { latest, line })
  return line
}
