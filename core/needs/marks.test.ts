import fc from 'fast-check'
import { expect, test } from 'vitest'
import { emptyBook } from '../book'
import { plainLook } from '../kinds'
import { piecesOf, proposalsFor, type Reading, sameWord } from '.'

const text = 'A crate holds up to 12 jars.'
const span = (words: string, need = 0) => [
  { need, start: text.indexOf(words), end: text.indexOf(words) + words.length },
]
const reading: Reading = {
  tables: [
    { name: 'Crate', fields: [], evidence: span('A crate') },
    { name: 'Jar', fields: [], evidence: [] },
  ],
  ties: [
    {
      from: 'Crate',
      to: 'Jar',
      kind: '1-n',
      must: true,
      least: false,
      limit: { most: 12, per: 'Crate', of: 'Jar' },
      fields: [],
      verb: 'hold',
      evidence: span('A crate holds up to 12 jars'),
    },
  ],
  questions: [],
  open: [],
  phrases: [],
}
const book = emptyBook('Test', plainLook)
const marked = (read: Reading, of = text) =>
  piecesOf(proposalsFor(book, read), 0, of).map(({ text: words, mark }) => [words, mark])

test('where several were found in the same words, the smallest meaning shows', () => {
  expect(marked(reading)).toEqual([
    ['A crate', 'table'],
    [' holds up to 12 jars', 'limit'],
    ['.', undefined],
  ])
})

test('a tie that counts nothing is no limit, though other words of it do', () => {
  const evidence = [...span('A crate holds'), { need: 1, start: 0, end: 5 }]
  expect(marked({ ...reading, tables: [], ties: [{ ...reading.ties[0]!, evidence }] })[0]).toEqual([
    'A crate holds',
    'link',
  ])
})

test('a question covers what nothing else was found in', () => {
  const questions = [{ text: 'holds', tables: [], evidence: span('holds') }]
  expect(marked({ ...reading, ties: [], questions })).toEqual([
    ['A crate', 'table'],
    [' ', undefined],
    ['holds', 'question'],
    [' up to 12 jars.', undefined],
  ])
})

test('pieces are the text again, wherever the evidence lies', () => {
  const place = fc.nat(40)
  fc.assert(
    fc.property(fc.array(fc.tuple(place, place), { maxLength: 6 }), fc.string({ maxLength: 30 }), (spans, words) => {
      const tables = spans.map(([start, length], at) => ({
        name: `T${at}`,
        fields: [],
        evidence: [{ need: 0, start, end: start + length }],
      }))
      const pieces = piecesOf(proposalsFor(book, { ...reading, tables, ties: [] }), 0, words)
      expect(pieces.map((piece) => piece.text).join('')).toBe(words)
    }),
  )
})

test('two names said to be one thing are one card, with the facts of both', () => {
  const field = (name: string) => ({ name, kind: 'line' as const, evidence: [] })
  const both: Reading = {
    ...reading,
    tables: [
      { name: 'House', fields: [field('Street'), field('Town')], evidence: span('A crate') },
      { name: 'Premises', fields: [field('Town')], evidence: [] },
    ],
    ties: [],
  }
  const said = { ...book, dismissed: [{ id: 'w', what: sameWord('House', 'Premises') }] }
  expect(proposalsFor(said, both).all.map((one) => [one.table, one.words])).toEqual([
    ['Premises', 'new table'],
    ['Premises', 'Street'],
    ['Premises', 'Town'],
  ])
})
