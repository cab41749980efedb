import { expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import type { List } from '../../book'
import { sayReady } from './ready'

const base: List = {
  id: 'list',
  table: 'visit',
  columns: [{ id: 'day', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
  asks: [],
  order: [],
}
const way = [{ to: 'rows', link: 'visit--payment' }] as const

test.each<[string, Partial<List>, string | undefined]>([
  ['nothing', {}, undefined],
  ['nothing for the key, which has its order', { order: [] }, undefined],
  ['an order', { order: [{ column: 'day' }] }, 'an order by day'],
  ['a count', { where: { kind: 'has', way: [...way], most: 0 } }, 'how many payments each visit has'],
  [
    'a total, and a condition',
    {
      columns: [{ id: 't', shows: { kind: 'gathered', way: [...way], name: 'total', field: 'payment_amount' } }],
      where: { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'is', with: [{ value: 'done' }] },
    },
    'how many payments each visit has, the total of their amount and an order by state',
  ],
  ['nothing of a table that is gone', { table: 'gone' }, undefined],
])('what is kept is %s', (_, more, words) => {
  expect(sayReady(askedBook(), { ...base, ...more })).toBe(words)
})
