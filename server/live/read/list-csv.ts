import type { List } from '@/core/book'
import { type Answers, type Cell, csvCell, guardFormula, type ReadColumn, readList } from '@/core/lists'
import type { Cursor } from '@/core/records'
import type { Live } from '../live'
import type { Reads } from '../unit'
import { askList, type ListLine } from './ask-list'
import { csvHead, csvLines } from './csv'

const pageSize = 1000

/**
 * A list as CSV (RFC 4180, UTF-8 with a byte-order mark), a page at a time, so that no size is too large. What goes on
 * lines each takes as many as there are; nothing at all comes of a list that can't be run.
 */
export async function* csvOfList(reads: Reads, list: List, answers: Answers): AsyncGenerator<string> {
  const { live } = reads
  const found = readList(live.book, list, answers)
  if (!('read' in found)) return
  const { columns } = found.read
  yield csvHead(columns.map(({ heading }) => heading))
  let after: Cursor | undefined
  do {
    const page = await askList(reads, list, answers, { after, limit: pageSize })
    if ('faults' in page) return
    const rows = page.lines.flatMap((line) => rowsOf(live, columns, line))
    if (rows.length > 0) yield csvLines(rows)
    after = page.next
  } while (after)
}

/** The lines that one record takes: as many as the longest of what goes on lines. */
function rowsOf(live: Live, columns: readonly ReadColumn[], { cells }: ListLine): string[][] {
  const several = (column: ReadColumn) => (cells[column.id] ?? []) as readonly Cell[]
  const onLines = columns.filter((column) => column.kind === 'several' && column.as === 'lines')
  const lines = Math.max(1, ...onLines.map((column) => several(column).length))
  return Array.from({ length: lines }, (_, at) =>
    columns.map((column) => {
      if (column.kind !== 'several') return at === 0 ? written(live, column, cells[column.id] as Cell) : ''
      if (column.as === 'lines') return written(live, column, several(column)[at] ?? null)
      if (at > 0) return ''
      return guardFormula(
        several(column)
          .map((cell) => written(live, column, cell))
          .filter(Boolean)
          .join(', '),
      )
    }),
  )
}

const written = (live: Live, { face }: ReadColumn, cell: Cell): string =>
  cell !== null && typeof cell === 'object' ? guardFormula(cell.label) : csvCell(live.book, face, cell)
