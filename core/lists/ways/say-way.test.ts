import { expect, test } from 'vitest'
import type { List } from '@/core/book'
import { askedBook } from '@/tests/support/asked-design'
import { likelyFurther } from './say-way'

const book = askedBook()
const list: List = {
  id: 'list',
  table: 'visit',
  columns: [
    {
      id: 'a',
      shows: { kind: 'field', place: { way: [{ to: 'one', field: 'visit__helper' }], field: 'person_name' } },
    },
  ],
  asks: [],
  order: [],
}
const ways = (lists: readonly List[]) => likelyFurther({ ...book, lists }, 'visit', [])

test('the ways that earlier lists took come first, and those that lead to the same table say how many there are', () => {
  const plain = ways([])
  const people = plain.filter(({ to }) => to.id === 'person')
  expect(people.map(({ words, among }) => [words, among])).toEqual([
    ['Lead', 2],
    ['Helper', 2],
  ])
  expect(plain.find(({ to }) => to.id === 'house')?.among).toBe(1)
  const taken = ways([list])
  expect(taken[0]?.words).toBe('Helper')
  expect(taken).toHaveLength(plain.length)
  // Those of another table say nothing about this one.
  expect(ways([{ ...list, table: 'payment' }])).toEqual(plain)
})
