import { describe, expect, test } from 'vitest'
import { Designing } from '@/tests/support/derived-design'
import { field } from '@/tests/support/edits'
import { readExpression, type Tree } from '../../expressions'
import { tableOf } from '../../book'
import { amountOf, counted, factsIn, keyOf, without } from './amounts'

const { book } = new Designing().do(
  { kind: 'addTable', id: 'trip', name: 'Trip', keyField: 'trip-key' },
  ...field('trip', 'seats', 'Seats', 'whole'),
  ...field('trip', 'guests', 'Guests', 'whole'),
  ...field('trip', 'share', 'Share', 'exact', { digits: 3, decimals: 2 }),
  ...field('trip', 'weight', 'Weight', 'measured'),
  ...field('trip', 'out', 'Out', 'date'),
  ...field('trip', 'back', 'Back', 'date'),
  ...field('trip', 'at', 'At', 'time'),
  ...field('trip', 'leaves', 'Leaves', 'dateTime'),
  ...field('trip', 'name', 'Name', 'line'),
)

const tree = (source: string): Tree => {
  const read = readExpression(book, tableOf(book, 'trip'), source)
  if (!('tree' in read)) throw new Error(source)
  return read.tree
}
const one = 10n ** 30n
const key = (source: string) => keyOf(tree(source))

test.each([
  ['12.5', 'exact', (125n * one) / 10n],
  ['0001-01-01', 'date', 306n * one],
  ['02:05', 'time', 125n * one],
  ['0001-01-01T00:10', 'moment', (306n * 1440n + 10n) * one],
] as const)('%s as a %s is counted', (value, is, amount) => {
  expect(counted(value, is)).toBe(amount)
})

describe('an expression as one fact more, one fact less and a number', () => {
  test.each([
    ['Seats', { plus: key('Seats'), more: 0n, step: one }],
    ['-Seats', { minus: key('Seats'), more: 0n, step: one }],
    ['Seats + 2', { plus: key('Seats'), more: 2n * one, step: one }],
    ['2 - Seats', { minus: key('Seats'), more: 2n * one, step: one }],
    ['Seats - Guests', { plus: key('Seats'), minus: key('Guests'), more: 0n, step: one }],
    ['Seats - Seats + 3', { more: 3n * one, step: one }],
    ['Share + 0.5', { plus: key('Share'), more: one / 2n, step: one / 100n }],
    ['Back - Out', { plus: key('Back'), minus: key('Out'), more: 0n, step: one }],
    ["Out + INTERVAL '3' DAY", { plus: key('Out'), more: 3n * one, step: one }],
    ["Leaves - INTERVAL '2' HOUR", { plus: key('Leaves'), more: -120n * one, step: one }],
    ["Leaves + INTERVAL '1' DAY", { plus: key('Leaves'), more: 1440n * one, step: one }],
    ["Leaves + INTERVAL '5' MINUTE", { plus: key('Leaves'), more: 5n * one, step: one }],
  ])('%s', (source, amount) => {
    expect(amountOf(tree(source))).toEqual(amount)
  })

  test.each(['Seats + Guests', 'Seats * 2', "Out + INTERVAL '1' MONTH", 'Seats - Guests - Share', 'Weight + 1'])(
    '%s stands for itself',
    (source) => {
      expect(amountOf(tree(source))).toMatchObject({ plus: key(source), more: 0n })
    },
  )

  test('what is measured can differ by any little', () => {
    expect(amountOf(tree('Weight'))).toEqual({ plus: key('Weight'), more: 0n, step: 0n })
    expect(without(amountOf(tree('Weight')), amountOf(tree('Seats')))?.step).toBe(0n)
  })

  test('texts and yes and no are no amounts', () => {
    expect([amountOf(tree('Name')), amountOf(tree('Seats > 1')), without(undefined, amountOf(tree('Seats')))]).toEqual([
      undefined,
      undefined,
      undefined,
    ])
  })
})

test('the facts of an expression are told apart, each once', () => {
  expect([...factsIn(tree('Seats + Guests > Seats'))].sort()).toEqual([key('Seats'), key('Guests')].sort())
})
