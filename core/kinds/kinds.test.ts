import fc from 'fast-check'
import { expect, test } from 'vitest'
import { wordProblem } from '../words'
import { checkValue, kindNames, kindOf, plainLook, readValue, showValue, startValue } from '.'
import type { KindedField } from './check'
import { runs } from '@/tests/support/runs'

const now = { moment: '2027-03-12T09:30' }
const field = (kind: KindedField['kind'], settings: Partial<KindedField> = {}): KindedField => ({
  name: 'Field',
  kind,
  ...kindOf(kind).starts,
  ...settings,
})
const choices = ['booked', 'done'].map((word) => ({ id: word, word }))

function outcome(typed: string, of: KindedField, look = plainLook): string {
  const read = readValue(typed, of, look, now)
  return read.ok ? `${read.value}` : wordProblem(read.problem)
}

test.each<[KindedField, string, string]>([
  [field('line'), '  two   words ', 'two words'],
  [field('line', { length: 5 }), 'a line\nbroken', 'This is 13 characters long; at most 5 fit.'],
  [field('line'), '🐿️ שלום', '🐿️ שלום'],
  [field('line', { length: 2 }), '🇬🇧', '🇬🇧'],
  [field('line'), 'turned \u202e round', 'This has characters that can’t be seen. Type it instead of pasting.'],
  [field('line'), 'half \ud83d', 'This has characters that can’t be seen. Type it instead of pasting.'],
  [field('line', { must: true }), '   ', 'Field must be filled.'],
  [field('line', { must: true }), '\u3164', 'Field must be filled.'],
  [field('line', { must: true }), '\u2800\u200b \u{e0020}', 'Field must be filled.'],
  [field('line'), '👩\u200d🔧', '👩\u200d🔧'],
  [field('passage'), 'one\r\ntwo\tthree', 'one\ntwo  three'],
  [field('passage'), 'x'.repeat(10_000_000), 'This is 10,000,000 characters long; at most 50,000 fit.'],
  [field('code', { length: 6, exactLength: true }), '00042', 'This must be exactly 6 characters; it has 5.'],
  [field('code', { length: 6, exactLength: true }), '000042', '000042'],
  [field('whole'), '1,234', '1234'],
  [field('whole'), '-0', '0'],
  [field('whole'), '12.5', '“12.5” is not a whole number such as 12.'],
  [field('whole'), '3000000000', 'This must be 2,147,483,647 or less.'],
  [field('whole', { least: '1', most: '60' }), '61', 'This must be 60 or less.'],
  [
    field('exact', { decimals: 1, digits: 2, least: '2.0', most: '14.0', refusal: 'Tower crew.' }),
    '15.2',
    'Tower crew.',
  ],
  [field('exact', { decimals: 1, digits: 2 }), '6.55', 'At most 1 decimal fits here.'],
  [field('exact', { decimals: 1, digits: 2 }), '100', 'At most 2 digits fit before the decimal point.'],
  [field('exact'), '.5', '0.50'],
  [field('exact'), '1e3', '“1e3” is not a number such as 12.5.'],
  [field('measured'), '0.0310', '0.031'],
  [field('measured'), '0.000000000000000000001', '0.000000000000000000001'],
  [field('measured'), '1000000000000000', 'At most 15 digits fit before the decimal point.'],
  [field('money'), '£1,234.5', '1234.50'],
  [field('money'), '0.005', 'At most 2 decimals fit here.'],
  [field('money'), '-1', 'This must be 0 or more.'],
  [field('date'), '12/3/2027', '2027-03-12'],
  [field('date'), '12 March', '2027-03-12'],
  [field('date'), '2028-02-29', '2028-02-29'],
  [field('date'), '29/2/2027', 'There is no “29/2/2027”: February 2027 ends on the 28th.'],
  [field('date'), '3/27', 'There is no such day as “3/27”.'],
  [field('date'), '12/3/27', '2027-03-12'],
  [field('date'), 'tomorrow', '2027-03-13'],
  [field('time'), '9.30 pm', '21:30'],
  [field('time'), '25:00', '“25:00” is not a time such as 09:30.'],
  [field('dateTime'), '12 Mar 2027, 9:30', '2027-03-12T09:30'],
  [field('dateTime'), 'now', '2027-03-12T09:30'],
  [field('dateTime'), '12 Mar 2027', '“12 Mar 2027” is not a date and time such as 12 Mar 2027, 09:30.'],
  [field('tick'), 'Yes', '1'],
  [field('tick'), '', '0'],
  [field('tick'), 'perhaps', '“perhaps” is neither yes nor no.'],
  [field('choice', { choices }), 'BOOKED', 'booked'],
  [field('choice', { choices }), 'postponed', '“postponed” is not one of the choices: booked or done.'],
  [field('mark', { scale: 5 }), '6', '“6” is not a mark from 1 to 5.'],
  [field('email'), 'averil@otterby.example', 'averil@otterby.example'],
  [field('email'), 'averil at otterby', '“averil at otterby” is not an e-mail address such as office@firm.example.'],
  [field('phone'), '+44 1555 0142 x12', '+44 1555 0142 x12'],
  [field('phone'), 'call me', '“call me” is not a phone number such as 01555 0142.'],
  [field('web'), 'emberly.example/prices', 'https://emberly.example/prices'],
  [field('web'), 'javascript:alert(1)', '“javascript:alert(1)” is not a web address such as https://firm.example.'],
  [field('file'), 'not a hash', 'The file did not arrive whole. Choose it again.'],
])('%o reads %j', (of, typed, expected) => {
  expect(outcome(typed, of)).toBe(expected)
})

