import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '@/tests/support/runs'
import { numberInWords, wholeInWords } from './number-words'

test.each([
  ['0', 'nought'],
  ['7', 'seven'],
  ['40', 'forty'],
  ['99', 'ninety-nine'],
  ['104', 'one hundred and four'],
  ['1004', 'one thousand and four'],
  ['1104', 'one thousand, one hundred and four'],
  ['21000', 'twenty-one thousand'],
  ['1000000', 'one million'],
  ['2000017', 'two million and seventeen'],
  ['-3', 'minus three'],
])('%s is said “%s”', (figures, words) => {
  expect(wholeInWords(figures)).toBe(words)
})

test.each([
  ['104.50', '£', 'one hundred and four pounds and fifty pence'],
  ['1.01', '£', 'one pound and one penny'],
  ['0.75', '£', 'seventy-five pence'],
  ['0.00', '£', 'nought pounds'],
  ['-0.05', '€', 'minus five cents'],
  ['12.00', '$', 'twelve dollars'],
  ['3.250', 'Kr', 'three and 250/1000 Kr'],
  ['3', 'Kr', 'three Kr'],
  ['2.50', undefined, 'two point five'],
  ['-0.5', undefined, 'minus nought point five'],
])('%s in %s is said “%s”', (value, currency, words) => {
  expect(numberInWords(value, currency)).toBe(words)
})

/** The other way round, by the rules of the language alone. */
function heard(words: string): number {
  const ones = new Map(
    'nought one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
      .split(' ')
      .map((word, at) => [word, at]),
  )
  const tens = new Map(
    'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ').map((word, at) => [word, 20 + 10 * at]),
  )
  const large = new Map([
    ['thousand', 1e3],
    ['million', 1e6],
    ['billion', 1e9],
  ])
  let [all, part] = [0, 0]
  for (const word of words.split(/[\s,-]+/)) {
    if (word === 'and') continue
    if (word === 'hundred') part *= 100
    else if (large.has(word)) [all, part] = [all + part * large.get(word)!, 0]
    else part += ones.get(word) ?? tens.get(word) ?? NaN
  }
  return all + part
}

test('whoever hears a number in words writes down the same number', () => {
  fc.assert(
    fc.property(fc.oneof(fc.integer({ min: 0, max: 1500 }), fc.integer({ min: 0, max: 999_999_999_999 })), (number) => {
      expect(heard(wholeInWords(String(number)))).toBe(number)
    }),
    runs(500),
  )
})

test('more figures than anybody says stay figures', () => {
  expect(wholeInWords('1'.repeat(19))).toBe('1'.repeat(19))
})
