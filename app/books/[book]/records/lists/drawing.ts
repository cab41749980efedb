import type { Book, ChartKind } from '@/core/book'
import { showValue } from '@/core/kinds'
import {
  type ChartData,
  groupAt,
  type ReadList,
  type ReadMeasure,
  type ReadShown,
  sayGroup,
  sayMeasure,
} from '@/core/lists'
import { capital } from '@/core/words'
import type { Drawing } from './chart-config'

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
    ...(against && {
      across: (data.across ?? []).map((value) => (value === null ? null : Number(value))),
      writeAcross: writing(against),
    }),
  }
}
