import type { Book, Table } from '../../book'
import { kindOf } from '../../kinds'
import { displayOf } from '../derived/derived'
import { functions } from '../run/functions'
import { factsOffered, rowsOffered } from './offers'
import { writtenName } from '../text/show'
import { uncomputed } from '../text/syntax'

/** Something that can be put into an expression while one types. */
export interface OfferedWord {
  /** As it is looked for: a name without its quotes. */
  readonly label: string
  readonly written: string
  readonly is: 'fact' | 'rows' | 'choice' | 'function' | 'word'
  /** What it is, in a few words. */
  readonly says: string
}

const besides: readonly (readonly [form: string, says: string])[] = [
  ['COALESCE(a, b)', 'a, or b where a is empty'],
  ['NULLIF(a, b)', 'a, or nothing where it is the same as b'],
  ['CASE WHEN a THEN b ELSE c END', 'b where a is so, otherwise c'],
  ['CAST(a AS DATE)', 'a as another type'],
  ['CURRENT_DATE', 'today'],
  ['CURRENT_TIMESTAMP', 'the minute it is'],
  ["INTERVAL '1' DAY", 'days, months or years to add to a date'],
  ["DATE '2027-03-12'", 'a day that is written out'],
]

const joints = ['AND', 'OR', 'NOT', 'BETWEEN', 'IN', 'LIKE', 'IS NULL', 'IS NOT NULL', 'TRUE', 'FALSE', 'NULL']

/**
 * The names and words that an expression over a table can be made of, those of its own fields first. Over the
 * rows of an aggregate every name begins with `within`.
 */
export function wordsOffered(book: Book, table: Table, within?: string): OfferedWord[] {
  const before = (written: string) => (within ? `${writtenName(within)}.${written}` : written)
  const own = table.fields.filter((field) => !uncomputed.includes(field.kind))
  const facts = own.map((field): OfferedWord => {
    const label = within ? `${within}.${field.name}` : field.name
    const written = before(writtenName(field.name))
    // A link by itself is only asked whether there is one.
    return field.kind === 'link'
      ? { label: `${label} IS NULL`, written: `${written} IS NULL`, is: 'fact', says: 'whether there is none' }
      : { label, written, is: 'fact', says: kindOf(displayOf(book, field).kind).title }
  })
  const choices = own.flatMap((field) =>
    (field.kind === 'choice' ? (field.choices ?? []) : []).map(({ word }): OfferedWord => ({
      label: `'${word}'`,
      written: `'${word.replaceAll("'", "''")}'`,
      is: 'choice',
      says: `a choice of ${field.name}`,
    })),
  )
  const beyond = factsOffered(book, table).map(({ source, words, through, field }): OfferedWord => ({
    label: `${within ? `${within}.` : ''}${through.replaceAll(' → ', '.')}.${field.name}`,
    written: before(source),
    is: 'fact',
    says: words,
  }))
  return [...facts, ...choices, ...beyond, ...(within ? [] : rowWords(book, table)), ...functionWords()]
}

const rowWords = (book: Book, table: Table): OfferedWord[] =>
  rowsOffered(book, table).flatMap((rows) => {
    const name = writtenName(rows.table.name)
    const [by, saidBy] = rows.by ? [` BY ${writtenName(rows.by)}`, ` BY ${rows.by}`] : ['', '']
    const of = (call: string, label: string, says: string): OfferedWord => ({ label, written: call, is: 'rows', says })
    return [
      of(`COUNT(${name}${by})`, `COUNT(${rows.table.name}${saidBy})`, 'how many there are'),
      ...rows.fields
        .filter(({ adds }) => adds)
        .map(({ field }) =>
          of(
            `SUM(${name}.${writtenName(field.name)}${by})`,
            `SUM(${rows.table.name}.${field.name}${saidBy})`,
            'all of them together',
          ),
        ),
    ]
  })

const functionWords = (): OfferedWord[] => [
  ...[...Object.values(functions).map(({ form, says }) => [form, says] as const), ...besides].map(
    ([form, says]): OfferedWord => ({ label: form, written: form, is: 'function', says }),
  ),
  ...joints.map((word): OfferedWord => ({ label: word, written: word, is: 'word', says: '' })),
]
