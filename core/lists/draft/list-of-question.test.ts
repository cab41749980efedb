import { expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import { readList } from '../check/check-list'
import { sayList } from '../say/say-list'
import { listOfQuestion, spanIn } from './list-of-question'

const book = askedBook()
const linkBetween = (many: string, one: string) => book.links.find((link) => link.many === many && link.one === one)!.id
const payments = linkBetween('payment', 'visit')
const houses = linkBetween('visit', 'house')

const sentence = (text: string, table: string, ...links: string[]) => {
  const list = listOfQuestion(book, { text, table, links }, 'list')
  expect(list.answers).toBe(text)
  expect(readList(book, list, { given: {}, now: { moment: '2027-03-12T10:00' } }).faults).toEqual([])
  return sayList(book, list)
}

test.each([
  ['Which visits have no payment?', 'visit', [payments], /^Each visit that has no payment/],
  [
    'Which houses were not visited in the last twelve months?',
    'house',
    [houses],
    /^Each house that has no visit .*day.*last 12 months/,
  ],
  [
    'Which visits are booked for next week?',
    'visit',
    [],
    /^Each visit whose state is booked and|^Each visit whose day.*next week/,
  ],
  [
    'Which visits were not made in the last two weeks?',
    'visit',
    [],
    /^Each visit that is not one whose day is in the last 2 weeks/,
  ],
  ['Which payments came last month?', 'payment', [], /^Each payment .*last month/],
  ['How many visits has each house?', 'house', [houses], /^Each house, with .*most first/],
  ['How much was paid for each visit?', 'visit', [payments], /^Each visit, with .*most first/],
  ['Which visits had a payment this year?', 'visit', [payments], /^Each visit that has a payment .*this year/],
  [
    'Whose house was it, for visits done yesterday?',
    'visit',
    [houses],
    /^Each visit.*yesterday|^Each visit.*state is done/,
  ],
] as const)('%s', (text, table, links, says) => {
  expect(sentence(text, table, ...links)).toMatch(says)
})

test.each([
  [' last month ', { which: 'last', unit: 'month' }],
  [' in the last 30 days ', { which: 'last', unit: 'day', count: 30 }],
  [' for twelve months ', { which: 'last', unit: 'month', count: 12 }],
  [' in the next two weeks ', { which: 'next', unit: 'week', count: 2 }],
  [' tomorrow ', { which: 'next', unit: 'day' }],
  [' several months ', undefined],
  [' the month ', undefined],
])('a time in %j', (words, span) => {
  expect(spanIn(words)).toEqual(span)
})
