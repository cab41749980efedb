import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { tie } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import { type Edit, emptyBook, tableOf } from '../book'
import { plainLook } from '../kinds'
import { type Json, wordProblem } from '../words'
import { dependenciesOf, evaluate, readExpression, showExpression } from '.'
import { plainFacts } from './run/plain-facts'

const link = (one: string, many: string) => tie(one, many, { link: `${one}-${many}`, field: `${many}-of-${one}` })
const field = (table: string, name: string, holds: string): Edit =>
  ({ kind: 'addField', table, id: `${table}-${name.toLowerCase().replaceAll(' ', '-')}`, name, holds }) as Edit

const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'premises', name: 'Premises', keyField: 'premises-key' },
  field('premises', 'Town', 'line'),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  ...[
    'Lent on:date',
    'Returned on:date',
    'Price:money',
    'Note:line',
    'Urgent:tick',
    'At:time',
    'State:choice',
    'Picture:file',
  ].map((one) => field('visit', ...(one.split(':') as [string, string]))),
  {
    kind: 'changeField',
    field: 'visit-state',
    to: { choices: ['booked', 'done'].map((word) => ({ id: word, word })) },
  },
  { kind: 'addTable', id: 'line', name: 'Work line', keyField: 'line-key' },
  field('line', 'Amount', 'money'),
  field('line', 'Extra', 'tick'),
  link('premises', 'visit'),
  link('visit', 'line'),
)
const visit = tableOf(book, 'visit')
const record: Json = {
  'Lent on': '2024-01-31',
  Price: '10.00',
  Note: 'Oak',
  Premises: { Town: 'Otterby' },
  'Work line': [{ Amount: '1.25' }, { Amount: '2.50', Extra: true }, {}],
  State: 'booked',
}
const facts = plainFacts(book, visit, record)
const now = { moment: '2027-03-12T09:30' }

function compute(source: string): string | null {
  const read = readExpression(book, visit, source)
  if ('problem' in read) throw new Error(wordProblem(read.problem))
  if (!facts.ok) throw new Error('Expected the record.')
  return evaluate(read.tree, facts.value, now)
}

const page = readFileSync(new URL('../../docs/expressions.md', import.meta.url), 'utf8')
const examples = [...page.matchAll(/^\| `(.+?)`\s*\|\s*(.*?)\s*\|$/gm)].map(
  ([, source, gives]) => [source!.replaceAll('\\|', '|'), gives!] as const,
)

test('the page of examples has them all, and the record they are computed on', () => {
  expect(examples.length).toBeGreaterThan(35)
  expect(JSON.parse(/```json\n([\s\S]+?)```/.exec(page)![1]!)).toEqual(record)
})

test.each(examples)('%s gives %s', (source, gives) => {
  expect(compute(source)).toBe({ yes: '1', no: '0', '': null }[gives] ?? (gives === '' ? null : gives))
})

test.each([
  ['NOT "Returned on" >= "Lent on"', null],
  ['FALSE AND "Returned on" >= "Lent on"', '0'],
  ['1 + 2 * 3 - 4', '3'],
  ['(1 + 2) * 3', '9'],
  ['COUNT("Work line".Amount)', '2'],
  [`MAX("Work line".Amount) FILTER (WHERE "Work line".Amount < 0)`, null],
  [`'Oak ' LIKE 'oak'`, '0'],
  [`SUBSTRING('Otterby' FROM 0 FOR 3)`, 'Ot'],
  ['Premises IS NULL', '0'],
  ['Picture IS NULL', '1'],
  ['price BETWEEN 5 AND 10 -- capitals don’t matter in names', '1'],
])('%s is %s', (source, value) => {
  expect(compute(source)).toBe(value)
})

