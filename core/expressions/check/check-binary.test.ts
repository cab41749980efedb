import { describe, expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { table } from '@/tests/support/tables'
import { emptyBook, tableOf } from '../../book'
import { plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import { readExpression, type Type } from '..'

const book = made(
  emptyBook('Test', plainLook),
  ...table(
    'Visit',
    'Note line',
    'Day date',
    'At time',
    'Moment dateTime',
    'Price money',
    'Flow measured',
    'Urgent tick',
  ),
)
const visit = tableOf(book, 'visit')
const read = (source: string) => readExpression(book, visit, source)

/** One of each type. */
const parts = {
  text: 'Note',
  date: 'Day',
  time: 'At',
  moment: 'Moment',
  exact: 'Price',
  measured: 'Flow',
  truth: 'Urgent',
  nothing: 'NULL',
} as const satisfies Record<Type['is'], string>
type Is = keyof typeof parts
const all = Object.keys(parts) as Is[]
const pairs = all.flatMap((left) => all.map((right) => [left, right] as const))

/** What two types give by an operator; nothing where it can't join them. */
type Giving = (left: Is, right: Is) => Is | undefined
const isNumber = (is: Is) => is === 'exact' || is === 'measured'
const oneOf = (left: Is, right: Is, ...of: Is[]) => of.includes(left) && of.includes(right)

const calculates: Giving = (left, right) => {
  if (!oneOf(left, right, 'exact', 'measured', 'nothing')) return undefined
  if (left === 'nothing' || right === 'nothing') return 'nothing'
  return left === 'measured' || right === 'measured' ? 'measured' : 'exact'
}
const areAlike: Giving = (left, right) =>
  left === right || left === 'nothing' || right === 'nothing' || (isNumber(left) && isNumber(right))
    ? 'truth'
    : undefined
const unordered: readonly Is[] = ['text', 'truth']
const rules: Readonly<Record<string, Giving>> = {
  '+': calculates,
  '*': calculates,
  '/': calculates,
  '-': (left, right) => (left === 'date' && right === 'date' ? 'exact' : calculates(left, right)),
  '=': areAlike,
  '<>': areAlike,
  '<': (left, right) => (unordered.includes(left) || unordered.includes(right) ? undefined : areAlike(left, right)),
  '>=': (left, right) => (unordered.includes(left) || unordered.includes(right) ? undefined : areAlike(left, right)),
  AND: (left, right) => (oneOf(left, right, 'truth', 'nothing') ? 'truth' : undefined),
  OR: (left, right) => (oneOf(left, right, 'truth', 'nothing') ? 'truth' : undefined),
  '||': (left, right) => ([left, right].some((is) => is === 'truth' || is === 'measured') ? undefined : 'text'),
}

test.each(Object.entries(rules))('%s joins what fits together, and nothing else', (operator, gives) => {
  for (const [left, right] of pairs) {
    const found = read(`${parts[left]} ${operator} ${parts[right]}`)
    expect([left, right, 'tree' in found ? found.tree.type.is : undefined]).toEqual([left, right, gives(left, right)])
  }
})

describe('what doesn’t fit is told where it stands', () => {
  test.each([
    ["Price = '5'", 'A number can’t be compared with text. A number stands without marks around it.'],
    ["'5' = Price", 'Text can’t be compared with a number. A number stands without marks around it.'],
    ["Price = 'five'", 'A number can’t be compared with text.'],
    ["At = '09:00'", 'A time can’t be compared with text. A time is written TIME ’09:00’.'],
    ["Moment = '2027-03-12 09:00'", 'can’t be compared with text'],
    ['Urgent > Urgent', 'Yes and no can be the same or not'],
    ['Urgent = 1', 'can’t be compared with a number'],
    ['Day + 1', 'To a date an interval is added'],
    ['Moment - Day', 'calculates with numbers'],
    ['Flow || Note', 'measured'],
    ['Price OR Urgent', 'OR joins what is true or not; this is a number.'],
    ['Urgent AND Note', 'AND joins what is true or not; this is text.'],
    ["At + INTERVAL '1' DAY", 'An interval goes with a date; this is a time.'],
    ["Note + INTERVAL '1' DAY", 'An interval goes with a date; this is text.'],
    ["Day + INTERVAL '1' MINUTE", 'A date has no hours. CAST it AS TIMESTAMP first'],
  ])('%s', (source, words) => {
    const found = read(source)
    expect('problem' in found ? wordProblem(found.problem) : 'taken').toContain(words)
  })
  test('at the part that is wrong', () => {
    const at = (source: string) => {
      const found = read(source)
      return 'at' in found ? source.slice(found.at.start, found.at.end) : 'taken'
    }
    expect([
      at('Urgent AND Note'),
      at('Note OR Urgent'),
      at('Price * At'),
      at('At * Price'),
      at('Note || Flow'),
    ]).toEqual(['Note', 'Note', 'At', 'At', 'Flow'])
  })
})

describe('a number has room for every result, or is refused', () => {
  const type = (source: string) => {
    const found = read(source)
    return 'tree' in found && found.tree.type.is === 'exact'
      ? [found.tree.type.whole, found.tree.type.scale]
      : undefined
  }
  test.each<readonly [string, readonly [whole: number, scale: number]]>([
    ['10.5 + 2.25', [3, 2]],
    ['10.5 - 2.25', [3, 2]],
    ['10.5 * 2.25', [3, 3]],
    ['10.5 / 2.25', [5, 6]],
    ['10.12345678 / 2', [3, 8]],
    ['COALESCE(10.5, 2.25)', [2, 2]],
    ['CASE WHEN Urgent THEN 100 ELSE 0.125 END', [3, 3]],
  ])('%s', (source, room) => {
    expect(type(source)).toEqual(room)
  })
  test('up to 65 digits', () => {
    const long = (digits: number) => '9'.repeat(digits)
    expect(type(`${long(32)} * ${long(33)}`)).toEqual([65, 0])
    expect(type(`${long(33)} * ${long(33)}`)).toBe(undefined)
    // A number that is written out has at most 40.
    expect(type(long(40))).toEqual([40, 0])
    expect(type(long(41))).toBe(undefined)
    // Dividing takes ten more.
    expect(type(`${long(20)} * ${long(35)} / 3`)).toEqual([56, 6])
    expect(type(`${long(20)} * ${long(36)} / 3`)).toBe(undefined)
  })
})
