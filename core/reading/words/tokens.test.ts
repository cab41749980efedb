import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type SettlingRule, settlingRules } from './settling-rules'
import { tokensOf } from './tokens'

const classes = (text: string) => tokensOf(text, 0).map((token) => `${token.lower}:${token.is}`)

describe('words that may be a thing or a doing', () => {
  test.each(settlingRules.map((rule) => [rule.name, rule] as const))('%s', (_, rule) => {
    const [sentence, word] = rule.example
    const classOf = (rules: readonly SettlingRule[]) =>
      tokensOf(sentence, 0, rules).findLast((token) => token.lower === word)?.is
    expect(classOf(settlingRules)).toBe(rule.becomes)
    expect(classOf(settlingRules.filter((one) => one !== rule))).not.toBe(rule.becomes)
  })

  test.each([
    ['A crate holds between 4 and 12 jars.', 'holds:verb'],
    ['The date is recorded.', 'recorded:participle'],
    ['We hire out rowing boats.', 'boats:noun'],
    ['We repair cars.', 'repair:verb'],
  ])('%s', (text, word) => {
    expect(classes(text)).toContain(word)
  })
})

describe('signs', () => {
  test.each([
    ['a kick-off time', ['a:article', 'kick-off:noun', 'time:noun']],
    ['the actors’ names', ['the:article', "actors':noun", 'names:noun']],
    ['a best before date', ['a:article', 'best:adjective', 'before:adjective', 'date:noun']],
    ['cash / card', ['cash:noun', '/:mark', 'card:noun']],
    ['clients - name', ['clients:noun', '-:mark', 'name:noun']],
  ])('%s', (text, words) => {
    expect(classes(text)).toEqual(words)
  })
})

test('every token is the very piece of text it says it is, in order', () => {
  const sign = fc.constantFrom(' ', ', ', '; ', ' - ', '-', '(', ')', '’', "'", '. ', '\n', ' and ')
  const word = fc.constantFrom(
    'each',
    'visit',
    'visits',
    'has',
    'e-mail',
    'client’s',
    'we',
    'don’t',
    '12',
    '3.5',
    'ÄÖ',
    '🐿️',
    'booked',
  )
  fc.assert(
    fc.property(fc.array(fc.oneof(word, sign), { maxLength: 20 }), fc.nat(50), (parts, offset) => {
      const text = parts.join('')
      let last = offset
      for (const token of tokensOf(text, offset)) {
        expect(text.slice(token.start - offset, token.end - offset)).toBe(token.text)
        expect(token.start).toBeGreaterThanOrEqual(last)
        last = token.end
      }
    }),
  )
})
