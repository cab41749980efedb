import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import type { Group, List } from '../../book'
import { addDays, plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import { readList } from '../check/check-list'
import { calendarDays } from '../check/spans'
import { sayList } from '../say/say-list'
import type { GroupCell } from '../statement/group-keys'
import { chartData, chartsFor, fittingChart, mostSeries } from './chart'
import { withGaps } from './gaps'
import { addsUp, measured, sayMeasure } from './measure'
import type { GroupLine } from './order-groups'

const book = askedBook()
const look = plainLook
const by = (field: string, more: Partial<Group> = {}): Group => ({ place: { way: [], field }, ...more })
const base: List = {
  id: 'list',
  table: 'visit',
  columns: [
    { id: 'price', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } },
    { id: 'paid', shows: { kind: 'gathered', way: [{ to: 'rows', link: 'visit--payment' }], name: 'count' } },
    { id: 'helper', shows: { kind: 'field', place: { way: [], field: 'visit__helper' } } },
  ],
  asks: [],
  order: [],
  groups: [by('visit_day', { step: 'month' }), by('visit_state')],
  figures: [{ column: 'price', name: 'average' }, { column: 'paid' }, { column: 'helper', name: 'different' }],
}
const found = (more: Partial<List>) =>
  readList(book, { ...base, ...more }, { given: {}, now: { moment: '2027-03-12T10:00' } })
const read = (more: Partial<List> = {}) => {
  const list = found(more)
  if (!('read' in list)) throw new Error(list.faults.map(({ problem }) => wordProblem(problem)).join(' '))
  return list.read
}
const cell = (key: string | null): GroupCell => ({ key, same: String(key) })
const line = (keys: readonly (string | null)[], count: number, price: string | null = null): GroupLine => ({
  cells: keys.map(cell),
  count,
  figures: { price, paid: String(count), helper: '1' },
})
const months = ['2027-01-01', '2027-03-01']

test('how groups are shown is read with what is told of each, or what it lacks is said', () => {
  const wrong = (more: Partial<List>) => found(more).faults.map(({ at, problem }) => [at.part, wordProblem(problem)])
  const size = { size: true } as const
  expect(wrong({ shown: { as: 'crossed', of: size }, groups: [by('visit_state')] })).toEqual([
    ['shown', expect.stringMatching(/takes two things/)],
  ])
  expect(wrong({ shown: { as: 'chart', of: size, chart: 'bars' }, groups: undefined })).toEqual([
    ['shown', expect.stringMatching(/A chart is of groups/)],
  ])
  expect(wrong({ shown: { as: 'crossed', of: { column: 'lost' } } })).toEqual([
    ['shown', expect.stringMatching(/no longer stands beneath/)],
  ])
  expect(sayList(book, { ...base, shown: { as: 'crossed', of: size } })).toContain(', crossed, showing visits, in')
  expect(sayList(book, { ...base, shown: { as: 'chart', of: { column: 'price' }, chart: 'lines' } })).toContain(
    'then state, as lines of average of price, in',
  )
})

describe('days that nothing is in', () => {
  const [month] = read().groups
  test('are there as they follow on each other, blanks last', () => {
    expect(withGaps(look, month!, [...months.map(cell), cell(null)]).map(({ key }) => key)).toEqual([
      '2027-01-01',
      '2027-02-01',
      '2027-03-01',
      null,
    ])
  })
  test('the latest first, where groups stand so', () => {
    const [down] = read({ groups: [by('visit_day', { step: 'month', down: true })] }).groups
    expect(withGaps(look, down!, months.map(cell)).map(({ key }) => key)).toEqual([
      '2027-03-01',
      '2027-02-01',
      '2027-01-01',
    ])
  })
  test('are left out in another order, of what doesn’t follow on, and where they would be too many', () => {
    const [sized] = read({ groups: [by('visit_day', { step: 'month', by: { size: true } })] }).groups
    const [state] = read({ groups: [by('visit_state')] }).groups
    const far = ['1900-01-01', '2027-03-01'].map(cell)
    expect(withGaps(look, sized!, months.map(cell))).toHaveLength(2)
    expect(withGaps(look, state!, [cell('done')])).toEqual([cell('done')])
    expect(withGaps(look, month!, far)).toEqual(far)
    expect(withGaps(look, month!, [])).toEqual([])
  })
  test('whatever the unit, every group that was there still is, in order and once', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('week' as const, 'month' as const, 'quarter' as const, 'year' as const),
        fc.uniqueArray(fc.nat(900), { maxLength: 8 }),
        (step, days) => {
          const [group] = read({ groups: [by('visit_day', { step })] }).groups
          const keys = [...new Set(days.map((day) => calendarDays(addDays('2026-01-01', day), step, look).from))].sort()
          const filled = withGaps(look, group!, keys.map(cell)).map(({ key }) => key!)
          expect(filled).toEqual([...new Set(filled)].sort())
          expect(filled.filter((key) => keys.includes(key))).toEqual(keys)
        },
      ),
    )
  })
})

