import { expect, test } from 'vitest'
import { type List, tableOf } from '../../book'
import { evaluate, readExpression, plainFacts } from '../../expressions'
import { askedBook } from '@/tests/support/asked-design'
import { readList } from '../check/check-list'
import { joinableFacts, joinSource, numberColumns, sayAlong, separators } from './calculate-draft'

const book = askedBook()
const table = tableOf(book, 'visit')
const now = { moment: '2027-03-12T10:00' }

test('facts of the record and of single records that it leads to can be joined', () => {
  const words = joinableFacts(book, table).map((fact) => fact.words)
  expect(words).toContain('State')
  expect(words).toContain('House → Town')
  expect(words.some((one) => one.includes('Payment'))).toBe(false)
})

test.each(separators)('joined with $words, what is blank leaves nothing behind', ({ between }) => {
  const source = joinSource(['State', 'Day', 'House.Town'], between)
  const read = readExpression(book, table, source)
  if (!('tree' in read)) throw new Error(JSON.stringify(read))
  const given = (state: string | null, day: string | null, town: string | null) => {
    const facts = plainFacts(book, table, { State: state, Day: day, House: { Town: town } })
    if (!facts.ok) throw new Error(JSON.stringify(facts.problem))
    return evaluate(read.tree, facts.value, now)
  }
  expect(given('done', '2027-03-01', 'Ash')).toBe(['done', '2027-03-01', 'Ash'].join(between))
  expect(given(null, '2027-03-01', null)).toBe('2027-03-01')
  expect(given('done', null, 'Ash')).toBe(['done', 'Ash'].join(between))
  expect(given(null, null, null) ?? '').toBe('')
})

const list: List = {
  id: 'list',
  table: 'visit',
  columns: [
    { id: 'price', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } },
    { id: 'state', shows: { kind: 'field', place: { way: [], field: 'visit_state' } } },
    { id: 'paid', shows: { kind: 'gathered', way: [{ to: 'rows', link: 'visit--payment' }], name: 'count' } },
    { id: 'share', shows: { kind: 'along', column: 'price', name: 'share' } },
  ],
  asks: [],
  order: [],
}
const read = (of: List) => readList(book, of, { given: {}, now })

test('numbers alone can be told among others, and are headed by what they are', () => {
  const found = read(list)
  if (!('read' in found)) throw new Error(JSON.stringify(found.faults))
  expect(numberColumns(book, found.read.columns).map(({ id }) => id)).toEqual(['price', 'paid'])
  expect(found.read.columns[3]?.heading).toBe('Share of price')
  expect(sayAlong('difference', found.read.columns[0]!)).toBe('Price, more than the one before')
})

test.each([
  ['a column that is gone', 'gone'],
  ['one without numbers', 'state'],
  ['itself', 'share'],
])('along with %s there is nothing', (_, column) => {
  const columns = list.columns.map((one) =>
    one.id === 'share' ? { id: 'share', shows: { kind: 'along', column, name: 'rank' } as const } : one,
  )
  expect(read({ ...list, columns }).faults).toMatchObject([
    { at: { part: 'column', id: 'share' }, problem: { kind: 'list-along-what' } },
  ])
})

test('nothing is put in order by what follows from the order, and nothing stands beneath it', () => {
  expect(read({ ...list, order: [{ column: 'share' }] }).faults).toMatchObject([
    { problem: { kind: 'list-order-along' } },
  ])
  expect(read({ ...list, figures: [{ column: 'share', name: 'total' }] }).faults).toMatchObject([
    { problem: { kind: 'list-cannot-gather' } },
  ])
})
