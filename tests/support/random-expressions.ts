import fc from 'fast-check'
import type { Edit } from '@/core/book'
import type { Facts } from '@/core/expressions'
import { field as fieldEdits, tie } from './edits'

const field = (table: string, name: string, holds: string, to?: object) =>
  fieldEdits(table, `${table}-${name.toLowerCase().replaceAll(' ', '-')}`, name, holds, to)
const link = (one: string, many: string) => tie(one, many, { link: `${one}-${many}`, field: `${many}-of` })

/** Houses, jobs done there, and the lines of each job. */
export const computedDesign: Edit[] = [
  { kind: 'addTable', id: 'house', name: 'House', keyField: 'house-key' },
  ...field('house', 'Town', 'line'),
  ...field('house', 'Floors', 'whole'),
  { kind: 'addTable', id: 'job', name: 'Job', keyField: 'job-key' },
  ...field('job', 'Name', 'line'),
  ...field('job', 'Note', 'passage'),
  ...field('job', 'Number of visits', 'whole'),
  ...field('job', 'Price', 'money', { least: null }),
  ...field('job', 'Share', 'exact', { digits: 6, decimals: 5 }),
  ...field('job', 'Weight', 'measured'),
  ...field('job', 'Begun', 'date'),
  ...field('job', 'Done', 'date'),
  ...field('job', 'At', 'time'),
  ...field('job', 'Booked for', 'dateTime'),
  ...field('job', 'Urgent', 'tick'),
  { kind: 'addTable', id: 'line', name: 'Work line', keyField: 'line-key' },
  ...field('line', 'Amount', 'exact', { digits: 6, decimals: 2 }),
  ...field('line', 'Day', 'date'),
  ...field('line', 'Extra', 'tick'),
  link('house', 'job'),
  link('job', 'line'),
]

export type Row = Record<string, string | null>
/** A job with its house, if it has one, and its lines. */
export interface World {
  readonly house: Row | null
  readonly job: Row
  readonly lines: readonly Row[]
}

const maybe = <T>(one: fc.Arbitrary<T>) => fc.option(one, { freq: 4 })
const number = (whole: number, scale: number) =>
  fc
    .tuple(
      fc.bigInt({ min: -(10n ** BigInt(whole + scale)) + 1n, max: 10n ** BigInt(whole + scale) - 1n }),
      fc.boolean(),
    )
    .map(([digits, small]) => {
      const value = small ? digits % 1000n : digits
      const text = String(value < 0n ? -value : value).padStart(scale + 1, '0')
      return `${value < 0n ? '-' : ''}${scale === 0 ? text : `${text.slice(0, -scale)}.${text.slice(-scale)}`}`
    })
const letter = fc.constantFrom(...'aAbBzZéÉèßœ5 0-_%\\\'".,ñÑçø🔥👍日'.split(/(?:)/u))
const words = fc.array(letter, { maxLength: 8 }).map((letters) => letters.join(''))
// A field holds no blank text.
const filled = words.filter((text) => text.trim() !== '')
const day = fc.oneof(
  fc.constantFrom('2024-02-29', '2023-02-28', '2027-01-31', '1999-12-31', '2000-01-01', '1900-03-01'),
  fc
    .date({ min: new Date('1980-01-01'), max: new Date('2060-12-31'), noInvalidDate: true })
    .map((date) => date.toISOString().slice(0, 10)),
)
const time = fc
  .tuple(fc.nat(23), fc.nat(59))
  .map((parts) => parts.map((part) => String(part).padStart(2, '0')).join(':'))

export const world: fc.Arbitrary<World> = fc.record({
  house: maybe(fc.record({ 'house-town': maybe(filled), 'house-floors': maybe(number(3, 0)) })),
  job: fc.record({
    'job-name': maybe(filled),
    'job-note': maybe(filled),
    'job-number-of-visits': maybe(number(4, 0)),
    'job-price': maybe(number(8, 2)),
    'job-share': maybe(number(6, 5)),
    'job-weight': maybe(fc.integer({ min: -4000, max: 4000 }).map((n) => String(n / 8))),
    'job-begun': maybe(day),
    'job-done': maybe(day),
    'job-at': maybe(time),
    'job-booked-for': maybe(fc.tuple(day, time).map((parts) => parts.join('T'))),
    'job-urgent': fc.constantFrom('0', '1'),
  }),
  lines: fc.array(
    fc.record({ 'line-amount': maybe(number(6, 2)), 'line-day': maybe(day), 'line-extra': fc.constantFrom('0', '1') }),
    { maxLength: 4 },
  ),
})

const quoted = (text: string) => `'${text.replaceAll("'", "''")}'`

