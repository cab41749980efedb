import fc from 'fast-check'
import { expect, test } from 'vitest'
import { physicalName, quoteName } from './physical'
import { reservedWords } from './reserved'

test.each([
  ['Booked for', 'field', 'booked_for'],
  ['Order', 'table', 'order_record'],
  ['Order', 'field', 'order_value'],
  ['Straße & Größe', 'field', 'strasse_grosse'],
  ['1st visit', 'table', 'table_1st_visit'],
  ['שם', 'field', 'field'],
] as const)('%s as a %s is called %s', (name, what, expected) => {
  expect(physicalName(name, what, new Set())).toBe(expected)
})

test('whatever is typed, the name is plain, short, not reserved and not taken', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), fc.constantFrom('table', 'field'), (name, what) => {
      const first = physicalName(name, what, new Set())
      const second = physicalName(name, what, new Set([first]))
      expect(first).toMatch(/^[a-z][a-z\d_]{0,59}$/)
      expect(reservedWords.has(first)).toBe(false)
      expect(second).not.toBe(first)
    }),
    { numRuns: 1000 },
  )
})

test('a quoted name can’t end itself', () => {
  expect(quoteName('a`b; DROP')).toBe('`a``b; DROP`')
})
