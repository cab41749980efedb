import type { Value } from '../../kinds'
import { kindOf } from '../../kinds'
import { groupAt, type ReadFigure, type ReadGroup, type ReadList } from '../check/read-list'
import type { GroupCell } from '../statement/group-keys'
import type { GroupRow } from '../statement/groups-sql'

/** A group: what its records are put together by, how many they are, and what they come to in each column. */
export interface GroupLine {
  readonly cells: readonly GroupCell[]
  readonly count: number
  readonly figures: Readonly<Record<string, Value>>
}

/**
 * What several statements tell of the same groups as one line for each, in the order of the list. The first statement
 * tells which groups there are; where another has nothing for one, there is nothing, or none of it.
 */
export function groupLines(
  read: Pick<ReadList, 'groups' | 'figures'>,
  by: readonly number[],
  told: readonly (readonly GroupRow[])[],
): GroupLine[] {
  const [own = [], ...others] = told
  const found = others.map((rows) => new Map(rows.map((row) => [sameOf(row), row.figures])))
  const blank = Object.fromEntries(read.figures.map((figure) => [figure.column.id, ofNothing(figure)]))
  const lines = own.map(({ cells, count = 0, figures }) => ({
    cells,
    count,
    figures: Object.assign(
      { ...blank },
      figures,
      ...found.map((rows) => rows.get(sameOf({ cells })) ?? {}),
    ) as GroupLine['figures'],
  }))
  const groups = by.map((at) => groupAt(read, at))
  return groups.reduceRight((sorted, group, at) => inOrder(sorted, group, at, read.figures), lines)
}

/** A group's cell of one of those it is put together by. */
export function cellAt({ cells }: Pick<GroupLine, 'cells'>, at = 0): GroupCell {
  const cell = cells[at]
  if (!cell) throw new Error('A group has no such cell.')
  return cell
}

/** By which the same group is found in another answer. */
export const sameOf = ({ cells }: Pick<GroupLine, 'cells'>): string => JSON.stringify(cells.map(({ same }) => same))

const ofNothing = ({ name }: ReadFigure): Value => (name === 'count' || name === 'different' ? '0' : null)

/** Puts groups in the order of one of those they are put together by; what is blank comes last, either way. */
function inOrder(
  lines: readonly GroupLine[],
  group: ReadGroup,
  at: number,
  figures: readonly ReadFigure[],
): GroupLine[] {
  const compare = comparing(lines, group, at, figures)
  return [...lines]
    .sort((a, b) => compare(a, b) * (group.down ? -1 : 1) || 0)
    .sort((a, b) => isBlank(a, at) - isBlank(b, at))
}

const isBlank = (line: GroupLine, at: number) => (cellAt(line, at).key === null ? 1 : 0)

function comparing(
  lines: readonly GroupLine[],
  { by, field }: ReadGroup,
  at: number,
  figures: readonly ReadFigure[],
): (a: GroupLine, b: GroupLine) => number {
  if (typeof by === 'object') return (a, b) => a.count - b.count
  const figure = figures.find(({ column }) => column.id === by)
  if (figure) {
    const { compare } = kindOf(figure.face.kind)
    const id = figure.column.id
    return (a, b) => {
      const [x, y] = [a.figures[id] ?? null, b.figures[id] ?? null]
      return x === null || y === null ? Number(y === null) - Number(x === null) : compare(x, y)
    }
  }
  // As the database sorted them; words of a short list as they stand there.
  const places = new Map<string | null, number>()
  for (const line of lines) {
    const { key } = cellAt(line, at)
    if (!places.has(key)) places.set(key, places.size)
  }
  for (const [place, { word }] of (field.choices ?? []).entries()) places.set(word, place - 1000)
  const placeOf = (line: GroupLine) => places.get(cellAt(line, at).key) ?? 0
  return (a, b) => placeOf(a) - placeOf(b)
}
