import { describe, expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import type { Group, List, Way } from '../../book'
import { plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import { readList } from '../check/check-list'
import { withinGroup } from '../check/group-key'
import { usualFigures } from '../check/read-groups'
import { gatherablesOf } from '../draft/gather-draft'
import { firstGroup, groupablesOf, groupOrders, stepChoices } from '../draft/group-draft'
import { sayList } from '../say/say-list'
import type { GroupCell } from '../statement/group-keys'
import type { GroupRow } from '../statement/groups-sql'
import { groupLines } from './order-groups'
import { sayGroup } from './say-group'

const book = askedBook()
const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
const house: Way = [{ to: 'one', field: 'visit__house' }]
const payments: Way = [{ to: 'rows', link: 'visit--payment' }]
const by = (field: string, more: Partial<Group> = {}, way: Way = []): Group => ({ place: { way, field }, ...more })
const base: List = {
  id: 'list',
  table: 'visit',
  columns: [
    { id: 'price', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } },
    { id: 'paid', shows: { kind: 'gathered', way: payments, name: 'count' } },
    { id: 'town', shows: { kind: 'field', place: { way: house, field: 'house_town' } } },
  ],
  asks: [],
  order: [],
}
const read = (more: Partial<List>) => {
  const found = readList(book, { ...base, ...more }, answers)
  if (!('read' in found)) throw new Error(found.faults.map(({ problem }) => wordProblem(problem)).join(' '))
  return found.read
}
const wrong = (more: Partial<List>) =>
  readList(book, { ...base, ...more }, answers).faults.map(({ at, problem }) => [at.part, wordProblem(problem)])
const cell = (key: string | null): GroupCell => ({ key, same: String(key) })
const visits = book.tables.find(({ id }) => id === 'visit')!

describe('what can’t be grouped is said where it stands', () => {
  test.each<readonly [Partial<List>, string, RegExp]>([
    [{ groups: [by('payment_amount', {}, payments)] }, 'group', /several payments, so a record would stand in several/],
    [{ groups: [by('lost')] }, 'group', /no longer has/],
    [{ groups: [by('visit_day', { step: 'letter' })] }, 'group', /Day can’t be grouped in this manner/],
    [{ groups: [by('visit_state', { step: 'month' })] }, 'group', /can’t be grouped in this manner/],
    [{ groups: [by('visit_day', { by: { column: 'price' } })] }, 'group', /a figure that it no longer has/],
    [{ figures: [{ column: 'lost', name: 'total' }] }, 'figure', /no longer has/],
    [{ figures: [{ column: 'town', name: 'total' }] }, 'figure', /There is no total of/],
    [{ figures: [{ column: 'price' }] }, 'figure', /Choose it again/],
    [
      {
        figures: [
          { column: 'price', name: 'total' },
          { column: 'price', name: 'least' },
        ],
      },
      'figure',
      /Choose it again/,
    ],
    [{ figures: [{ column: 'paid', name: 'total' }] }, 'figure', /There is no total of/],
  ])('%j', (more, part, words) => {
    const [[told, said] = []] = wrong(more)
    expect([told, said]).toEqual([part, expect.stringMatching(words)])
  })
})

test('a group is asked by what could be its key, and by nothing else', () => {
  const grouped = read({ groups: [by('visit_day', { step: 'month' }), by('visit_price'), by('visit__house')] })
  const within = (...path: (string | null)[]) => withinGroup(book, grouped, path) !== undefined
  expect([within(), within('2027-03-01'), within(null, '-2.50'), within(null, null, '7')]).toEqual([
    true,
    true,
    true,
    true,
  ])
  expect([within('2027-13-01'), within('2027-03'), within(null, '1 OR 1'), within(null, '1e9')]).toEqual([
    false,
    false,
    false,
    false,
  ])
  expect([within(null, null, "7' OR '1"), within(null, null, null, null)]).toEqual([false, false])
})

describe('a group is told as people write it', () => {
  const look = { ...plainLook, currency: '£' }
  const said = (group: Group, cell: Omit<GroupCell, 'same'>) =>
    sayGroup(look, read({ groups: [group] }).groups[0]!, { ...cell, same: '' })
  test.each<readonly [Group, Omit<GroupCell, 'same'>, string]>([
    [by('visit_day', { step: 'month' }), { key: '2027-03-01' }, 'March 2027'],
    [by('visit_day', { step: 'quarter' }), { key: '2027-10-01' }, 'October to December 2027'],
    [by('visit_day', { step: 'year' }), { key: '2027-01-01' }, '2027'],
    [by('visit_day', { step: 'week' }), { key: '2027-03-01' }, 'Week of 1 Mar 2027'],
    [by('visit_day', { step: 'day' }), { key: '2027-03-01' }, '1 Mar 2027'],
    [by('visit_day', { step: 'month' }), { key: null }, 'No day'],
    [by('visit_price', { step: { every: '50' } }), { key: '-50' }, '-50.00 to under 0.00'],
    [by('house_floors', { step: { every: '0.5' } }, house), { key: '2' }, '2.0 to under 2.5'],
    [by('house_town', { step: 'letter' }, house), { key: 'O' }, 'O'],
    [by('visit__house'), { key: '7', label: 'Mill Bank' }, 'Mill Bank'],
    [by('visit__house'), { key: '7', label: '' }, '7'],
    [by('visit_state'), { key: 'done' }, 'done'],
  ])('%j %j', (group, cell, words) => {
    expect(said(group, cell)).toBe(words)
  })
})

test('the sentence says what it is grouped by, in a piece that can be pressed', () => {
  const groups = [
    by('house_town', {}, house),
    by('visit_day', { step: 'month' }),
    by('visit_price', { step: { every: '50' } }),
  ]
  expect(sayList(book, { ...base, groups })).toContain(
    ', with 3 fields, grouped by town of its house, then month of day, then every 50 of price, in the order',
  )
  expect(sayList(book, { ...base, groups: [by('lost')] })).toContain('grouped by what is gone')
})

describe('groups stand in the order that was asked for', () => {
  const row = (key: string | null, count: number, price: string | null, at = 0): GroupRow => ({
    cells: Array.from({ length: at + 1 }, (_, place) => cell(place === at ? key : 'x')),
    count,
    figures: { price },
  })
  const rows = [row(null, 1, '5.00'), row('asked', 9, '10.00'), row('booked', 2, null), row('done', 3, '9.50')]
  const keys = (group: Partial<Group>, told: readonly GroupRow[] = rows) => {
    const list = read({ groups: [by('visit_state', group)], figures: [{ column: 'price', name: 'total' }] })
    return groupLines(list, [0], [told]).map(({ cells }) => cells[0]!.key)
  }
  test('words of a short list as they stand there, blanks last either way', () => {
    expect(keys({})).toEqual(['asked', 'booked', 'done', null])
    expect(keys({ down: true })).toEqual(['done', 'booked', 'asked', null])
  })
  test('by how many there are', () => {
    expect(keys({ by: { size: true }, down: true })).toEqual(['asked', 'done', 'booked', null])
  })
  test('by what they come to, as numbers; what comes to nothing first going up', () => {
    expect(keys({ by: { column: 'price' } })).toEqual(['booked', 'done', 'asked', null])
    expect(keys({ by: { column: 'price' }, down: true })).toEqual(['asked', 'done', 'booked', null])
  })
  test('what another statement has nothing for is none, or blank', () => {
    const list = read({
      groups: [by('visit_state')],
      figures: [{ column: 'paid' }, { column: 'price', name: 'total' }],
    })
    const told = [{ cells: [cell('done')], count: undefined, figures: { paid: '4' } }]
    const lines = groupLines(list, [0], [rows.map((one) => ({ ...one, figures: {} })), told])
    expect(lines.map(({ figures }) => [figures.paid, figures.price])).toEqual([
      ['0', null],
      ['0', null],
      ['4', null],
      ['0', null],
    ])
  })
})

test('what can be grouped by is each field of single records, days by the month first', () => {
  const all = groupablesOf(book, visits)
  expect(all.map(({ of, words }) => `${of}: ${words}`)).toEqual(
    expect.arrayContaining(['Visit: Day', 'Visit: House', 'its House: Town', 'its Paper: Label', 'its Lead: Name']),
  )
  expect(all.some(({ of }) => of.includes('Payment'))).toBe(false)
  expect(firstGroup(book, visits, { way: [], field: 'visit_day' })).toMatchObject({ step: 'month' })
  expect(firstGroup(book, visits, { way: [], field: 'visit_price' })).not.toHaveProperty('step')
  expect(stepChoices(book, visits, { way: [], field: 'visit_price' }).map(([step]) => step)).toEqual(['each', 'every'])
  expect(stepChoices(book, visits, { way: [], field: 'visit_day' })[0]![0]).toBe('month')
})

test('orders are offered in words, those by what stands beneath among them', () => {
  const { columns } = read({})
  const figures = usualFigures(columns)
  expect(figures).toEqual([{ column: 'price', name: 'total' }, { column: 'paid' }])
  expect(
    groupOrders(book, visits, { way: house, field: 'house_town' }, figures, columns).map(([, words]) => words),
  ).toEqual([
    'A to Z',
    'Z to A',
    'most visits first',
    'fewest visits first',
    'highest first: total of price',
    'lowest first: total of price',
    'highest first: payments',
    'lowest first: payments',
  ])
})

test('the first of groups, and of their records, are said where they are asked for', () => {
  const groups = [by('visit_day', { step: 'month' }), by('visit__house', { first: 3 })]
  const said = sayList(book, { ...base, groups, first: 5 })
  expect(said).toContain(
    'grouped by month of day, then house (the first 3), in the order of their keys, the first 5 of each group.',
  )
  expect(sayList(book, { ...base, first: 5 })).toContain('in the order of their keys, the first 5.')
})

test('what several come to is offered in words; a running number is not added up', () => {
  const words = gatherablesOf(book, 'visit', payments).map((one) => one.words)
  expect(words).toEqual([
    'different ones, by visit',
    'total of amount',
    'average of amount',
    'least of amount',
    'greatest of amount',
    'different ones, by amount',
    'earliest of paid',
    'latest of paid',
    'different ones, by paid',
  ])
  expect(gatherablesOf(book, 'visit', [{ to: 'rows', link: 'lost' }])).toEqual([])
})
