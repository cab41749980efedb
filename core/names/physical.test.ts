import fc from 'fast-check'
import { expect, test } from 'vitest'
import { liveNameHindrance, physicalName, quoteName } from './physical'
import { reservedWords } from './reserved'
import { runs } from '@/tests/support/runs'

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
    runs(1000),
  )
})

test('a quoted name can’t end itself', () => {
  expect(quoteName('a`b; DROP')).toBe('`a``b; DROP`')
})

test.each([
  ['Job card', 'table', 'plural', 'job_cards'],
  ['Booked for', 'field', 'plural', 'booked_for'],
  ['Order', 'table', 'plural', 'orders'],
  ['Job card', 'table', 'capitals', 'JobCard'],
  ['Order', 'table', 'capitals', 'OrderRecord'],
  ['2nd job', 'field', 'capitals', 'Field2ndJob'],
] as const)('%s as a %s in the style %s is %s', (name, what, naming, expected) => {
  expect(physicalName(name, what, new Set(), naming)).toBe(expected)
})

test.each([
  ['visit', undefined],
  ['Visit_2', undefined],
  ['2visits', /begins with a letter/],
  ['größe', /without accents/],
  ['Select', /keep that word/],
  ['row_rev', /uses that name itself/],
  ['Stored_file', /uses that name itself/],
  ['taken', /called so already/],
  ['x'.repeat(60), /at most 48/],
] as const)('%s as a live name', (name, because) => {
  const said = liveNameHindrance(name, new Set(['taken']))
  if (because) expect(said).toMatch(because)
  else expect(said).toBeUndefined()
})
