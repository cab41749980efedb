import { chartData, type DrawnChart, type Drawing, drawingOf } from '@/core/lists'
import { crossedTable } from '@/core/reports'
import { askGroups, type ReportWalk } from '../live'
import { NotLaid } from './work'

async function groupsBy({ reads, list, answers }: ReportWalk, by: readonly number[]) {
  const found = await askGroups(reads, list, answers, { by })
  if ('faults' in found) throw new NotLaid(found.faults[0]?.problem ?? { kind: 'unexpected' })
  return found
}

/** What a list is drawn as; nothing where it isn't shown as a chart. */
export async function chartOf(walk: ReportWalk): Promise<Drawing | undefined> {
  const { read, reads } = walk
  const { shown } = read
  if (!shown?.chart) return undefined
  const drawn: DrawnChart = { ...shown, chart: shown.chart }
  const isCrossed = read.groups.length > 1 && !shown.against
  const places = (await groupsBy(walk, [0])).groups
  const series = isCrossed ? (await groupsBy(walk, [1])).groups : undefined
  const both = isCrossed ? (await groupsBy(walk, [0, 1])).groups : undefined
  const { book } = reads.live
  return places.length > 0
    ? drawingOf(book, read, drawn, chartData(book.look, read, drawn, { places, series, both }))
    : undefined
}

/** A list that is shown crossed, as a table on paper; nothing where it isn't. Whoever reads it must not think that it is all where it isn't. */
export async function crossedOf(walk: ReportWalk) {
  const { read, reads } = walk
  if (!read.shown || read.shown.chart || read.groups.length < 2) return undefined
  const rows = await groupsBy(walk, [0])
  const columns = await groupsBy(walk, [1])
  const both = await groupsBy(walk, [0, 1])
  const tooMany = [rows, columns, both].find(({ more }) => more)
  if (tooMany) throw new NotLaid({ kind: 'list-too-many-groups', most: tooMany.groups.length })
  const all = (await groupsBy(walk, [])).groups[0]
  return crossedTable(reads.live.book, read, read.shown.of, {
    rows: rows.groups,
    columns: columns.groups,
    both: both.groups,
    all,
  })
}
