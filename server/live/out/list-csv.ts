import type { Book } from '@/core/book'
import { isTogether, type Cell, csvCell, guardFormula, type ReadColumn } from '@/core/lists'
import { csvHead, csvLines } from '../read/csv'
import { type Spread, spread, type Walk, walkList } from './walk-list'

/**
 * A list as CSV (RFC 4180, UTF-8 with a byte-order mark), a page at a time, so that no size is too large. What goes on
 * lines each takes as many as there are; what the list is grouped by stands first, in every line.
 */
export async function* csvOfList(walk: Walk): AsyncGenerator<string> {
  const { columns, groups } = walk.read
  yield csvHead([...groups, ...columns].map(({ heading }) => heading))
  yield* linesOf(walk, ',')
}

/** The same with tabs between the cells, as programs take what is put down from the clipboard. */
export async function* tabsOfList(walk: Walk): AsyncGenerator<string> {
  const { columns, groups } = walk.read
  yield csvLines([[...groups, ...columns].map(({ heading }) => guardFormula(heading))], '\t')
  yield* linesOf(walk, '\t')
}

async function* linesOf(walk: Walk, delimiter: ',' | '\t'): AsyncGenerator<string> {
  const { columns } = walk.read
  const { book } = walk.reads.live
  for await (const page of walkList(walk)) {
    const before = page.groups.map(guardFormula)
    const rows = page.lines.flatMap((line) =>
      spread(columns, line).map((cells) => [...before, ...written(book, columns, cells)]),
    )
    if (rows.length > 0) yield csvLines(rows, delimiter)
  }
}

const written = (book: Book, columns: readonly ReadColumn[], cells: Spread): string[] =>
  columns.map((column, at) => {
    const cell = cells[at] ?? null
    if (!isTogether(cell)) return writtenOne(book, column, cell)
    return guardFormula(
      cell
        .map((one) => writtenOne(book, column, one))
        .filter(Boolean)
        .join(', '),
    )
  })

const writtenOne = (book: Book, { face }: ReadColumn, cell: Cell): string =>
  cell !== null && typeof cell === 'object' ? guardFormula(cell.label) : csvCell(book, face, cell)
