import type { Book, ChartKind } from '../../book'
import { showValue } from '../../kinds'
import { capital } from '../../words'
import { groupAt, type ReadList, type ReadMeasure, type ReadShown } from '../check/read-list'
import type { ChartData } from './chart'
import { sayMeasure } from './measure'
import { sayGroup } from './say-group'

/** What is drawn, as words and numbers; a gap where there is nothing. */
export interface Drawing {
  readonly kind: ChartKind
  readonly places: readonly string[]
  readonly series: readonly { readonly name: string; readonly values: readonly (number | null)[] }[]
  /** What the numbers are of: "total of price". */
  readonly of: string
  readonly along: string
  /** A number as the book writes it. */
  readonly write: (value: number) => string
  /** Where each place stands across, where it is one point. */
  readonly across?: readonly (number | null)[]
  readonly writeAcross?: (value: number) => string
  /** How many more there are than are drawn. */
  readonly more?: ChartData['more']
}

export type DrawnChart = ReadShown & { readonly chart: ChartKind }

/** What is drawn: the book's own words and ways of writing, and numbers as near as a picture needs them. */
export function drawingOf(book: Book, read: ReadList, { of, chart, against }: DrawnChart, data: ChartData): Drawing {
  const say = (at: number) => (cell: ChartData['places'][number]) => sayGroup(book.look, groupAt(read, at), cell, true)
  const writing = (one: ReadMeasure) => (value: number) =>
    one === 'size' || one.face.kind !== 'money'
      ? value.toLocaleString('en-GB', { maximumFractionDigits: 3 })
      : showValue(value.toFixed(book.look.currencyDecimals), one.face, book.look)
  const sayOf = (one: ReadMeasure) =>
    sayMeasure(read, one) + (one !== 'size' && one.face.unit ? `, ${one.face.unit}` : '')
  return {
    kind: chart,
    places: data.places.map(say(0)),
    series: data.series.map(({ cell, values }) => ({
      name: cell ? say(1)(cell) : data.series.length > 1 ? 'All others' : capital(sayMeasure(read, of)),
      values: values.map((value) => (value === null ? null : Number(value))),
    })),
    of: sayOf(of),
    along: against ? sayOf(against) : groupAt(read, 0).words,
    write: writing(of),
    more: data.more,
    ...(against && {
      across: (data.across ?? []).map((value) => (value === null ? null : Number(value))),
      writeAcross: writing(against),
    }),
  }
}
