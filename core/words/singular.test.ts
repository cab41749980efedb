import fc from 'fast-check'
import { expect, test } from 'vitest'
import { isPlural, plural, singular } from '.'

test.each([
  ['visit', 'visits'],
  ['pony', 'ponies'],
  ['box', 'boxes'],
  ['church', 'churches'],
  ['address', 'addresses'],
  ['bus', 'buses'],
  ['child', 'children'],
  ['person', 'people'],
  ['tradesman', 'tradesmen'],
  ['shelf', 'shelves'],
  ['apiary', 'apiaries'],
  ['course', 'courses'],
  ['photo', 'photos'],
  ['premises', 'premises'],
  ['series', 'series'],
  ['equipment', 'equipment'],
])('one %s, two %s', (one, many) => {
  expect(plural(one)).toBe(many)
  expect(singular(many)).toBe(one)
  expect(singular(one)).toBe(one)
  expect(isPlural(many)).toBe(one !== many)
})

test.each([
  ['Lost child', 'Lost children'],
  ['Child', 'Children'],
  ['Way of paying', 'Ways of paying'],
  ['Contact person', 'Contact people'],
  ['VAT rate', 'VAT rates'],
])('%s, %s', (one, many) => {
  expect(plural(one)).toBe(many)
})

test('the singular of a plural is the word again, for words made by rule', () => {
  const stem = fc.stringMatching(/^[bcdfgklmnprt][aeiou][bcdfgklmnprt]{1,2}$/)
  const word = fc
    .tuple(stem, fc.constantFrom('', 'er', 'ment', 'y', 'x', 'sh', 'or'))
    .map(([first, last]) => first + last)
  fc.assert(fc.property(word, (one) => singular(plural(one)) === one))
})
