import fc from 'fast-check'
import { expect, test } from 'vitest'
import { datePart, dayNumber, readMoment, shifted } from './days'
import { divideRounded, fromExact, powerOfTen, rescale, toExact, toWhole } from './exact-numbers'
import { plain } from './measured'
import { runs } from '@/tests/support/runs'

const big = fc.bigInt({ min: -(10n ** 40n), max: 10n ** 40n })
const scale = fc.nat(20)
const day = fc
  .date({ min: new Date('1000-01-01'), max: new Date('9000-12-31'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10))

test('a number written and read again is the same; more decimals change nothing', () => {
  fc.assert(
    fc.property(big, scale, scale, (value, own, more) => {
      expect(toExact(fromExact(value, own), own)).toBe(value)
      expect(rescale(rescale(value, own, own + more), own + more, own)).toBe(value)
    }),
  )
})

test('rounding is never further off than half, and goes away from nought at the half', () => {
  fc.assert(
    fc.property(big, fc.bigInt({ min: 1n, max: 10n ** 12n }), (a, b) => {
      const rounded = divideRounded(a, b)
      const off = 2n * (rounded * b - a)
      expect(off <= b && off >= -b).toBe(true)
      expect(divideRounded(-a, b)).toBe(-rounded || 0n)
    }),
  )
  expect([divideRounded(5n, 2n), divideRounded(-5n, 2n)]).toEqual([3n, -3n])
})

test('floor and ceiling embrace a number', () => {
  fc.assert(
    fc.property(big, scale, (value, own) => {
      const [low, high] = [toWhole(value, own, -1), toWhole(value, own, 1)]
      expect(low * powerOfTen(own) <= value && value <= high * powerOfTen(own)).toBe(true)
      expect(high - low <= 1n).toBe(true)
    }),
  )
})

test('days are counted as the calendar counts them, and back', () => {
  fc.assert(
    fc.property(day, fc.integer({ min: -200_000, max: 200_000 }), (date, days) => {
      const there = shifted(date, days, 'DAY')!
      expect(dayNumber(there) - dayNumber(date)).toBe(days)
      expect(new Date(`${there}T00:00:00Z`).getTime() - new Date(`${date}T00:00:00Z`).getTime()).toBe(days * 86_400_000)
      expect(shifted(there, -days, 'DAY')).toBe(date)
    }),
  )
})

test('months keep the day where the month has it, and its last where not', () => {
  fc.assert(
    fc.property(day, fc.integer({ min: -600, max: 600 }), (date, months) => {
      const there = shifted(date, months, 'MONTH')!
      const months_ = (value: string) => datePart(value, 'YEAR') * 12 + datePart(value, 'MONTH')
      expect(months_(there) - months_(date)).toBe(months)
      const [was, is] = [datePart(date, 'DAY'), datePart(there, 'DAY')]
      const next = shifted(there, 1, 'DAY')!
      expect(is === was || (is < was && datePart(next, 'DAY') === 1)).toBe(true)
      expect(readMoment('DATE', there)).toBe(there)
    }),
  )
  expect([shifted('9999-12-31', 1, 'DAY'), shifted('0001-01-01', -1, 'YEAR')]).toEqual([null, null])
})

test('a measured number is written without an exponent, with every digit it has', () => {
  fc.assert(
    fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (float) => {
      const text = plain(float)
      expect(text).toMatch(/^-?(0|[1-9]\d*)(\.\d*[1-9])?$/)
      expect(Number(text)).toBe(float === 0 ? 0 : float)
    }),
    runs(2000),
  )
  expect([plain(1e-7), plain(-1.5e21), plain(0.1 + 0.2), plain(-0)]).toEqual([
    '0.0000001',
    '-1500000000000000000000',
    '0.30000000000000004',
    '0',
  ])
})
