import { wordProblem } from '@/core/words'
import { expect, test } from 'vitest'
import { type Book, tableOf, fieldWith } from '../../book'
import { billing } from '@/tests/support/derived-design'
import { derivedInTheWay, derivedOf, displayOf, readExpression } from '..'

const { book } = billing()
const face = (id: string) => displayOf(book, fieldWith(book, id).field)

test.each([
  ['bill-town', { kind: 'line', name: 'Town of customer' }],
  ['price', { kind: 'money', name: 'Price each' }],
  ['line-amount', { kind: 'money' }],
  ['lines', { kind: 'whole' }],
  ['total', { kind: 'money' }],
  ['owes', { kind: 'money' }],
])('%s looks like what it is made from', (id, looks) => expect(face(id)).toMatchObject(looks))

test('a rate of money by money is a plain number, rounded to two places where nobody says how many', () => {
  const rated = billing().derived('bill', 'share', 'Share', 'workedOut', 'Paid / Total')
  const share = fieldWith(rated.book, 'share').field
  expect(displayOf(rated.book, share)).toMatchObject({ kind: 'exact', decimals: 2 })
  const finer = rated.do({ kind: 'changeField', field: 'share', to: { decimals: 4 } }).book
  expect(displayOf(finer, fieldWith(finer, 'share').field)).toMatchObject({ kind: 'exact', decimals: 4 })
})

/** What is wrong with a derived field, in words. */
function saidOf(book: Book, field: string): string {
  const made = derivedOf(book, field)
  return 'problem' in made ? wordProblem(made.problem) : ''
}

test('a circle is spelled out, whichever field it is met at', () => {
  const round = billing().source('line-amount', 'Quantity * Bill.Total').book
  expect(derivedInTheWay(round).map(wordProblem).join('\n')).toContain(
    'Bill line → Line amount is made from itself: Bill line → Line amount, from Bill → Total, from Bill line → Line amount.',
  )
  expect(saidOf(round, 'owed')).toBe(
    'Bill → Still owed can’t be calculated: Total of Bill can’t be calculated as it is. Correct it first.',
  )
  // What stands outside the circle is left alone.
  expect(derivedOf(round, 'bill-town')).toHaveProperty('tree')
  const read = readExpression(round, tableOf(round, 'customer'), '"Owes in all" > 5')
  expect(read).toMatchObject({ problem: { kind: 'part-broken', field: 'Owes in all', table: 'Customer' } })
})

test.each([
  ['bill-town', 'State', 'It must be a field of a linked record.'],
  ['lines', 'State', 'It must be a count'],
  ['owed', '1 + 1', 'It uses no field'],
])('%s can’t be %s', (id, source, words) => {
  expect(derivedInTheWay(billing().source(id, source).book).map(wordProblem).join()).toContain(words)
})

test('a field that is gone leaves words behind, and a new one says what is missing', () => {
  const gone = billing().do({ kind: 'removeField', field: 'quantity' }).book
  expect(saidOf(gone, 'line-amount')).toBe(
    'Line amount of Bill line can’t be calculated: It uses something that is no longer there. Write it again.',
  )
  const fresh = billing().do({ kind: 'addField', table: 'bill', id: 'new', name: 'Due', holds: 'workedOut' }).book
  expect(derivedInTheWay(fresh)).toEqual([{ kind: 'derived-from-nothing', field: 'Due', table: 'Bill' }])
})

test('what doubles itself over and over is refused before it is too long for the database', () => {
  const growing = billing()
  growing.derived('bill', 'd0', 'D0', 'workedOut', 'Lines')
  let refused = ''
  for (let at = 1; at < 16 && !refused; at++) {
    growing.do({ kind: 'addField', table: 'bill', id: `d${at}`, name: `D${at}`, holds: 'workedOut' })
    growing.source(`d${at}`, `D${at - 1} + D${at - 1}`)
    refused = saidOf(growing.book, `d${at}`)
  }
  expect(refused).toMatch(/D\d+ of Bill has \d+ parts with all that it is made from; 2000 are the most/)
})

test('fields stand on each other forty deep and no deeper', () => {
  const { book: base } = billing().derived('bill', 'e0', 'E0', 'workedOut', 'Total > 1')
  const truth = { is: 'truth' }
  const source = (id: string) => ({ kind: 'not', of: { kind: 'fact', over: [], field: id, type: truth }, type: truth })
  const chain = Array.from({ length: 190 }, (_, at) => ({
    id: `e${at + 1}`,
    name: `E${at + 1}`,
    kind: 'workedOut' as const,
    source: source(`e${at}`) as never,
  }))
  const deep = {
    ...base,
    tables: base.tables.map((table) =>
      table.id === 'bill' ? { ...table, fields: [...table.fields, ...chain] } : table,
    ),
  }
  expect(saidOf(deep, 'e190')).toContain('40 is the most')
  expect(derivedOf(deep, 'e9')).toHaveProperty('tree')
})

test('a copy of a table has derived fields that speak of the copy', () => {
  const table = tableOf(book, 'line')
  const links = book.links.filter((link) => link.many === 'line')
  const ids = Object.fromEntries([...table.fields, ...links].map((part) => [part.id, `c-${part.id}`]))
  const copied = billing().do({ kind: 'copyTable', table: 'line', id: 'c', name: 'Estimate line', ids }).book
  expect(derivedInTheWay(copied)).toEqual([])
  const made = derivedOf(copied, 'c-line-amount')
  expect(JSON.stringify(made)).toContain('c-quantity')
})