test('numbers and days are read and shown in the book’s own styles', () => {
  const comma = { ...plainLook, numberStyle: '1.234,50', dateStyle: 'month-day-year', currency: '€' } as const
  expect(outcome('1.234,5', field('money'), comma)).toBe('1234.50')
  expect(showValue('1234.50', field('money'), comma)).toBe('1.234,50')
  expect(outcome('3/12/2027', field('date'), comma)).toBe('2027-03-12')
  expect(showValue('2027-03-12', field('date'), comma)).toBe('Mar 12, 2027')
})

test('a new record starts with what the field says, today included', () => {
  expect(startValue(field('date', { startsAs: 'today' }), now)).toBe('2027-03-12')
  expect(startValue(field('whole', { startsAs: '1' }), now)).toBe('1')
  expect(startValue(field('tick'), now)).toBe('0')
  expect(startValue(field('line'), now)).toBeNull()
})

const settled = (kind: KindedField['kind']) => field(kind, kind === 'choice' ? { choices } : {})

test.each(kindNames.filter((kind) => !['link', 'file'].includes(kind)))(
  '%s: what is shown can be typed again and means the same',
  (kind) => {
    const of = settled(kind)
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'binary', maxLength: 80 }),
          fc.float({ noNaN: true }).map(String),
          fc.date({ noInvalidDate: true }).map((date) => date.toISOString().slice(0, 16)),
          fc.constantFrom('booked', 'yes', '3', 'a@b.example', '01555 0142'),
        ),
        (typed) => {
          const read = readValue(typed, of, plainLook, now)
          if (!read.ok || read.value === null) return
          expect(readValue(showValue(read.value, of, plainLook), of, plainLook, now)).toEqual(read)
          expect(checkValue(read.value, of, plainLook).ok).toBe(true)
          expect(kindOf(kind).compare(read.value, read.value)).toBe(0)
        },
      ),
      runs(400),
    )
  },
)

test.each(kindNames)('%s says what it holds and what its settings are', (kind) => {
  const { title, holds, summary } = kindOf(kind)
  expect([title, holds, summary(settled(kind), plainLook)].every((words) => words.length > 2)).toBe(true)
})
