import { expect, test } from 'vitest'
import { tableOf } from '@/core/book'
import { wordProblem } from '@/core/words'
import { emberlyDesign } from '@/demo/emberly/design'
import { paintsOf, readExpression, tryOnSpecimen, wordsOffered } from '..'

const { book } = emberlyDesign()
const visit = tableOf(book, 'visit')
const now = { moment: '2027-03-12T09:30' }

test('everything offered by its name can be read as it is written', () => {
  for (const table of book.tables)
    for (const { written, is } of wordsOffered(book, table)) {
      if (is === 'fact' || is === 'rows')
        expect([written, readExpression(book, table, written)]).toMatchObject([written, { tree: {} }])
    }
})

test('names over rows begin with those of the rows, and choices are texts', () => {
  const over = wordsOffered(book, tableOf(book, 'work-line'), 'Work line')
  expect(over.find(({ is }) => is === 'fact')!.written).toMatch(/^"Work line"\./)
  expect(wordsOffered(book, visit)).toContainEqual(
    expect.objectContaining({ label: "'done'", written: "'done'", says: 'a choice of State' }),
  )
})

test('each part has its colour, also where it is half written', () => {
  const source = `SUM("Work line".Amount) > 2.5 AND State = 'do -- so far`
  expect(paintsOf(source).map(({ start, end, paint }) => [source.slice(start, end), paint])).toEqual([
    ['SUM', 'function'],
    ['"Work line"', 'name'],
    ['Amount', 'name'],
    ['2.5', 'number'],
    ['AND', 'word'],
    ['State', 'name'],
    [`'do -- so far`, 'text'],
  ])
  expect(paintsOf('1 -- so\n2').map(({ paint }) => paint)).toEqual(['number', 'remark', 'number'])
})

test('an expression is tried on a made-up record, with what it looked at', () => {
  const read = readExpression(book, visit, `COALESCE(Paid, 0) <= "Bill total" AND Premises.Town = 'Otterby'`)
  if ('problem' in read) throw new Error(wordProblem(read.problem))
  const tried = tryOnSpecimen(book, visit, read.tree, now)
  expect(tried.facts.map(({ name }) => name)).toEqual(['Paid', 'Bill total'])
  expect(tried.facts.every(({ shown }) => /^\d+\.\d\d$/.test(shown))).toBe(true)
  expect(['0', '1']).toContain(tried.value)
})

test('every derived fact of the demo gives something on a made-up record, or is blank', () => {
  for (const table of book.tables)
    for (const field of table.fields) {
      const read = readExpression(book, table, `"${field.name}"`)
      if ('tree' in read) expect(() => tryOnSpecimen(book, table, read.tree, now)).not.toThrow()
    }
})
