import type { Book } from '../book'
import {
  type Crossing,
  crossGroups,
  type GroupCell,
  groupAt,
  type ReadList,
  type ReadMeasure,
  sayGroup,
  showMeasure,
} from '../lists'
import { counted, inSentence } from '../words'
import type { PaperColumn, PaperPart } from './table'

/** Two groups crossed as a table on paper: a row for each of the one, a column for each of the other, and what all come to. */
export function crossedTable(
  { look }: Book,
  read: ReadList,
  of: ReadMeasure,
  crossing: Crossing,
): { readonly columns: readonly PaperColumn[]; readonly parts: readonly PaperPart[] } {
  const [first, second] = [groupAt(read, 0), groupAt(read, 1)]
  const { rows, columns, at, ofRow, ofColumn } = crossGroups(look, read, crossing)
  const { all } = crossing
  const number = (id: string, heading: string): PaperColumn => ({ id, heading, align: 'end', whole: true })
  const rowOf = (row: GroupCell): PaperPart => ({
    kind: 'row',
    cells: [
      sayGroup(look, first, row),
      ...columns.map((column) => showMeasure(of, at(row, column), look)),
      showMeasure(of, ofRow(row), look),
    ],
  })
  const foot: PaperPart[] =
    all && all.count > 0
      ? [
          {
            kind: 'sum',
            words: `All, ${counted(all.count, inSentence(read.table.name))}`,
            cells: [
              '',
              ...columns.map((column) => showMeasure(of, ofColumn(column), look)),
              showMeasure(of, all, look),
            ],
          },
        ]
      : []
  return {
    columns: [
      { id: 'of', heading: first.heading, align: 'start', whole: false },
      ...columns.map((cell, place) => number(`c${place}`, sayGroup(look, second, cell, true))),
      number('all', 'All'),
    ],
    parts: [...rows.map(rowOf), ...foot],
  }
}
