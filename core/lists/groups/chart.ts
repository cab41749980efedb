import type { ChartKind, Group } from '../../book'
import { fromExact, type Look, toExact, type Value } from '../../kinds'
import { groupAt, type ReadGroup, type ReadList, type ReadMeasure, type ReadShown } from '../check/read-list'
import type { GroupCell } from '../statement/group-keys'
import { withGaps } from './gaps'
import { addsUp, isNoughtOfNone, measured } from './measure'
import { cellAt, type GroupLine, sameOf } from './order-groups'

/** So many series are told apart, and no more. */
export const mostSeries = 6
/** So many places along a chart, and no more. */
const mostPlaces = 400

export interface Series {
  /** None where there is one alone, or where all the others go together. */
  readonly cell: GroupCell | undefined
  readonly values: readonly Value[]
}

/** What a chart is drawn from: places along it, and for each series a value at each of them. */
export interface ChartData {
  readonly places: readonly GroupCell[]
  readonly series: readonly Series[]
  /** What each place has of what it is put against; none where nothing is. */
  readonly across?: readonly Value[]
  /** That there are more places, or more series, than are drawn. */
  readonly more: { readonly places: number; readonly series: number }
}

/** The answers a chart is drawn from: groups by the first, by the second, and by both; the last two where there are two. */
export interface ChartAnswers {
  readonly places: readonly GroupLine[]
  readonly series: readonly GroupLine[] | undefined
  readonly both: readonly GroupLine[] | undefined
}

export function chartData(
  look: Look,
  read: Pick<ReadList, 'groups'>,
  { of, against, chart }: ReadShown,
  { places, series, both }: ChartAnswers,
): ChartData {
  const cells = withGaps(
    look,
    groupAt(read, 0),
    places.map((line) => cellAt(line)),
  )
  const { step, down } = groupAt(read, 0)
  // Of the newest first as well, a line goes on in time from the left to the right.
  const isTurned = chart === 'lines' && down === true && follows(step)
  const shown = isTurned ? cells.slice(0, mostPlaces).toReversed() : cells.slice(0, mostPlaces)
  const found = new Map((both ?? places).map((line) => [sameOf(line), line]))
  if (against) {
    const told = places.slice(0, mostPlaces)
    const values = (one: ReadMeasure) => told.map((line) => measured(one, line))
    return {
      places: told.map((line) => cellAt(line)),
      series: [{ cell: undefined, values: values(of) }],
      across: values(against),
      more: { places: places.length - told.length, series: 0 },
    }
  }
  const none = isNoughtOfNone(of) ? '0' : null
  const valuesOf = (more: readonly GroupCell[]) =>
    shown.map((place) => measured(of, found.get(sameOf({ cells: [place, ...more] }))) ?? none)
  const all = (series ?? []).map((line) => cellAt(line))
  const [drawn, others] = both ? [all.slice(0, mostSeries), all.slice(mostSeries)] : [[], []]
  const made = both
    ? drawn.map((cell): Series => ({ cell, values: valuesOf([cell]) }))
    : [{ cell: undefined, values: valuesOf([]) }]
  // What adds up is drawn whole: otherwise a stack of bars would be lower than what it is of.
  const rest = others.length > 0 && addsUp(of)
  return {
    places: shown,
    series: rest ? [...made, { cell: undefined, values: summed(others.map((cell) => valuesOf([cell]))) }] : made,
    more: { places: cells.length - shown.length, series: rest ? 0 : others.length },
  }
}

/** Values added up place by place, exactly. */
const summed = (series: readonly (readonly Value[])[]): Value[] =>
  (series[0] ?? []).map((_, place) =>
    fromExact(
      series.reduce((sum, values) => sum + toExact(values[place] ?? '0', scale), 0n),
      scale,
    ),
  )
const scale = 10

const follows = (step: Group['step']) => typeof step === 'string' && step !== 'letter'

/** The chart that fits a list's groups, and why. */
export function fittingChart(
  groups: readonly Pick<ReadGroup, 'step' | 'by' | 'first'>[],
  { of }: Pick<ReadShown, 'of'>,
  places: number,
): { readonly chart: ChartKind; readonly why: string } {
  const [first, second] = groups
  if (first && follows(first.step) && first.by === undefined)
    return { chart: 'lines', why: 'lines fit, as these follow on each other in time' }
  if (second) {
    return addsUp(of)
      ? { chart: 'stacked', why: 'stacked bars fit, as each part and the whole can be seen' }
      : { chart: 'bars', why: 'bars side by side fit, as these do not add up to a whole' }
  }
  // The first few of more are no whole.
  const isWhole = addsUp(of) && first?.first === undefined
  return isWhole && places > 1 && places <= 5
    ? { chart: 'shares', why: 'shares fit, as these few make up a whole' }
    : { chart: 'bars', why: 'bars fit, as lengths are compared most easily' }
}

/**
 * The charts that can be drawn of groups. Only what adds up can be stacked, or be shares of a whole; and only where more
 * numbers are told of each can they be put against each other.
 */
export function chartsFor(groups: number, of: ReadShown['of'], others = 0): readonly ChartKind[] {
  const scatter = others > 0 ? (['scatter'] as const) : []
  if (!addsUp(of)) return ['bars', 'lines', ...scatter]
  return groups > 1 ? ['stacked', 'bars', 'lines', ...scatter] : ['bars', 'lines', 'shares', ...scatter]
}
