import { toast } from 'sonner'
import type { Book, Field, Table } from '@/core/book'
import { type GridRow, mostRows, openNames, pasteBlock, withNames } from '@/core/grid'
import { counted, inSentence } from '@/core/words'
import { officeNow } from '@/app/office-now'
import { freshId } from '@/ui/ids'
import { findNames } from '../../find-names'
import type { GridLines } from './grid-lines'
import type { Block } from './place'
import type { GridState } from './use-grid'

interface Onto {
  readonly base: string
  readonly book: Book
  readonly table: Table
  readonly columns: readonly Field[]
  readonly lines: GridLines
  readonly block: Block
  readonly grid: GridState
  readonly mayAdd: boolean
  /** Told of names that are still being looked for. */
  readonly onSettling: (work: Promise<unknown>) => void
}

/** One value goes into every cell that is chosen. */
function spread(cells: readonly (readonly string[])[], { top, bottom, left, right }: Block) {
  const [[only] = []] = cells
  if (cells.length !== 1 || cells[0]?.length !== 1 || only === undefined) return cells
  return Array.from({ length: bottom - top + 1 }, () => Array.from({ length: right - left + 1 }, () => only))
}

/** Puts a block of cells into the grid, finds the records that its links name, and says what came of it. */
export function pasteInto(onto: Onto, pasted: readonly (readonly string[])[]): void {
  const { book, table, columns, lines, block, grid } = onto
  const { now, put } = grid
  const isNew = block.top < lines.fresh
  const cells = spread(pasted, block)
  // What is pasted among the new rows never writes over stored ones.
  const last = isNew ? lines.fresh : lines.count
  const over: GridRow[] = []
  for (let at = block.top; at < Math.min(last, block.top + cells.length); at++) {
    const line = lines.at(at)
    if (line) over.push(line.row)
  }
  const room = mostRows - now.fresh.length - now.changed.size
  const fits = cells.slice(0, Math.max(0, room + (isNew ? over.length : 0)))
  const found = pasteBlock({
    ...{ book, tableId: table.id, columns, from: columns[block.left]?.id ?? '', onto: over, cells: fits },
    now: officeNow(),
    freshId: isNew && onto.mayAdd ? freshId : undefined,
  })
  put(found.rows)
  const ids = new Set(found.rows.map(({ id }) => id))
  const names = openNames(book, table.id, found.rows)
  const say = (unasked: number) =>
    toast(
      [
        `${counted(found.rows.length, inSentence(table.name))} pasted. Ctrl Z takes it back.`,
        ...(unasked > 0 ? [`${counted(unasked, 'name')} couldn’t be looked for: Hearth Table doesn’t answer.`] : []),
        ...(found.over > 0
          ? [`${counted(found.over, 'row')} had no row to go into; paste new ones into the blank line.`]
          : []),
        ...(fits.length < cells.length
          ? [
              `${counted(cells.length - fits.length, 'row')} had no room: a grid holds ${mostRows.toLocaleString('en-GB')} unsaved.`,
            ]
          : []),
        ...(found.beyond > 0 ? [`${counted(found.beyond, 'column')} had no place.`] : []),
      ].join(' '),
      // Beneath stands what is to be done next.
      { position: 'top-center' },
    )
  if (names.length === 0) return void say(0)
  const work = findNames(onto.base, book, names).then(({ named, unasked }) => {
    put((then) => {
      const rows = [...then.fresh, ...then.changed.values()].filter(({ id }) => ids.has(id))
      return withNames(book, table.id, rows, (field, words) => {
        const record = named(field, words)
        return record && { text: record.ref, label: record.label }
      })
    }, 'along')
    say(unasked)
  })
  onto.onSettling(work)
}
