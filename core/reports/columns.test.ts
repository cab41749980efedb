import { expect, test } from 'vitest'
import type { List } from '../book'
import { readList } from '../lists'
import { askedBook } from '@/tests/support/asked-design'
import { paperColumns, shownIn, startReport } from './columns'

const book = askedBook()
const field = (id: string, name: string, ...way: string[]): List['columns'][number] => ({
  id,
  shows: { kind: 'field', place: { way: way.map((one) => ({ to: 'one', field: one })), field: name } },
})
const list: List = {
  id: 'list',
  table: 'visit',
  columns: [
    field('day', 'visit_day'),
    field('floors', 'house_floors', 'visit__house'),
    field('lead', 'person_born', 'visit__lead'),
    field('helper', 'person_born', 'visit__helper'),
    field('price', 'visit_price'),
  ],
  asks: [],
  order: [],
}
const found = readList(book, list, { given: {}, now: { moment: '2027-03-12T10:00' } })
if (!('read' in found)) throw new Error('Expected a list.')
const { read } = found

test('a linked field is called by its own name on paper, unless another is called so', () => {
  const columns = paperColumns(book, read, shownIn(read, {}))
  expect(columns.map(({ heading }) => heading)).toEqual(['Day', 'Floors', 'Lead → Born', 'Helper → Born', 'Price'])
  // Where the other is left out, nothing is to be told apart.
  const shown = shownIn(read, { without: ['helper'] })
  expect(paperColumns(book, read, shown).map(({ heading }) => heading)).toEqual(['Day', 'Floors', 'Born', 'Price'])
})

test('numbers stand to the right, days by their parts, and neither is broken', () => {
  const columns = paperColumns(book, read, [0, 1, 4])
  expect(columns.map(({ align, whole }) => [align, whole])).toEqual([
    ['day', true],
    ['end', true],
    ['end', true],
  ])
})

test('a report shows something, whatever is left out', () => {
  expect(shownIn(read, { without: list.columns.map(({ id }) => id) })).toEqual([0])
})

test('a report begins with what fits: many columns lie on their side', () => {
  expect(startReport(book, { ...list, name: 'Visits' }, 'r')).toMatchObject({ name: 'Visits', letters: 9 })
  const wide = { ...list, columns: Array.from({ length: 9 }, (_, at) => ({ ...list.columns[0]!, id: `c${at}` })) }
  expect(startReport(book, wide, 'r').paper.turned).toBe(true)
})
