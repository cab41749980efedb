import fc from 'fast-check'
import { Decimal } from 'decimal.js'
import { expect, test } from 'vitest'
import { canonical, compareNumber, fitDecimal, readDecimal, showDecimal } from './decimal'
import { Look } from './look'
import { plainLook } from './plain-look'

const styles = Look.shape.numberStyle.options
const decimal = fc
  .tuple(fc.bigInt({ min: -(10n ** 17n), max: 10n ** 17n }), fc.nat(6))
  .map(([digits, places]) => new Decimal(digits.toString()).div(new Decimal(10).pow(places)).toFixed())

test.each(styles)('in the style %s every number reads back as it is shown', (numberStyle) => {
  const look = { ...plainLook, numberStyle }
  fc.assert(
    fc.property(decimal, (value) => {
      expect(readDecimal(showDecimal(value, look), look)).toEqual({ ok: true, value })
    }),
  )
})

test.each<[(typeof styles)[number], string, string | undefined]>([
  ['1,234.50', '1,234.5', '1234.5'],
  ['1,234.50', '1234.5', '1234.5'],
  ['1,234.50', '12,34.5', undefined],
  ['1,234.50', '1.234,5', undefined],
  ['1.234,50', '1.234,5', '1234.5'],
  ['1 234,50', '1 234,5', '1234.5'],
  ['1 234,50', '1\u00a0234,5', '1234.5'],
  ['1,234.50', '−3', '-3'],
  ['1,234.50', '+3', '3'],
  ['1,234.50', '007', '7'],
  ['1,234.50', '-0.0', '0'],
  ['1,234.50', '.', undefined],
  ['1,234.50', '1e3', undefined],
  ['1,234.50', '0x10', undefined],
  ['1,234.50', 'Infinity', undefined],
  ['1,234.50', '1 2', undefined],
  ['1,234.50', '9'.repeat(61), undefined],
])('%s: “%s” is %s', (numberStyle, typed, value) => {
  const read = readDecimal(typed, { ...plainLook, numberStyle })
  expect(read.ok ? read.value : undefined).toBe(value)
})

test('a number fits whole or not at all: nothing is ever rounded', () => {
  fc.assert(
    fc.property(decimal, fc.integer({ min: 1, max: 18 }), fc.nat(6), (value, digits, decimals) => {
      const fitted = fitDecimal(value, digits, decimals)
      if (fitted.ok) expect(new Decimal(fitted.value).eq(value)).toBe(true)
      else expect(['too-many-decimals', 'too-many-digits']).toContain(fitted.problem.kind)
    }),
  )
})

test('numbers compare and are written as another calculator has it', () => {
  fc.assert(
    fc.property(decimal, decimal, (a, b) => {
      expect(compareNumber(a, b)).toBe(new Decimal(a).cmp(b))
      expect(canonical(`0${new Decimal(a).abs().toFixed(9)}`)).toBe(new Decimal(a).abs().toFixed())
      const fitted = fitDecimal(a, 12, 6)
      if (fitted.ok) expect(fitted.value).toBe(new Decimal(a).isZero() ? '0.000000' : new Decimal(a).toFixed(6))
      else expect(new Decimal(a).abs().gte('1e12')).toBe(true)
    }),
  )
})

test('numbers compare as numbers, however long', () => {
  expect(compareNumber('9', '10')).toBe(-1)
  expect(compareNumber('-9', '-10')).toBe(1)
  expect(compareNumber('0.10', '0.1')).toBe(0)
  expect(compareNumber('9007199254740993', '9007199254740992')).toBe(1)
})
