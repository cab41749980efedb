import { describe, expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { table } from '@/tests/support/tables'
import { emptyBook, tableOf } from '../../book'
import { plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import { evaluate, readExpression } from '..'
import { functions } from './functions'
import { plainFacts } from './plain-facts'

const book = made(
  emptyBook('Test', plainLook),
  ...table(
    'Visit',
    'Note line',
    'Day date',
    'At time',
    ['Price money', { least: null as never }],
    'Flow measured',
    'Count whole',
    'Urgent tick',
    'Blank line',
  ),
)
const visit = tableOf(book, 'visit')
const facts = plainFacts(book, visit, {
  Note: ' Ökö 🐿️b',
  Day: '2024-02-29',
  At: '09:05',
  Price: '-12.35',
  Flow: '-2.5',
  Count: '7',
})
const read = (source: string) => readExpression(book, visit, source)

function compute(source: string): string | null {
  const found = read(source)
  if ('problem' in found) throw new Error(wordProblem(found.problem))
  if (!facts.ok) throw new Error(wordProblem(facts.problem))
  return evaluate(found.tree, facts.value, { moment: '2027-03-12T09:30' })
}

describe('a function gives', () => {
  test.each([
    ["UPPER('straße ö')", 'STRAßE Ö'],
    ["LOWER('ÅÉ İx')", 'åé İx'],
    ["TRIM('  a  b ')", 'a  b'],
    ['TRIM(Note)', 'Ökö 🐿️b'],
    ["CHAR_LENGTH('')", '0'],
    ["CHAR_LENGTH('🐿ab')", '3'],
    ["POSITION('b' IN 'ab🐿b')", '2'],
    ["POSITION('b' IN '🐿b')", '2'],
    ["POSITION('z' IN 'ab')", '0'],
    ["POSITION('' IN 'ab')", '1'],
    ["SUBSTRING('Otterby' FROM 3)", 'terby'],
    ["SUBSTRING('Otterby' FROM 3 FOR 2)", 'te'],
    ["SUBSTRING('Otterby' FROM 0 FOR 3)", 'Ot'],
    ["SUBSTRING('Otterby' FROM 8)", ''],
    ["SUBSTRING('Otterby' FROM 7 FOR 99)", 'y'],
    ["SUBSTRING('Otterby' FROM 3 FOR 0)", ''],
    ["SUBSTRING('Otterby' FROM 3 FOR -1)", ''],
    ["SUBSTRING('a🐿b' FROM 2 FOR 1)", '🐿'],
    ['ABS(Price)', '12.35'],
    ['ABS(5)', '5'],
    ['ABS(Flow)', '2.5'],
    ['MOD(7, 3)', '1'],
    ['MOD(-7, 3)', '-1'],
    ['MOD(7, -3)', '1'],
    ['MOD(7.5, 2)', '1.5'],
    ['MOD(7, 0.4)', '0.2'],
    ['MOD(7, 0)', null],
    ['ROUND(2.5)', '3'],
    ['ROUND(-2.5)', '-3'],
    ['ROUND(2.449, 1)', '2.4'],
    ['ROUND(2.45, 1)', '2.5'],
    ['ROUND(2.4, 5)', '2.4'],
    ['ROUND(Price, 1)', '-12.4'],
    ['CEILING(2.1)', '3'],
    ['CEILING(-2.9)', '-2'],
    ['CEILING(2)', '2'],
    ['FLOOR(2.9)', '2'],
    ['FLOOR(-2.1)', '-3'],
    ['FLOOR(-2)', '-2'],
    ['EXTRACT(YEAR FROM Day)', '2024'],
    ['EXTRACT(MONTH FROM Day)', '2'],
    ['EXTRACT(DAY FROM Day)', '29'],
    ['EXTRACT(HOUR FROM At)', '9'],
    ['EXTRACT(MINUTE FROM At)', '5'],
    ['UPPER(Blank)', null],
    ['MOD(Count, CHAR_LENGTH(Blank))', null],
  ])('%s: %s', (source, value) => {
    expect(compute(source)).toBe(value)
  })
})

describe('a function takes', () => {
  test.each([
    ['UPPER(Count)', 'UPPER needs text; this is a number.'],
    ['LOWER(Day)', 'LOWER needs text; this is a date.'],
    ['TRIM(Urgent)', 'TRIM needs text; this is yes or no.'],
    ["POSITION(Count IN 'a')", 'POSITION needs text; this is a number.'],
    ["POSITION('a' IN Count)", 'POSITION needs text; this is a number.'],
    ['SUBSTRING(Count FROM 1)', 'SUBSTRING needs text; this is a number.'],
    ["SUBSTRING('a' FROM 1.5)", 'SUBSTRING needs a whole number; this is a number.'],
    ["SUBSTRING('a' FROM 1 FOR Price)", 'SUBSTRING needs a whole number; this is a number.'],
    ["SUBSTRING('a' FROM 'b')", 'SUBSTRING needs a whole number; this is text.'],
    ["ABS('a')", 'ABS needs a number; this is text.'],
    ['MOD(Flow, 2)', 'MOD needs a number that isn’t measured; this is a measured number.'],
    ['MOD(2, Note)', 'MOD needs a number that isn’t measured; this is text.'],
    ['ROUND(Flow)', 'ROUND needs a number that isn’t measured; this is a measured number.'],
    ['ROUND(1.5, Count)', 'ROUND needs a whole number that is written out, such as 2.'],
    ['ROUND(1.5, 0.5)', 'ROUND needs a whole number that is written out, such as 2.'],
    ['CEILING(Note)', 'CEILING needs a number that isn’t measured; this is text.'],
    ['FLOOR(Day)', 'FLOOR needs a number that isn’t measured; this is a date.'],
    ['EXTRACT(YEAR FROM At)', 'EXTRACT needs a date; this is a time.'],
    ['EXTRACT(HOUR FROM Day)', 'EXTRACT needs a time; this is a date.'],
    ['EXTRACT(MINUTE FROM Note)', 'EXTRACT needs a time; this is text.'],
  ])('%s is refused', (source, words) => {
    const found = read(source)
    expect('problem' in found ? wordProblem(found.problem) : 'taken').toBe(words)
  })
  test.each(
    Object.entries(functions).flatMap(([name, { least, most }]): [string, number][] =>
      name.startsWith('EXTRACT') || name === 'POSITION' || name === 'SUBSTRING'
        ? []
        : [
            [name, least - 1],
            [name, most + 1],
          ],
    ),
  )('%s is refused with %i', (name, count) => {
    expect(read(`${name}(${Array.from({ length: count }, () => '1').join(', ')})`)).toHaveProperty('problem')
  })
})

describe('what a function gives has room for every value', () => {
  const typeOf = (source: string) => {
    const found = read(source)
    return 'tree' in found ? found.tree.type : found
  }
  test.each([
    ['MOD(123.4, 5.678)', { is: 'exact', whole: 3, scale: 3 }],
    ['ROUND(99.95, 1)', { is: 'exact', whole: 3, scale: 1 }],
    ['ROUND(99.95)', { is: 'exact', whole: 3, scale: 0 }],
    ['CEILING(9.5)', { is: 'exact', whole: 2, scale: 0 }],
    ['ABS(Flow)', { is: 'measured' }],
    ['CHAR_LENGTH(Note)', { is: 'exact', whole: 10, scale: 0 }],
    ['EXTRACT(YEAR FROM Day)', { is: 'exact', whole: 4, scale: 0 }],
    ["SUBSTRING('a' FROM 1)", { is: 'text' }],
    ['1.25 * 2.5', { is: 'exact', whole: 2, scale: 3 }],
    ['1.25 + 22.5', { is: 'exact', whole: 3, scale: 2 }],
    ['1.25 / 2.5', { is: 'exact', whole: 3, scale: 6 }],
    ['Price * Flow', { is: 'measured' }],
    ['Count + Flow', { is: 'measured' }],
    ["Day - DATE '2024-01-01'", { is: 'exact', whole: 7, scale: 0 }],
    ["Day + INTERVAL '1' DAY", { is: 'date' }],
    ["Note || ' ' || Count", { is: 'text' }],
    ['Count > 3 AND Urgent', { is: 'truth' }],
    ['NULL + 1', { is: 'nothing' }],
  ])('%s', (source, type) => {
    expect(typeOf(source)).toMatchObject(type)
  })
})

test('every function says how it is written and what it gives', () => {
  for (const [name, { form, says }] of Object.entries(functions)) {
    expect(form).toContain(name.split(' ')[0])
    expect(says.length).toBeGreaterThan(10)
  }
})
