import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readDecimal, showDecimal } from './decimal'
import { Look } from './look'
import { plainLook } from './plain-look'
import { sumTyped } from './typed-sum'

const money = { kind: 'money' } as const
const exact = { kind: 'exact', decimals: 3 } as const
const whole = { kind: 'whole' } as const
const measured = { kind: 'measured' } as const

test.each([
  ['3*12.50', money, '37.50'],
  ['120 + 35', money, '155.00'],
  ['(120+35)/2', money, '77.50'],
  ['100/3', money, '33.33'],
  ['200/3', money, '66.67'],
  ['-200/3', money, '-66.67'],
  ['2+3*4', exact, '14.000'],
  ['2 × 3 ÷ 4', exact, '1.500'],
  ['1,234.50 - 0.50', money, '1,234.00'],
  ['3*-2', whole, '-6'],
  ['7/2', whole, '3.5'],
  ['20*5', whole, '100'],
  ['-(2+3)*2', whole, '-10'],
  ['0.1+0.2', measured, '0.3'],
  ['12-5', whole, '7'],
])('“%s” comes to what it says', (typed, field, shown) => {
  expect(sumTyped(typed, field, plainLook)).toBe(shown)
})

test.each([
  '',
  '12',
  '-5',
  '+5',
  '1,234.50',
  '3*',
  '*3',
  '3**2',
  '(3+2',
  '3+2)',
  '()',
  '1/0',
  '5 apples + 3',
  '2027-03-12',
  '12/3/2027',
  '01555-0142',
  '555-0142',
  '1e3+2',
  '0x10+1',
  '3 4',
  '(3)(4)',
  `${'('.repeat(30)}1+1${')'.repeat(30)}`,
  '1+'.repeat(150) + '1',
])('“%s” is no sum', (typed) => {
  expect(sumTyped(typed, money, plainLook)).toBe(undefined)
})

test('sums are read and shown in the book’s own style', () => {
  const look = { ...plainLook, numberStyle: '1.234,50' as const }
  expect(sumTyped('2*617,25', money, look)).toBe('1.234,50')
  expect(sumTyped('1.000 + 0,5', money, look)).toBe('1.000,50')
  const spaced = { ...plainLook, numberStyle: '1 234,50' as const }
  expect(sumTyped('1 000 + 234,5', money, spaced)).toBe('1 234,50')
})

test('what it comes to is exact, in any style, and reads as the number that it is', () => {
  const cents = fc.integer({ min: -1e9, max: 1e9 })
  fc.assert(
    fc.property(cents, cents, fc.constantFrom(...Look.shape.numberStyle.options), (a, b, numberStyle) => {
      const look = { ...plainLook, numberStyle }
      const shown = (value: bigint) =>
        showDecimal(
          `${value < 0n ? '-' : ''}${(abs(value) / 100n).toString()}.${String(abs(value) % 100n).padStart(2, '0')}`,
          look,
        )
      const sum = sumTyped(`${shown(BigInt(a))} + (${shown(BigInt(b))})`, money, look)
      expect(sum).toBe(shown(BigInt(a) + BigInt(b)))
      expect(readDecimal(sum!, look).ok).toBe(true)
    }),
  )
})

const abs = (value: bigint) => (value < 0n ? -value : value)
