import fc from 'fast-check'
import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { emptyBook, applyEdit, tableOf } from '../book'
import { plainLook } from '../kinds'
import { type Json, wordProblem } from '../words'
import { alike, isLike, simpleLower, simpleUpper } from './run/text'
import { lexemesOf, tokensOf } from './text/tokens'
import { readExpression, recheckStored, writtenName } from '.'
import { runs } from '@/tests/support/runs'

const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'key' },
  { kind: 'addField', table: 'visit', id: 'note', name: 'Note', holds: 'line' },
)
const visit = tableOf(book, 'visit')

test('LIKE is what a regular expression of the pattern says', () => {
  const letters = fc
    .array(fc.constantFrom('a', 'b', 'A', '%', '_', '.', '|', 'é'), { maxLength: 8 })
    .map((all) => all.join(''))
  fc.assert(
    fc.property(letters, letters, (text, pattern) => {
      const source = [...pattern]
        .map((one) => (one === '%' ? '.*' : one === '_' ? '.' : one.replace(/[.|]/g, '\\$&')))
        .join('')
      expect(isLike(text, pattern, '')).toBe(new RegExp(`^${source}$`, 'isu').test(text))
    }),
    runs(2000),
  )
})

test('a long pattern full of % takes no longer than it must', () => {
  expect(isLike('a'.repeat(5000), `${'%a'.repeat(40)}%b`, '')).toBe(false)
})

test('what is alike is so from either side, whatever the capitals and the spaces behind', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'grapheme', maxLength: 12 }),
      fc.string({ unit: 'grapheme', maxLength: 12 }),
      (a, b) => {
        expect(alike(a, `${a}  `)).toBe(true)
        expect(alike(a, b)).toBe(alike(b, a))
        expect([...simpleUpper(a)].length).toBe([...a].length)
        expect([...simpleLower(a)].length).toBe([...a].length)
      },
    ),
  )
  expect([alike('OAK', 'oak '), alike('Café', 'Cafe')]).toEqual([true, false])
})

test('any field can be named, whatever it is called', () => {
  const odd = fc.constantFrom(
    'From',
    'current_date',
    'Count',
    'Date',
    'Order',
    'a"b',
    'x.y',
    "it's",
    '2nd',
    'größe',
    'true',
  )
  fc.assert(
    fc.property(fc.oneof(odd, fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 })), (typed) => {
      const next = applyEdit(book, { kind: 'changeField', field: 'note', to: { name: typed } })
      if (!next.ok) return
      const table = tableOf(next.value.book, 'visit')
      const { name } = table.fields[1]!
      expect(readExpression(next.value.book, table, `${writtenName(name)} IS NULL`)).toMatchObject({
        tree: { of: { kind: 'fact', field: 'note' } },
      })
    }),
    runs(500),
  )
})

test('the editor and the reader cut a text in the same places, with nothing left over', () => {
  const marks = fc.array(fc.constantFrom('"', "'", 'a', ' ', '--', '\n', '1.', '.', '<', '>', '€', '\ud83d'), {
    maxLength: 20,
  })
  fc.assert(
    fc.property(
      fc.oneof(
        marks.map((all) => all.join('')),
        fc.string({ unit: 'binary' }),
      ),
      (source) => {
        const lexemes = lexemesOf(source)
        expect(lexemes.map(({ raw }) => raw).join('')).toBe(source)
        const cut = tokensOf(source)
        const sound = lexemes.every(({ is, open }) => is !== 'unknown' && !open)
        expect('tokens' in cut).toBe(sound)
        if (!('tokens' in cut)) return
        const meant = lexemes.filter(({ is }) => is !== 'space' && is !== 'remark')
        expect(cut.tokens.slice(0, -1).map(({ raw }) => raw)).toEqual(meant.map(({ raw }) => raw))
      },
    ),
    runs(2000),
  )
})

test('no text and no stored thing brings the reader down', () => {
  const bits = fc.constantFrom(
    '(',
    ')',
    'Note',
    '"',
    "'",
    ' AND ',
    ' NOT ',
    '=',
    '+',
    'CASE ',
    'WHEN ',
    ' END',
    '1',
    '.',
    ',',
    'COUNT',
    'x',
    ' IN ',
    '-- ',
  )
  const text = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 60 }),
    fc.array(bits, { maxLength: 25 }).map((all) => all.join('')),
  )
  fc.assert(
    fc.property(text, (source) => {
      const read = readExpression(book, visit, source)
      if ('problem' in read) {
        expect(wordProblem(read.problem).length).toBeGreaterThan(5)
        expect(read.at.start).toBeLessThanOrEqual(source.length)
      }
    }),
    runs(4000),
  )
  const kinds = fc.constantFrom('fact', 'binary', 'not', 'call', 'aggregate', 'case', 'literal')
  const { node } = fc.letrec<{ node: Json }>((tie) => ({
    node: fc.oneof(
      { depthSize: 'small' },
      fc.jsonValue() as fc.Arbitrary<Json>,
      fc.record({
        kind: kinds,
        type: fc.record({ is: fc.constantFrom('truth', 'text') }),
        of: tie('node'),
        left: tie('node'),
        right: tie('node'),
        field: fc.constantFrom('note', 'gone'),
        over: fc.constant([]),
        operator: fc.constantFrom('=', 'AND', 'x'),
        name: fc.constantFrom('UPPER', 'COUNT'),
        link: fc.constant('gone'),
        value: fc.constant('1'),
        args: fc.array(tie('node'), { maxLength: 2 }),
      }) as fc.Arbitrary<Json>,
    ),
  }))
  fc.assert(
    fc.property(node, (json) => void recheckStored(book, visit, json)),
    runs(2000),
  )
})
