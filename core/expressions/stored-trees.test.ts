import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Edit, emptyBook, tableOf } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { wordProblem } from '@/core/words'
import { tie } from '@/tests/support/edits'
import type { Json } from '@/core/words'
import { made } from '@/tests/support/made'
import { anything, computedDesign, truth } from '@/tests/support/random-expressions'
import { readExpression, recheckStored, showExpression, storeTree } from '.'
import { storedTree } from './check/stored-tree'
import { atLeast, runs } from '@/tests/support/runs'

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
    runs(3000),
  )
  expect(sound).toBeGreaterThan(atLeast(1000))
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

describe('rows that lead here by two links', () => {
  const after = made(book, tie('job', 'line', { link: 'second', field: 'line-second' }), {
    kind: 'changeField',
    field: 'line-second',
    to: { name: 'Charged to' },
  })
  const job = tableOf(after, 'job')
  const read = (source: string) => readExpression(after, job, source)
  const linkOfRead = (source: string) => {
    const made = read(source)
    return 'tree' in made && made.tree.kind === 'aggregate' ? made.tree.link : undefined
  }

  test('which they are is said by the link', () => {
    expect(linkOfRead('COUNT("Work line" BY "Charged to")')).toBe('second')
    expect(linkOfRead('SUM("Work line".Amount by job) FILTER (WHERE "Work line".Extra)')).toBe('job-line')
  })

  test('without the link it is asked for, and what is no link of theirs is marked', () => {
    expect(wordsOf(read('COUNT("Work line")'))).toBe(
      'Work line is linked to Job by Job and Charged to. Write by which before the bracket closes, such as BY "Job".',
    )
    const wrong = 'COUNT("Work line" BY Amount)'
    expect(read(wrong)).toMatchObject({ problem: { kind: 'rows-not-by' }, at: { start: 21, end: 27 } })
    expect(wordsOf(read(wrong))).toContain('isn’t linked to Job by a field “Amount”, but by Job and Charged to')
    expect(wordsOf(read('COUNT("Work line" BY )'))).toBe('Write the name of a link after BY.')
  })

  test.each([
    'COUNT("Work line")',
    'SUM("Work line".Amount) FILTER (WHERE "Work line".Extra)',
    'COUNT("Work line".Day) > 2',
  ])('what was stored before the second came, %s, is written with its own link, and reads as the same', (source) => {
    const tree = storedTree(after, stored(source))!
    const written = showExpression(after, tree)
    expect(written).toContain(' BY Job)')
    const again = read(written)
    expect('tree' in again && storeTree(again.tree)).toEqual(storeTree(tree))
  })

  test('a field may still be called By without quotes', () => {
    const named = made(after, { kind: 'changeField', field: 'line-amount', to: { name: 'By' } })
    const again = readExpression(named, tableOf(named, 'job'), 'SUM("Work line".By BY "Charged to")')
    expect(again).toHaveProperty('tree')
  })
})

test('where one link leads there, it may be said, and is left out when it is written', () => {
  const read = readExpression(book, tableOf(book, 'job'), 'COUNT("Work line" BY Job)')
  expect('tree' in read && showExpression(book, read.tree)).toBe('COUNT("Work line")')
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
    runs(8000),
  )
  expect(taken).toBeGreaterThan(atLeast(200))
})
