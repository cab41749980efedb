import { expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import type { Column, Condition, List, Way } from '../../book'
import { conditionsOf, jointOf, nameOf, sayList, sentenceOf } from './say-list'

const book = askedBook()
const link = (one: string, many: string) => book.links.find((each) => each.one === one && each.many === many)!
const payments: Way = [{ to: 'rows', link: link('visit', 'payment').id }]
const house: Way = [{ to: 'one', field: 'visit__house' }]
const people: Way = [...house, { to: 'rows', link: 'house--person' }, { to: 'one', field: 'person__house-n' }]
const paper: Way = [{ to: 'rows', link: 'paper-visit' }]

const compare = (field: string, how: string, ...values: string[]): Condition =>
  ({ kind: 'compare', place: { way: [], field }, how, with: values.map((value) => ({ value })) }) as Condition
const column = (id: string, field: string, way: Way = []): Column => ({
  id,
  shows: { kind: 'field', place: { way, field } },
})
const visits = (more: Partial<List> = {}): List => ({
  id: 'list',
  table: 'visit',
  columns: [column('a', 'visit_day'), column('b', 'visit_price')],
  asks: [],
  order: [],
  ...more,
})
const all = (...of: Condition[]): Condition => ({ kind: 'all', of })

test.each<readonly [Condition, string]>([
  [compare('visit_state', 'is', 'done'), 'whose state is done'],
  [compare('visit_state', 'isNot', 'done'), 'whose state is not done'],
  [compare('visit_state', 'oneOf', 'asked', 'done'), 'whose state is one of asked or done'],
  [compare('visit_state', 'blank'), 'whose state is blank'],
  [compare('visit_price', 'more', '100.00'), 'whose price is more than 100.00'],
  [compare('visit_price', 'between', '1.00', '2.00'), 'whose price is from 1.00 to 2.00'],
  [compare('visit_day', 'atLeast', '2027-03-12'), 'whose day is not before 12 Mar 2027'],
  [
    { kind: 'compare', place: { way: house, field: 'house_town' }, how: 'begins', with: [{ value: 'Ott' }] },
    'whose town of its house begins with “Ott”',
  ],
  [
    { kind: 'within', place: { way: [], field: 'visit_day' }, span: { which: 'last', unit: 'month' } },
    'whose day is in last month',
  ],
  [
    { kind: 'within', place: { way: [], field: 'visit_day' }, span: { which: 'this', unit: 'day' } },
    'whose day is today',
  ],
  [
    { kind: 'within', place: { way: [], field: 'visit_day' }, span: { which: 'last', unit: 'day', count: 30 } },
    'whose day is in the last 30 days',
  ],
  [{ kind: 'has', way: payments, most: 0 }, 'that has no payment'],
  [{ kind: 'has', way: payments, least: 1 }, 'that has a payment'],
  [{ kind: 'has', way: payments, least: 2 }, 'that has at least 2 payments'],
  [{ kind: 'has', way: payments, most: 1 }, 'that has at most 1 payment'],
  [{ kind: 'has', way: payments, least: 2, most: 2 }, 'that has exactly 2 payments'],
  [{ kind: 'has', way: payments, least: 1, most: 3 }, 'that has 1 to 3 payments'],
  [
    { kind: 'has', way: payments, least: 1, where: compare('payment_amount', 'more', '100.00') },
    'that has a payment whose amount is more than 100.00',
  ],
  [{ kind: 'has', way: people, most: 0 }, 'that has no person of its house'],
  [{ kind: 'has', way: paper, least: 1 }, 'that has a paper'],
  [
    {
      kind: 'repeats',
      places: [
        { way: [], field: 'visit_day' },
        { way: people.slice(0, 1), field: 'house_town' },
      ],
      nearly: true,
    },
    'of which another visit has nearly the same day and town of its house',
  ],
  [
    { kind: 'any', of: [compare('visit_state', 'is', 'done'), { kind: 'has', way: payments, most: 0 }] },
    'either whose state is done or that has no payment',
  ],
  [
    {
      kind: 'compare',
      place: { way: [], field: 'visit_day' },
      how: 'more',
      with: [{ place: { way: paper, field: 'paper_label' } }],
    },
    'whose day is after its label of its paper',
  ],
])('%j is said', (condition, words) => {
  expect(sayList(book, visits({ where: all(condition) }))).toContain(`Each visit ${words}, with`)
})

test('what is asked is said by its words', () => {
  const asked: Condition = {
    kind: 'compare',
    place: { way: [], field: 'visit_state' },
    how: 'is',
    with: [{ ask: 'q' }],
  }
  const asks = [{ id: 'q', words: 'Which state', place: { way: [], field: 'visit_state' } }]
  expect(sayList(book, visits({ where: asked, asks }))).toContain('whose state is the which state asked for')
})

test('the sentence goes through conditions, columns and order, each a piece that can be pressed', () => {
  const list = visits({
    where: all(
      compare('visit_state', 'is', 'done'),
      { kind: 'has', way: payments, most: 0 },
      compare('visit_price', 'filled'),
    ),
    order: [{ column: 'a', down: true }, { column: 'b' }],
  })
  expect(sayList(book, list)).toBe(
    'Each visit whose state is done, that has no payment and whose price is filled, with 2 fields, by day, latest first, then by price, least first.',
  )
  expect(sentenceOf(book, list).flatMap(({ of }) => (of?.kind === 'condition' ? [of.at] : []))).toEqual([0, 1, 2])
  expect(sayList(book, visits())).toBe('Each visit, with 2 fields, in the order of their keys.')
})

test('a list is called by its name, or by what it asks', () => {
  const where = all({ kind: 'has', way: payments, most: 0 })
  expect([
    nameOf(book, visits()),
    nameOf(book, visits({ where })),
    nameOf(book, visits({ where, name: 'Unpaid' })),
  ]).toEqual(['Each visit', 'Each visit that has no payment', 'Unpaid'])
  expect(conditionsOf(visits({ where: compare('visit_state', 'blank') }))).toHaveLength(1)
})

test('what is gone is said to be gone, and breaks nothing', () => {
  const lost = visits({
    where: all(compare('lost', 'is', 'x'), { kind: 'has', way: [{ to: 'rows', link: 'lost' }], least: 1 }),
  })
  expect(sayList(book, lost)).toContain('whose a field that is gone is')
  expect(sayList(book, { ...lost, table: 'lost' })).toContain('record of a table that is gone')
})

test('any of several conditions is enough where it says or, and the joint is pressed to change that', () => {
  const of = [compare('visit_state', 'is', 'done'), compare('visit_price', 'filled'), compare('visit_day', 'blank')]
  const list = visits({ where: { kind: 'any', of } })
  expect(sayList(book, list)).toContain(
    'Each visit whose state is done, whose price is filled or whose day is blank, with',
  )
  expect(
    sentenceOf(book, list)
      .filter((piece) => piece.of?.kind === 'joint')
      .map(({ words }) => words),
  ).toEqual(['or'])
  expect([jointOf(list), jointOf(visits({ where: all(...of) })), jointOf(visits())]).toEqual(['any', 'all', 'all'])
  expect(nameOf(book, list)).toContain('is done or whose')
})

test('blanks are spoken of where they don’t stand as they fall', () => {
  const by = (more: object) =>
    sayList(book, {
      id: 'list',
      table: 'visit',
      columns: [{ id: 'day', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
      asks: [],
      order: [{ column: 'day', ...more }],
    })
  expect(by({})).toMatch(/by day, earliest first\.$/)
  expect(by({ blanks: 'first' })).toMatch(/by day, earliest first\.$/)
  expect(by({ blanks: 'last' })).toMatch(/by day, earliest first, blanks last\.$/)
  expect(by({ down: true, blanks: 'first' })).toMatch(/by day, latest first, blanks first\.$/)
})
