import { describe, expect, test } from 'vitest'
import { elementsOf } from '../words/elements'
import { choicesIn, itemsOf, namedBy } from './items'
import { tokensOf } from '../words/tokens'

const elements = (words: string) => elementsOf(tokensOf(words, 0))
const named = (words: string) => itemsOf(elements(words)).map(namedBy)

describe('entries of a list', () => {
  test.each([
    ['the day it went out', { name: 'day out', kind: 'date' }],
    ['a date out', { name: 'date out', kind: 'date' }],
    ['the date returned', { name: 'date returned', kind: 'date' }],
    ['the year they joined', { name: 'year joined', kind: 'whole' }],
    ['whether they sang solo', { name: 'sang solo', kind: 'tick' }],
    ['whether it is fit for jumping', { name: 'fit for jumping', kind: 'tick' }],
    ['how many are in stock', { name: 'in stock', kind: 'whole' }],
    ['how many hours they worked', { name: 'hours', kind: 'exact' }],
    ['who did it', { name: 'done by', kind: 'line' }],
    ['why it was late', { name: 'reason', kind: 'passage' }],
    ['when they arrived', { name: 'arrived', kind: 'time' }],
    ['an urgency (low, normal, high)', { name: 'urgency', kind: 'choice', choices: ['low', 'normal', 'high'] }],
    ['a projector yes/no', { name: 'projector', kind: 'tick' }],
    ['paid (yes, no)', { name: 'paid', kind: 'tick' }],
    ['a run (how many copies)', { name: 'run', kind: 'whole' }],
    ['the value in kilowatts', { name: 'value', kind: 'exact', unit: 'kilowatts' }],
    ['allergies', { name: 'allergies', kind: 'passage' }],
    ['several phone numbers', { name: 'phone number', kind: 'phone', several: true }],
  ])('“%s”', (words, expected) => {
    expect(named(words)[0]).toMatchObject(expected)
  })

  test('a quality alone among things is one of them', () => {
    expect(named('a title and abstract').map((item) => item?.name)).toEqual(['title', 'abstract'])
  })

  test('a list knows where each of its entries stands', () => {
    const text = 'a name, an address and how to get in'
    expect(itemsOf(elements(text)).map(({ start, end }) => text.slice(start, end))).toEqual([
      'a name',
      'an address',
      'how to get in',
    ])
  })
})

test.each<[string, string[] | undefined]>([
  ['booked, done or cancelled', ['booked', 'done', 'cancelled']],
  ['in service or under repair', ['in service', 'under repair']],
  ['cash, by card', ['cash', 'by card']],
  ['only one', undefined],
])('choices in “%s”', (words, choices) => {
  expect(choicesIn(elements(words))).toEqual(choices)
})
