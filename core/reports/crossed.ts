import type { Book } from '../book'
import { showValue, type Value } from '../kinds'
import {
  cellAt,
  groupAt,
  type GroupCell,
  type GroupLine,
  isNoughtOfNone,
  measured,
  type ReadList,
  type ReadMeasure,
  sameOf,
  sayGroup,
  withGaps,
} from '../lists'
import { counted, inSentence } from '../words'
import type { PaperColumn, PaperPart } from './table'

/** The groups of a list by the first of what it is grouped by, by the second, by both, and all of it as one. */
export interface CrossedAnswers {
  readonly rows: readonly GroupLine[]
  readonly columns: readonly GroupLine[]
  readonly both: readonly GroupLine[]
  readonly all: GroupLine | undefined
}

/** Two groups crossed as a table on paper: a row for each of the one, a column for each of the other, and what all come to. */
export function crossedTable(
  book: Book,
  read: ReadList,
  of: ReadMeasure,
  answers: CrossedAnswers,
): { readonly columns: readonly PaperColumn[]; readonly parts: readonly PaperPart[] } {
  const [first, second] = [groupAt(read, 0), groupAt(read, 1)]
  const cellsOf = (lines: readonly GroupLine[]) => lines.map((line) => cellAt(line))
  const rows = withGaps(book.look, first, cellsOf(answers.rows))
  const columns = withGaps(book.look, second, cellsOf(answers.columns))
  const found = new Map(answers.both.map((line) => [sameOf(line), line]))
  const byGroup = (lines: readonly GroupLine[]) => new Map(lines.map((line) => [cellAt(line).same, line]))
  const [sums, feet] = [byGroup(answers.rows), byGroup(answers.columns)]
  const show = (line: GroupLine | undefined) => showMeasure(of, measured(of, line), book)
  const number = (id: string, heading: string): PaperColumn => ({ id, heading, align: 'end', whole: true })
  const rowOf = (row: GroupCell): PaperPart => ({
    kind: 'row',
    cells: [
      sayGroup(book.look, first, row),
      ...columns.map((column) => show(found.get(sameOf({ cells: [row, column] })))),
      show(sums.get(row.same)),
    ],
  })
  const { all } = answers
  const foot: PaperPart[] =
    all && all.count > 0
      ? [
          {
            kind: 'sum',
            words: `All, ${counted(all.count, inSentence(read.table.name))}`,
            cells: ['', ...columns.map(({ same }) => show(feet.get(same))), show(all)],
          },
        ]
      : []
  return {
    columns: [
      { id: 'of', heading: first.heading, align: 'start', whole: false },
      ...columns.map((cell, at) => number(`c${at}`, sayGroup(book.look, second, cell, true))),
      number('all', 'All'),
    ],
    parts: [...rows.map(rowOf), ...foot],
  }
}

/** A point where there is none and that means nought; nothing where nothing can be told. */
function showMeasure(of: ReadMeasure, value: Value, { look }: Book): string {
  if (value === null) return isNoughtOfNone(of) ? '·' : ''
  return of === 'size' ? Number(value).toLocaleString('en-GB') : showValue(value, of.face, look)
}
