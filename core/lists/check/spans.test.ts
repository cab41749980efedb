import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '@/tests/support/runs'
import { plainLook } from '../../kinds'
import { daysOf, daysWritten } from './spans'

const look = { ...plainLook, weekStart: 'Monday' } as const
const today = '2027-03-12'

test.each([
  ['this', 'day', '2027-03-12', '2027-03-13'],
  ['last', 'day', '2027-03-11', '2027-03-12'],
  ['this', 'week', '2027-03-08', '2027-03-15'],
  ['last', 'week', '2027-03-01', '2027-03-08'],
  ['next', 'week', '2027-03-15', '2027-03-22'],
  ['this', 'month', '2027-03-01', '2027-04-01'],
  ['last', 'month', '2027-02-01', '2027-03-01'],
  ['this', 'quarter', '2027-01-01', '2027-04-01'],
  ['last', 'quarter', '2026-10-01', '2027-01-01'],
  ['next', 'quarter', '2027-04-01', '2027-07-01'],
  ['this', 'year', '2027-01-01', '2028-01-01'],
  ['next', 'year', '2028-01-01', '2029-01-01'],
] as const)('%s %s is from %s to before %s', (which, unit, from, until) => {
  expect(daysOf({ which, unit }, today, look)).toEqual({ from, until })
})

test.each([
  ['last', 30, 'day', '2027-02-11', '2027-03-13'],
  ['next', 7, 'day', '2027-03-12', '2027-03-19'],
  ['last', 12, 'month', '2026-03-13', '2027-03-13'],
  ['next', 2, 'week', '2027-03-12', '2027-03-26'],
] as const)('the %s %s %ss end with today or begin with it', (which, count, unit, from, until) => {
  expect(daysOf({ which, unit, count }, today, look)).toEqual({ from, until })
})

test('weeks begin where the book says', () => {
  const from = (weekStart: typeof plainLook.weekStart) =>
    daysOf({ which: 'this', unit: 'week' }, today, { ...look, weekStart }).from
  expect([from('Monday'), from('Sunday'), from('Saturday')]).toEqual(['2027-03-08', '2027-03-07', '2027-03-06'])
})

test('a written month or year means all of its days', () => {
  expect(daysWritten('2027-02')).toEqual({ from: '2027-02-01', until: '2027-03-01' })
  expect(daysWritten('2027')).toEqual({ from: '2027-01-01', until: '2028-01-01' })
  expect(daysWritten('2024-02-29')).toEqual({ from: '2024-02-29', until: '2024-03-01' })
  for (const wrong of ['2027-13', '2027-02-29', '0000', 'March', '2027-2', ''])
    expect(daysWritten(wrong)).toBeUndefined()
})

test('every day lies in its own week, month, quarter and year, and these follow on each other without a gap', () => {
  const day = fc
    .date({ min: new Date('1900-01-01'), max: new Date('2200-12-31'), noInvalidDate: true })
    .map((date) => date.toISOString().slice(0, 10))
  const unit = fc.constantFrom('day' as const, 'week' as const, 'month' as const, 'quarter' as const, 'year' as const)
  fc.assert(
    fc.property(
      day,
      unit,
      fc.constantFrom('Monday' as const, 'Sunday' as const, 'Saturday' as const),
      (on, of, weekStart) => {
        const at = (which: 'this' | 'last' | 'next') => daysOf({ which, unit: of }, on, { ...look, weekStart })
        expect(at('this').from <= on && on < at('this').until).toBe(true)
        expect([at('last').until, at('this').until]).toEqual([at('this').from, at('next').from])
      },
    ),
    runs(2000),
  )
})
