import fc from 'fast-check'
import { expect, test } from 'vitest'
import { countOf, kindOf, plainLook, runningPeriod, writeRunning } from '.'
import type { FieldSettings } from './settings'

const written = fc.record(
  { prefix: fc.constantFrom('V-', 'C-', 'No. ', '2'), width: fc.integer({ min: 1, max: 12 }), yearly: fc.boolean() },
  { requiredKeys: [] },
)
const moment = '2027-03-12T09:30'

test.each([
  [{}, '418'],
  [{ prefix: 'V-' }, 'V-00418'],
  [{ prefix: 'P-', width: 4 }, 'P-0418'],
  [{ prefix: 'C-', width: 4, yearly: true }, 'C-2027-0418'],
  [{ width: 2 }, '418'],
])('%o writes the 418th as %s', (settings, expected) => {
  expect(writeRunning(418, settings, '2027')).toBe(expected)
})

test('every count comes back from how it is written', () => {
  fc.assert(
    fc.property(written, fc.integer({ min: 1, max: 10 ** 12 }), (settings, count) => {
      const period = runningPeriod(settings, moment)
      expect(countOf(writeRunning(count, settings, period), settings, period)).toBe(count)
    }),
  )
})

test('numbers that follow each other are never alike and sort in order', () => {
  fc.assert(
    fc.property(written, fc.integer({ min: 1, max: 10 ** 9 }), (settings, count) => {
      const [one, next] = [writeRunning(count, settings, '2027'), writeRunning(count + 1, settings, '2027')]
      expect(kindOf('running').compare(one, next)).toBeLessThan(0)
    }),
  )
})

test.each([
  ['another year’s number', 'C-2026-0007', { prefix: 'C-', width: 4, yearly: true }],
  ['another prefix', 'X-00007', { prefix: 'V-' }],
  ['letters where digits go', 'V-0000x', { prefix: 'V-' }],
  ['nothing', '', {}],
])('%s counts as none of this period', (_what, value, settings) => {
  expect(countOf(value, settings, '2027')).toBe(0)
})

test('a count that starts again each year belongs to its year, another to ever', () => {
  expect([runningPeriod({ yearly: true }, moment), runningPeriod({}, moment)]).toEqual(['2027', 'ever'])
})

test('a pattern makes the column text; a plain number stays a number', () => {
  const typeOf = (settings: FieldSettings) => kindOf('running').columnType(settings, plainLook)
  expect([typeOf({}), typeOf({ prefix: 'V-' }), typeOf({ yearly: true })]).toEqual([
    { is: 'whole', bytes: 8, unsigned: true },
    { is: 'text', most: 40 },
    { is: 'text', most: 40 },
  ])
})