describe('a chart', () => {
  const size = { of: 'size', chart: 'bars' } as const
  const [average, paid, helper] = read().figures
  test('has a value at each place, none of them left out between two others', () => {
    const one = read({ groups: [by('visit_day', { step: 'month' })] })
    const places = [line(['2027-01-01'], 2, '10.00'), line(['2027-03-01'], 1, '5.00')]
    const answers = { places, series: undefined, both: undefined }
    expect(chartData(look, one, size, answers).series).toEqual([{ cell: undefined, values: ['2', '0', '1'] }])
    // An average of nothing is nothing, and no nought.
    expect(chartData(look, one, { of: average!, chart: 'lines' }, answers).series[0]!.values).toEqual([
      '10.00',
      null,
      '5.00',
    ])
  })
  test('of many parts draws all others together where they add up, and says how many it leaves where they don’t', () => {
    const states = Array.from({ length: mostSeries + 3 }, (_, at) => `s${at}`)
    const answers = {
      places: [line(['2027-01-01'], 9)],
      series: states.map((state) => line([state], 1)),
      both: states.map((state) => line(['2027-01-01', state], 1, '0.10')),
    }
    const drawn = chartData(look, read(), size, answers)
    expect(drawn.series).toHaveLength(mostSeries + 1)
    expect(drawn.series.at(-1)).toEqual({ cell: undefined, values: ['3.0000000000'] })
    expect(drawn.more.series).toBe(0)
    const left = chartData(look, read(), { of: average!, chart: 'bars' }, answers)
    expect([left.series.length, left.more.series]).toEqual([mostSeries, 3])
  })
  test('that fits is said with why', () => {
    const { groups } = read()
    const fits = (some: typeof groups, of: Parameters<typeof fittingChart>[1]['of'], places: number) =>
      fittingChart(some, { of }, places).chart
    expect(fits(groups, 'size', 30)).toBe('lines')
    expect(fits([groups[1]!, groups[1]!], 'size', 3)).toBe('stacked')
    expect(fits([groups[1]!, groups[1]!], average!, 3)).toBe('bars')
    expect([fits([groups[1]!], 'size', 4), fits([groups[1]!], 'size', 40), fits([groups[1]!], average!, 4)]).toEqual([
      'shares',
      'bars',
      'bars',
    ])
  })
  test('of the first few alone is no whole to have shares of', () => {
    const some = read({ groups: [by('visit_state', { first: 3 })] }).groups
    expect(fittingChart(some, { of: 'size' }, 3).chart).toBe('bars')
  })
  test('is stacked, or shares of a whole, only of what adds up', () => {
    expect([addsUp('size'), addsUp(paid!), addsUp(average!), addsUp(helper!)]).toEqual([true, true, false, false])
    expect([chartsFor(1, 'size'), chartsFor(2, paid!), chartsFor(2, helper!)]).toEqual([
      ['bars', 'lines', 'shares'],
      ['stacked', 'bars', 'lines'],
      ['bars', 'lines'],
    ])
  })
  test('of points puts two numbers of each group against each other', () => {
    const size = { size: true } as const
    const shown = (against: NonNullable<Extract<List['shown'], { as: 'chart' }>['against']>): List['shown'] => ({
      as: 'chart',
      of: { column: 'price' },
      chart: 'scatter',
      against,
    })
    const { shown: points } = read({ shown: shown(size) })
    expect(points).toMatchObject({ chart: 'scatter', against: 'size' })
    expect(sayList(book, { ...base, shown: shown(size) })).toContain('as points of average of price against visits')
    const lines = [line(['a'], 3, '7.50'), line(['b'], 4)]
    const drawn = chartData(look, read(), points!, { places: lines, series: undefined, both: undefined })
    expect([drawn.across, drawn.series]).toEqual([['3', '4'], [{ cell: undefined, values: ['7.50', null] }]])
    // A day is no number.
    const columns = [
      ...base.columns,
      { id: 'day', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } as const },
    ]
    const figures = [...base.figures!, { column: 'day', name: 'greatest' } as const]
    expect(found({ columns, figures, shown: shown({ column: 'day' }) }).faults).toMatchObject([
      { problem: { kind: 'list-scatter-needs-two' } },
    ])
    expect(chartsFor(1, 'size', 2)).toContain('scatter')
  })
  test('tells of each group what it was asked for', () => {
    const here = line(['a'], 3, '7.50')
    expect([measured('size', here), measured(average!, here), measured(average!, undefined)]).toEqual([
      '3',
      '7.50',
      null,
    ])
    expect([sayMeasure(read(), 'size'), sayMeasure(read(), average!), sayMeasure(read(), paid!)]).toEqual([
      'visits',
      'average of price',
      'payments',
    ])
  })
})