/** Expressions of each type, as people could write them. */
export const { truth, anything } = fc.letrec<Record<'num' | 'text' | 'date' | 'moment' | 'truth' | 'anything', string>>(
  (tie) => {
    const [num, text, date, moment, truth] = (['num', 'text', 'date', 'moment', 'truth'] as const).map((name) =>
      tie(name),
    ) as [fc.Arbitrary<string>, fc.Arbitrary<string>, fc.Arbitrary<string>, fc.Arbitrary<string>, fc.Arbitrary<string>]
    const f = (template: string, ...parts: fc.Arbitrary<string>[]) =>
      fc
        .tuple(...parts)
        .map((values) => values.reduce((whole, value, at) => whole.replaceAll(`$${at + 1}`, () => value), template))
    const cases = (of: fc.Arbitrary<string>) =>
      fc.oneof(
        f('CASE WHEN $1 THEN $2 ELSE $3 END', truth, of, of),
        f('CASE WHEN $1 THEN $2 END', truth, of),
        f('COALESCE($1, $2)', of, of),
        f('NULLIF($1, $2)', of, of),
      )
    const grow = { depthSize: 'small', withCrossShrink: true } as const
    return {
      num: fc.oneof(
        grow,
        fc.constantFrom(
          '"Number of visits"',
          'Price',
          'Share',
          'House.Floors',
          'COUNT("Work line")',
          'SUM("Work line".Amount)',
          '0',
          '1',
          '7',
          '0.5',
          '12.345',
        ),
        f('($1 + $2)', num, num),
        f('($1 - $2)', num, num),
        f('($1 * $2)', num, num),
        f('($1 / $2)', num, num),
        f('(-($1))', num),
        f('MOD($1, $2)', num, num),
        f('ROUND($1, 1)', num),
        f('ROUND($1)', num),
        f('ABS($1)', num),
        f('CEILING($1)', num),
        f('FLOOR($1)', num),
        f('CHAR_LENGTH($1)', text),
        f('POSITION(($1) IN $2)', text, text),
        f('($1 - $2)', date, date),
        f('EXTRACT(MONTH FROM $1)', date),
        f('EXTRACT(HOUR FROM $1)', moment),
        fc.constantFrom(
          'AVG("Work line".Amount)',
          'MIN("Work line".Amount)',
          'SUM("Work line".Amount) FILTER (WHERE "Work line".Extra)',
          'COUNT("Work line".Day)',
          'EXTRACT(MINUTE FROM At)',
        ),
        cases(num),
      ),
      text: fc.oneof(
        grow,
        fc.constantFrom('Name', 'Note', 'House.Town'),
        words.map(quoted),
        f('($1 || $2)', text, text),
        f('($1 || $2)', text, num),
        f('($1 || $2)', date, text),
        f('($1 || At)', text),
        f('($1 || $2)', text, moment),
        f('UPPER($1)', text),
        f('LOWER($1)', text),
        f('TRIM($1)', text),
        f(
          'SUBSTRING($1 FROM $2 FOR $3)',
          text,
          fc.constantFrom('-1', '0', '1', '2', '9'),
          fc.constantFrom('-2', '0', '1', '3', '20'),
        ),
        f('SUBSTRING($1 FROM 2)', text),
        cases(text),
      ),
      date: fc.oneof(
        grow,
        fc.constantFrom('Begun', 'Done', 'MAX("Work line".Day)'),
        day.map((value) => `DATE '${value}'`),
        f(
          "($1 + INTERVAL '$2' $3)",
          date,
          fc.constantFrom('1', '-1', '13', '45'),
          fc.constantFrom('DAY', 'MONTH', 'YEAR'),
        ),
        f("($1 - INTERVAL '1' MONTH)", date),
        f('CAST($1 AS DATE)', moment),
        cases(date),
      ),
      moment: fc.oneof(
        grow,
        fc.constantFrom('"Booked for"'),
        f(
          "($1 + INTERVAL '$2' $3)",
          moment,
          fc.constantFrom('1', '-90', '1500'),
          fc.constantFrom('MINUTE', 'HOUR', 'DAY', 'MONTH'),
        ),
        f('CAST($1 AS TIMESTAMP)', date),
      ),
      truth: fc.oneof(
        grow,
        fc.constantFrom('Urgent', 'TRUE', 'FALSE', 'House IS NULL', 'Price IS NOT NULL'),
        f('($1 $2 $3)', num, fc.constantFrom('=', '<>', '<', '<=', '>', '>='), num),
        f('($1 $2 $3)', date, fc.constantFrom('=', '<>', '<', '<=', '>', '>='), date),
        f('($1 $2 $3)', moment, fc.constantFrom('=', '<', '>='), moment),
        f('($1 $2 $3)', text, fc.constantFrom('=', '<>'), text),
        f("(At $1 TIME '12:30')", fc.constantFrom('=', '<', '>')),
        f('($1 AND $2)', truth, truth),
        f('($1 OR $2)', truth, truth),
        f('NOT $1', truth),
        f('($1 LIKE $2)', text, text),
        f("($1 NOT LIKE $2 ESCAPE '|')", text, words.map(quoted)),
        f('($1 IN ($2, $3))', num, num, num),
        f('($1 NOT IN ($2, $3))', text, text, text),
        f('($1 BETWEEN $2 AND $3)', num, num, num),
        f('($1 IS NULL)', text),
        f('(Weight * 2 > $1)', num),
        cases(truth),
      ),
      anything: fc.oneof(num, text, date, moment, truth),
    }
  },
)

export const factsOf = ({ house, job, lines }: World): Facts => {
  const leaf = (row: Row): Facts => ({ value: (id) => row[id] ?? null, linked: () => undefined, rows: () => [] })
  return {
    ...leaf({ ...job, 'job-of': house ? '1' : null }),
    linked: () => (house ? leaf(house) : undefined),
    rows: () => lines.map(leaf),
  }
}
