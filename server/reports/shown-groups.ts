import type { Report } from '@/core/book'
import { chartData, type Crossing, type DrawnChart, type Drawing, drawingOf, fittingChart } from '@/core/lists'
import { crossedTable } from '@/core/reports'
import { askGroups, type ReportWalk } from '../live'
import { NotLaid } from './work'

/** The groups by some of what a list is grouped by. Whoever reads paper must not think that it is all where it isn't. */
async function groupsBy({ reads, list, answers }: ReportWalk, by: readonly number[]) {
  const found = await askGroups(reads, list, answers, { by })
  if ('faults' in found) throw new NotLaid(found.faults[0]?.problem ?? { kind: 'unexpected' })
  if (found.more) throw new NotLaid({ kind: 'list-too-many-groups', most: found.groups.length })
  return found.groups
}

const crossingOf = async (walk: ReportWalk, isCrossed: boolean): Promise<Crossing> => ({
  rows: await groupsBy(walk, [0]),
  columns: isCrossed ? await groupsBy(walk, [1]) : undefined,
  both: isCrossed ? await groupsBy(walk, [0, 1]) : undefined,
  all: (await groupsBy(walk, []))[0],
})

/** What a report's groups are drawn as; nothing where no chart is wished, or there are no groups. */
export async function chartOf(walk: ReportWalk, { chart }: Pick<Report, 'chart'>): Promise<Drawing | undefined> {
  const { read, reads } = walk
  const isWished = chart !== 'none' && (chart !== undefined || read.shown?.chart !== undefined)
  if (!isWished || read.groups.length === 0) return undefined
  const { rows: places, columns: series, both } = await crossingOf(walk, read.groups.length > 1 && !read.shown?.against)
  if (places.length === 0) return undefined
  const drawn = chartFor(read, places.length)
  const { book } = reads.live
  return drawingOf(book, read, drawn, chartData(book.look, read, drawn, { places, series, both }))
}

/** The chart that the list is shown as, or else the one that fits what its groups come to. */
function chartFor({ groups, shown, figures }: ReportWalk['read'], places: number): DrawnChart {
  if (shown?.chart) return { ...shown, chart: shown.chart }
  const of = shown?.of ?? figures.find(({ name }) => name === 'total') ?? 'size'
  return { of, against: undefined, chart: fittingChart(groups, { of }, places).chart }
}

/** A list that is shown crossed, as a table on paper; nothing where it isn't. */
export async function crossedOf(walk: ReportWalk) {
  const { read, reads } = walk
  if (!read.shown || read.shown.chart || read.groups.length < 2) return undefined
  return crossedTable(reads.live.book, read, read.shown.of, await crossingOf(walk, true))
}
