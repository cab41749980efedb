import { type Look, showValue } from '../../kinds'
import { groupAt, type ReadList, type ReadMeasure } from '../check/read-list'
import type { GroupCell } from '../statement/group-keys'
import { withGaps } from './gaps'
import { isNoughtOfNone, measured } from './measure'
import { cellAt, type GroupLine, sameOf } from './order-groups'

/** The groups of a list by the first of what it is grouped by, by the second, by both, and all of it as one. */
export interface Crossing {
  readonly rows: readonly GroupLine[]
  /** None where it is grouped by one thing alone. */
  readonly columns: readonly GroupLine[] | undefined
  readonly both: readonly GroupLine[] | undefined
  readonly all: GroupLine | undefined
}

/** Two groups crossed: a row for each of the one, a column for each of the other, and the groups behind every number. */
export interface CrossedGroups {
  readonly rows: readonly GroupCell[]
  readonly columns: readonly GroupCell[]
  readonly at: (row: GroupCell, column: GroupCell) => GroupLine | undefined
  readonly ofRow: (row: GroupCell) => GroupLine | undefined
  readonly ofColumn: (column: GroupCell) => GroupLine | undefined
}

export function crossGroups(look: Look, read: Pick<ReadList, 'groups'>, crossing: Crossing): CrossedGroups {
  const cellsOf = (lines: readonly GroupLine[]) => lines.map((line) => cellAt(line))
  const byGroup = (lines: readonly GroupLine[]) => new Map(lines.map((line) => [cellAt(line).same, line]))
  const { rows, columns = [], both = [] } = crossing
  const found = new Map(both.map((line) => [sameOf(line), line]))
  const [ofRows, ofColumns] = [byGroup(rows), byGroup(columns)]
  return {
    rows: withGaps(look, groupAt(read, 0), cellsOf(rows)),
    columns: crossing.columns ? withGaps(look, groupAt(read, 1), cellsOf(columns)) : [],
    at: (row, column) => found.get(sameOf({ cells: [row, column] })),
    ofRow: ({ same }) => ofRows.get(same),
    ofColumn: ({ same }) => ofColumns.get(same),
  }
}

/** What some groups come to, in words: a point where nothing is there and that means nought, nothing where nothing can be told. */
export function showMeasure(of: ReadMeasure, line: GroupLine | undefined, look: Look): string {
  const value = measured(of, line)
  if (value === null) return isNoughtOfNone(of) ? '·' : ''
  return of === 'size' ? Number(value).toLocaleString('en-GB') : showValue(value, of.face, look)
}
