import type { Book, ColumnShows } from '@/core/book'
import { readList, type ReadColumn } from '@/core/lists'
import { wordProblem } from '@/core/words'

/** A column of a table by what it shows, or why there is none. */
export function columnOf(
  book: Book,
  table: string,
  shows: ColumnShows,
  heading?: string,
): { readonly column: ReadColumn } | { readonly why: string } {
  const list = { id: 'one', table, columns: [{ id: 'one', shows, ...(heading && { heading }) }], asks: [], order: [] }
  const found = readList(book, list, { given: {}, now: { moment: '2000-01-01T00:00' }, lists: book.lists })
  const [column] = 'read' in found ? found.read.columns : []
  const [fault] = found.faults
  return column ? { column } : { why: fault ? wordProblem(fault.problem) : 'It is no longer there.' }
}