test.each([
  ['', 0, 'Nothing is written yet. Write an expression, such as a field’s name. The expression ends too early.'],
  ['Prise > 5', 0, 'Visit has no field “Prise”. Did you mean Price?'],
  ['Price > ', 8, 'A field, a number or a text is missing here. The expression ends too early.'],
  ['Price > 5 5', 10, '“5” is one too many here.'],
  ['Price > #', 8, '“#” has no meaning here.'],
  ['"Price', 0, 'The name that begins here has no closing " mark.'],
  ['(Price > 5', 10, '“)” is missing here. The expression ends too early.'],
  ['Note > Price', 0, 'Text can’t be compared with a number.'],
  ["Note > 'a'", 0, 'Texts can be the same or not, or look alike (LIKE), but none is greater than another.'],
  [`"Lent on" = '2024-01-31'`, 0, 'A date can’t be compared with text. A date is written DATE ’2024-01-31’.'],
  ['"Lent on" + 14', 0, 'To a date an interval is added: + INTERVAL ’14’ DAY.'],
  ["DATE '2023-02-29'", 0, '“2023-02-29” is no such date. It is written DATE ’2027-03-12’.'],
  ['SUM("Work line".Extra)', 4, 'Extra is yes or no; SUM needs a number.'],
  ['SUM(Amount)', 4, 'No rows of “Amount” are linked to Visit. Work line is.'],
  ['SUM("Work lines".Amount)', 4, 'No rows of “Work lines” are linked to Visit. Did you mean Work line?'],
  ['Premises = 1', 0, 'Premises is a link. Write which field of it is meant, such as Premises.Premises number.'],
  ['Premises.Twon', 0, 'Premises has no field “Twon”. Did you mean Town?'],
  ['Note.Town', 0, 'Note of Visit is linked to nothing yet, so nothing can follow the point after it.'],
  ["State = 'bookd'", 8, 'State has no choice “bookd”. Did you mean booked?'],
  ['UPER(Note)', 0, 'There is no function UPER. Did you mean UPPER?'],
  ['UPPER(Price)', 6, 'UPPER needs text; this is a number.'],
  ['NOT Price', 4, 'NOT needs something that is true or not; this is a number.'],
  ['Price AND Urgent', 0, 'AND joins what is true or not; this is a number.'],
  ['Price + Note', 8, '+ calculates with numbers; this is text. Texts are joined with ||.'],
  ["At + INTERVAL '1' HOUR", 0, 'An interval goes with a date; this is a time.'],
  [`"Lent on" + INTERVAL '1' HOUR`, 12, 'A date has no hours. CAST it AS TIMESTAMP first, or count days.'],
  ["CASE WHEN Urgent THEN 1 ELSE 'two' END", 29, 'This is text, but what it stands with is a number.'],
  [
    'Price * Price * Price * Price * Price',
    0,
    'The number could have more than 65 digits. ROUND or CAST its parts first.',
  ],
  [
    'CAST(Price AS DECIMAL(5,2))',
    0,
    'The number may have 12 digits before the point, more than fit. Write DECIMAL(15,2).',
  ],
  ['ROUND(Price, Price)', 13, 'ROUND needs a whole number that is written out, such as 2.'],
])('%s is refused at %i with words', (source, start, words) => {
  const read = readExpression(book, visit, source)
  expect('problem' in read && { start: read.at.start, words: wordProblem(read.problem) }).toEqual({ start, words })
})

test.each([
  ['deep brackets', '('.repeat(10_000) + '1' + ')'.repeat(10_000)],
  ['deep signs', '- '.repeat(9_000) + '1'],
  ['many NOTs', 'NOT '.repeat(4_000) + 'TRUE'],
  ['a long chain', '1' + ' + 1'.repeat(4_000)],
  ['a megabyte', 'x'.repeat(1_000_000)],
  ['many marks', "'".repeat(19_999)],
  ['nested cases', 'CASE WHEN TRUE THEN '.repeat(900) + '1' + ' END'.repeat(900)],
  ['all bytes', Array.from({ length: 256 }, (_, at) => String.fromCharCode(at)).join('')],
])('%s get a problem, at once', (_what, source) => {
  expect('problem' in readExpression(book, visit, source)).toBe(true)
})

test('names follow what they name', () => {
  const read = readExpression(book, visit, 'Premises.Town || Note')
  if ('problem' in read) throw new Error(wordProblem(read.problem))
  const renamed = made(book, { kind: 'changeField', field: 'premises-town', to: { name: 'Village or town' } })
  expect(showExpression(renamed, read.tree)).toBe('Premises."Village or town" || Note')
  expect([...dependenciesOf(read.tree)].sort()).toEqual(['premises-town', 'visit-note', 'visit-of-premises'])
})

test('a record that isn’t one is refused in words', () => {
  expect(plainFacts(book, visit, { Prize: '1' })).toMatchObject({ problem: { words: 'Visit has no “Prize”.' } })
  expect(plainFacts(book, visit, [])).toMatchObject({ ok: false })
  expect(plainFacts(book, visit, { Price: 'ten' })).toMatchObject({ ok: false })
})
