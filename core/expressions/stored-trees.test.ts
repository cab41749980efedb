import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type Edit, emptyBook, tableOf } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { wordProblem } from '@/core/words'
import { tie } from '@/tests/support/edits'
import type { Json } from '@/core/words'
import { made } from '@/tests/support/made'
import { anything, computedDesign, truth } from '@/tests/support/random-expressions'
import { readExpression, recheckStored, showExpression, storeTree } from '.'

const book = made(emptyBook('Computing', plainLook), ...computedDesign)
const job = tableOf(book, 'job')

test('an expression is the same when its text is read again, and when it is stored and checked anew', () => {
  let sound = 0
  fc.assert(
    fc.property(fc.oneof(anything, truth), (source) => {
      const first = readExpression(book, job, source)
      if ('problem' in first) return
      sound++
      expect(readExpression(book, job, showExpression(book, first.tree))).toEqual(first)
      expect(recheckStored(book, job, storeTree(first.tree))).toEqual(first)
    }),
    { numRuns: 3000 },
  )
  expect(sound).toBeGreaterThan(1000)
})

const wordsOf = (read: ReturnType<typeof recheckStored>) => ('problem' in read ? wordProblem(read.problem) : '')

const stored = (source: string) => {
  const read = readExpression(book, job, source)
  if ('problem' in read) throw new Error(wordProblem(read.problem))
  return storeTree(read.tree)
}

test.each<readonly [what: string, source: string, edit: Edit, words: string]>([
  ['a field', 'Price * 2', { kind: 'removeField', field: 'job-price' }, 'no longer there'],
  [
    'the kind of one',
    'Price * 2',
    { kind: 'changeField', field: 'job-price', to: { kind: 'line' } },
    'calculates with numbers',
  ],
])('once %s has changed, what was stored says what is wrong', (_, source, edit, words) => {
  const tree = stored(source)
  const after = made(book, edit)
  expect(wordsOf(recheckStored(after, tableOf(after, 'job'), tree))).toContain(words)
})

test('a stored tree knows its rows by their link, also where a second link leads there', () => {
  const tree = stored('COUNT("Work line")')
  const after = made(book, tie('job', 'line', { link: 'second', field: 'line-second' }))
  expect(recheckStored(after, tableOf(after, 'job'), tree)).toHaveProperty('tree')
})

test('a tree over another table’s fields is refused, though each of them is there', () => {
  const tree = stored('COUNT("Work line")')
  expect(wordsOf(recheckStored(book, tableOf(book, 'house'), tree))).toContain(
    'No rows of “Work line” are linked to House',
  )
  expect(wordsOf(recheckStored(book, tableOf(book, 'line'), stored('Price > 1')))).toContain(
    'Work line has no field “Price”',
  )
})

test('what is no tree is none, however deep it goes', () => {
  const deep = JSON.parse(`${'{"kind":"not","type":{"is":"truth"},"of":'.repeat(200_000)}null${'}'.repeat(200_000)}`)
  const fact = { kind: 'fact', type: { is: 'date' }, over: [], field: 'job-done' }
  for (const json of [
    deep,
    { ...fact, over: 'job-of' },
    { ...fact, type: { is: 'toString' } },
    { kind: 'constructor', type: { is: 'date' } },
    { kind: 'shift', type: { is: 'date' }, of: fact, count: 1.5, unit: 'DAY' },
    { kind: 'shift', type: { is: 'date' }, of: fact, count: 1e21, unit: 'DAY' },
    { kind: 'in', type: { is: 'truth' }, of: fact, among: [] },
    { kind: 'case', type: { is: 'date' }, whens: [] },
    { kind: 'like', type: { is: 'truth' }, of: fact, pattern: fact, escape: 'ab' },
    { kind: 'cast', type: { is: 'exact', whole: '1)) OR SLEEP(9', scale: 0 }, of: fact },
    { kind: 'cast', type: { is: 'exact', whole: 5, scale: '0)' }, of: fact },
    { kind: 'cast', type: { is: 'exact', whole: 5 }, of: fact },
    { kind: 'call', type: { is: 'date' }, name: 'COALESCE', args: Array.from({ length: 6000 }, () => fact) },
    { kind: 'binary', type: { is: 'truth' }, operator: '; DROP', left: fact, right: fact },
  ])
    expect(wordsOf(recheckStored(book, job, json))).toContain('no longer there')
})

test('a stored call of what every object has is a function that isn’t there', () => {
  for (const name of ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'upper'])
    expect(recheckStored(book, job, { kind: 'call', type: { is: 'text' }, name, args: [] })).toMatchObject({
      problem: { kind: 'no-such-function' },
    })
})

test('whatever is stored, what is taken of it is what a text could say', () => {
  const type = fc.oneof(
    fc.constantFrom({ is: 'truth' }, { is: 'text' }, { is: 'date' }, { is: 'nothing' }, { is: 'constructor' }),
    fc.record({
      is: fc.constant('exact'),
      whole: fc.oneof(fc.nat(70), fc.string()),
      scale: fc.oneof(fc.nat(40), fc.string()),
    }),
  )
  const value = fc.constantFrom('1', '2.50', '-3', '2027-03-12', '09:30', '2027-02-30', "it's", '', null)
  const { node } = fc.letrec<{ node: Json }>((tie) => {
    const of = tie('node')
    const some = { depthSize: 'small' } as const
    const made = (kind: string, parts: Record<string, fc.Arbitrary<unknown>>) =>
      fc.record({ kind: fc.constant(kind), type, ...parts }) as fc.Arbitrary<Json>
    return {
      node: fc.oneof(
        some,
        made('literal', { value }),
        made('fact', {
          over: fc.constantFrom([], [], ['job-of'], ['job-name']),
          field: fc.constantFrom(
            'job-name',
            'job-price',
            'job-done',
            'job-at',
            'job-urgent',
            'job-of',
            'house-town',
            'line-amount',
            'gone',
          ),
        }),
        made('not', { of }),
        made('minus', { of }),
        made('binary', { operator: fc.constantFrom('+', '-', '/', '||', '=', '<', 'AND', 'x'), left: of, right: of }),
        made('shift', { of, count: fc.constantFrom(3, -2, 0, 1e7), unit: fc.constantFrom('DAY', 'HOUR', 'WEEK') }),
        made('days', { left: of, right: of }),
        made('in', { of, among: fc.array(of, { maxLength: 2 }) }),
        made('like', { of, pattern: of, escape: fc.constantFrom('', '!', 'ab') }),
        made('isNull', { of }),
        made('case', { whens: fc.array(fc.tuple(of, of), { maxLength: 2 }) }),
        made('call', {
          name: fc.constantFrom('UPPER', 'ROUND', 'COALESCE', 'CURRENT_DATE', 'constructor'),
          args: fc.array(of, { maxLength: 2 }),
        }),
        made('cast', { of }),
        made('aggregate', {
          name: fc.constantFrom('COUNT', 'SUM', 'x'),
          link: fc.constantFrom('job-line', 'house-job'),
          of,
        }),
      ),
    }
  })
  let taken = 0
  fc.assert(
    fc.property(node, (json) => {
      const made = recheckStored(book, job, json)
      if ('problem' in made) return
      taken++
      expect(readExpression(book, job, showExpression(book, made.tree))).toEqual(made)
    }),
    { numRuns: 8000 },
  )
  expect(taken).toBeGreaterThan(200)
})
