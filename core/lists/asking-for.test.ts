import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { askedBook } from '@/tests/support/asked-design'
import type { Edit, List } from '../book'
import { saidOfField, saidOfTable } from './asking-for'

const payments = [{ to: 'rows', link: 'visit--payment' }] as const
const list = (id: string, table: string, more: Partial<List>): Edit => ({
  kind: 'addList',
  id,
  table,
  columns: [{ id: 'a', shows: { kind: 'field', place: { way: [], field: `${table}-key` } } }],
  asks: [],
  order: [],
  ...more,
})
const book = made(
  askedBook(),
  list('paid', 'visit', {
    name: 'Paid',
    where: {
      kind: 'has',
      way: payments,
      least: 1,
      where: { kind: 'compare', place: { way: [], field: 'payment_amount' }, how: 'filled', with: [] },
    },
  }),
  list('own', 'visit', { name: 'Own', owner: 'somebody', where: { kind: 'has', way: payments, most: 0 } }),
  list('money', 'payment', { name: 'Money' }),
)

test('a field says which lists ask for it, those that people keep for themselves without their names', () => {
  expect(saidOfField(book, 'payment_amount')).toBe('Asked for by the list “Paid”.')
  expect(saidOfField(book, 'payment__visit')).toBe(
    'Asked for by the list “Paid”, and a list that somebody keeps for themselves.',
  )
  expect(saidOfField(book, 'visit_day')).toBeUndefined()
})

test('a table says which lists go with it, and which ask for something of it', () => {
  expect(saidOfTable(book, 'payment')).toEqual([
    'The list “Money” goes too.',
    'It is asked for by the list “Paid”, and a list that somebody keeps for themselves.',
  ])
  expect(saidOfTable(book, 'paper')).toEqual([])
  const after = made(book, { kind: 'removeTable', table: 'payment' })
  expect(after.lists.map(({ id }) => id)).toEqual(['paid', 'own'])
})
