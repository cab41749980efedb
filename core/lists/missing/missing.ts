import { type Book, type Field, fieldOf, type Table } from '../../book'
import { addDays, isDerived, kindOf, quoteText, showValue } from '../../kinds'
import { quoteName } from '../../names'
import { type PhysicalNames, physicalNames } from '../../physical'
import type { ReadList } from '../check/read-list'
import type { StoredRow } from '../row-reader'
import { conditionSql } from '../statement/condition-sql'
import { Aliases, Reach } from '../statement/reach'
import type { Statement } from '../statement/rows-sql'

/** Values that follow each other and that no record has, between two that some have. */
export interface Gap {
  readonly from: string
  readonly to: string
  readonly count: number
}

type Steps = 'numbers' | 'days' | 'codes' | 'choices'

/** How the values of a field follow each other; none where they don't. */
function stepsOf(field: Field): Steps | undefined {
  if (isDerived(field)) return undefined
  switch (field.kind) {
    case 'whole':
    case 'mark':
      return 'numbers'
    case 'date':
      return 'days'
    case 'running':
    case 'code':
      return 'codes'
    case 'choice':
      return 'choices'
    default:
      return undefined
  }
}

/** The fields of a table of which something can be missing. */
export const missableFields = (table: Table): Field[] => table.fields.filter((field) => stepsOf(field) !== undefined)

/**
 * What is missing among the values that a list's records have in one of their fields: numbers and days between the least
 * and the greatest, numbers at the end of codes that begin alike, and words of a choice.
 */
export function missingSql(
  book: Book,
  read: ReadList,
  fieldId: string,
  limit: number,
  names: PhysicalNames = physicalNames(book),
): Statement<Gap | undefined> {
  const field = fieldOf(read.table, fieldId)
  const steps = stepsOf(field)
  const column = names.columns(read.table.id, field.id)[0]
  if (!steps || !column) throw new Error('Expected a field of which something can be missing.')
  const reach = new Reach(book, names, { table: read.table, alias: 't' }, new Aliases())
  const asked = read.where ? conditionSql(reach, read.where) : 'TRUE'
  const value = `t.${quoteName(column.name)}`
  const source = `FROM ${names.quoted(read.table.id)} t${reach.joins}\nWHERE ${asked} AND ${value} IS NOT NULL`
  if (steps === 'choices') return absentWords(field, value, source)
  const codes = steps === 'codes'
  const start = codes ? `REGEXP_REPLACE(${value}, '[0-9]+$', '')` : `''`
  const digits = codes ? `REGEXP_SUBSTR(${value}, '[0-9]{1,15}$')` : value
  const number = steps === 'days' ? `TO_DAYS(${value})` : codes ? `CAST(${digits} AS UNSIGNED)` : value
  const has = codes ? ` AND ${digits} <> ''` : ''
  const sql = `SELECT g.s, g.n, g.m, g.w
FROM (
SELECT d.s, d.n, d.w, LEAD(d.n) OVER (PARTITION BY d.s ORDER BY d.n) AS m
FROM (SELECT ${start} AS s, ${number} AS n, MAX(CHAR_LENGTH(${digits})) AS w ${source}${has} GROUP BY s, n) d
) g
WHERE g.m > g.n + 1
ORDER BY g.s, g.n
LIMIT ${limit}`
  const write = (row: StoredRow, at: number): string => {
    if (steps === 'days') return dayOf(at)
    return codes ? `${String(row[0] ?? '')}${String(at).padStart(Number(row[3] ?? 0), '0')}` : String(at)
  }
  return {
    sql,
    params: [],
    read(row) {
      const [before, after] = [Number(row[1]), Number(row[2])]
      return { from: write(row, before + 1), to: write(row, after - 1), count: after - before - 1 }
    },
  }
}

/** MariaDB counts days from a year nought of its own. */
const firstDay = { day: '2000-01-01', number: 730_485 }
const dayOf = (number: number) => addDays(firstDay.day, number - firstDay.number)

function absentWords(field: Field, value: string, source: string): Statement<Gap | undefined> {
  const words = (field.choices ?? []).map(({ word }) => word)
  const { load } = kindOf(field.kind)
  const there = words.map((word, at) => `MAX(${value} = ${quoteText(word)}) AS c${at}`)
  // One row tells of all words; it is read as often as there are some.
  const told = words.map((_, at) => `SELECT ${at} AS w, c${at} AS there FROM a`)
  return {
    sql:
      words.length === 0
        ? 'SELECT 0 AS w, 1 AS there FROM (SELECT 1 AS x) a WHERE FALSE'
        : `WITH a AS (SELECT ${there.join(', ')} ${source})\n${told.join('\nUNION ALL ')}`,
    params: [],
    read(row) {
      const word = words[Number(row[0])]
      return word === undefined || Number(row[1]) === 1 ? undefined : { from: load(word), to: load(word), count: 1 }
    },
  }
}

/** "V-00012 to V-00015 (4)". */
export function sayGap(book: Book, field: Field, { from, to, count }: Gap): string {
  const show = (value: string) => showValue(value, field, book.look)
  return count === 1 ? show(from) : `${show(from)} to ${show(to)} (${count.toLocaleString('en-GB')})`
}
