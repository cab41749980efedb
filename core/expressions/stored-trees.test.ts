import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type Edit, emptyBook, tableOf } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { wordProblem } from '@/core/words'
import { tie } from '@/tests/support/edits'
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
    { kind: 'binary', type: { is: 'truth' }, operator: '; DROP', left: fact, right: fact },
  ])
    expect(wordsOf(recheckStored(book, job, json))).toContain('no longer there')
})
