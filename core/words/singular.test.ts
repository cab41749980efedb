import fc from 'fast-check'
import { expect, test } from 'vitest'
import { aOrAn, isPlural, plural, singular } from '.'

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
  ['Quiz', 'Quizzes'],
  ['Potato', 'Potatoes'],
  ['Photo', 'Photos'],
  ['Roof', 'Roofs'],
  ['MOT', 'MOTs'],
  ['Form 12', 'Form 12s'],
  ['Gas', 'Gases'],
  ['Day', 'Days'],
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

test.each([
  'a unit',
  'an hour',
  'an honest mistake',
  'a user',
  'a one-off job',
  'an MOT',
  'a VAT rate',
  'an X-ray',
  'a herb',
  'a ewe',
  'an appliance',
  'a house',
  'an 8-hour day',
  'an 11',
])('%s', (said) => {
  expect(aOrAn(said.replace(/^an? /, ''))).toBe(said)
})
