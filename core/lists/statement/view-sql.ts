import { nth } from '../../words'
import type { Book } from '../../book'
import { displayOf, typeOfField } from '../../expressions'
import { leafOf } from '../../physical'
import { dialectOf, expressionSql, type NamesIn, postgresql } from '../../sql'
import type { ReadColumn, ReadList, SingleColumn } from '../check/read-list'
import { joinPlan, type LabelPiece } from '../label'
import { alongSql } from './along-sql'
import { conditionSql } from './condition-sql'
import { gatherSql } from './gather-sql'
import { Aliases, type At, keyAt, Reach, valueAt, wayFrom } from './reach'
import { sortedBy } from './rows-sql'

type Several = Extract<ReadColumn, { kind: 'several' }>

/** As many letters as a name may have in PostgreSQL, told in letters that take one byte. */
const longestName = 60

/**
 * A list as a query by itself, in the dialect of the names: its records in their order, a column under each heading; what
 * may be several together in one place. Groups, and what is asked each time, are for who reads it.
 */
export function listQuery(book: Book, read: ReadList, names: NamesIn): string {
  const { quoteName } = dialectOf(names)
  const from: At = { table: read.table, alias: 't' }
  const reach = new Reach(book, names, from, new Aliases())
  const asked = read.where ? conditionSql(reach, read.where) : undefined
  const order = sortedBy(reach, read)
    .map(({ sql, down, nullable }) => sortedAlike(sql, down, nullable))
    .join(', ')
  const headings = namesApart(read.columns.map(({ heading }) => heading))
  const columns = read.columns.map(
    (column, at) => `${columnSql(reach, column, order)} AS ${quoteName(nth(headings, at))}`,
  )
  const first = read.first !== undefined && read.groups.length === 0 ? `\nLIMIT ${read.first}` : ''
  return `SELECT ${columns.join(',\n  ')}
FROM ${names.quoted(read.table.id)} t${reach.joins}${asked ? `\nWHERE ${asked}` : ''}
ORDER BY ${order}${first}`
}

/** Blanks stand first going up and last going down, as in MariaDB. */
function sortedAlike(sql: string, down: boolean, nullable: boolean): string {
  const own = down ? `${sql} DESC` : sql
  return nullable ? `(${sql} IS NULL)${down ? '' : ' DESC'}, ${own}` : own
}

/** Names that are short enough, no two alike. */
export function namesApart(wished: readonly string[], taken = new Set<string>()): string[] {
  return wished.map((name) => {
    const short = [...name.normalize('NFC')].slice(0, longestName)
    while (new TextEncoder().encode(short.join('')).length > longestName) short.pop()
    const plain = short.join('').trim()
    let [found, at] = [plain, 1]
    while (taken.has(found.toLowerCase())) found = `${plain.slice(0, longestName - 4)} ${++at}`
    taken.add(found.toLowerCase())
    return found
  })
}

function columnSql(reach: Reach, column: ReadColumn, order: string): string {
  if (column.kind === 'several') return severalSql(reach, column)
  if (column.kind !== 'along') return singleSql(reach, column)
  const isMeasured = typeOfField(column.of.face, reach.book.look)?.is === 'measured'
  const value = singleSql(reach, column.of)
  // PostgreSQL rounds no binary number to decimals.
  const rounded = isMeasured && dialectOf(reach.names) === postgresql ? `CAST(${value} AS NUMERIC)` : value
  return alongSql(rounded, column.name, order)
}

function singleSql(reach: Reach, column: SingleColumn): string {
  const { book, names, from } = reach
  switch (column.kind) {
    case 'gathered':
      return gatherSql(reach, column)
    case 'calculated':
      return expressionSql(book, names, from.table.id, column.tree, from.alias, 'plain', dialectOf(names))
    case 'field': {
      const at = reach.at(column.way)
      return column.field.kind === 'link' ? linkSql(reach, at, column) : valueAt(book, names, at, column.field)
    }
  }
}

/** What a link leads to is known by, in words; by its key where those are blank. */
function linkSql(reach: Reach, at: At, { field }: Pick<Several, 'field'>): string {
  const { book, names } = reach
  const plan = joinPlan(book, names, at.table, field, at.alias)
  reach.add(plan.joins.map(({ sql }) => sql))
  const columns = names.columns(at.table.id, field.id)
  const key = columns.map(({ name, leaf }) => ({ sql: names.column(at.alias, name), field: leafOf(book, leaf) }))
  return `COALESCE(${pieceSql(book, names, plan.pieces)}, ${pieceSql(book, names, key)})`
}

/** Pieces of text, those that are blank left out, a comma between the others. */
function pieceSql(book: Book, names: NamesIn, pieces: readonly LabelPiece[]): string {
  const dialect = dialectOf(names)
  const text = { is: 'text' } as const
  const words = pieces.map(({ sql, field }) => {
    const type = typeOfField(displayOf(book, field), book.look)
    return type && type.is !== 'text' ? dialect.cast(sql, type, text) : sql
  })
  if (words.length <= 1) return words[0] ?? 'NULL'
  const all = words.map((sql) => `COALESCE(${dialect.joined("', '", sql)}, '')`).reduce(dialect.joined)
  return `NULLIF(SUBSTR(${all}, 3), '')`
}

/** What several records have, each of them once, in the order of their keys. */
function severalSql(reach: Reach, { way, field }: Several): string {
  const { book, names, aliases } = reach
  const met = wayFrom(reach, reach.from, way)
  const inner = new Reach(book, names, met.end, aliases)
  const value = field.kind === 'link' ? linkSql(inner, met.end, { field }) : textAt(book, names, inner, field)
  const keys = keyAt(names, met.end).map((sql, at) => `${sql} AS k${at}`)
  const [first, ...rest] = met.tables
  const order = keys.map((_, at) => `q.k${at}`).join(', ')
  const all = `SELECT DISTINCT ${keys.join(', ')}, ${value} AS v FROM ${[first!, ...rest].join(' ')}${inner.joins} WHERE ${met.hangs}`
  return dialectOf(names) === postgresql
    ? `(SELECT STRING_AGG(q.v, ', ' ORDER BY ${order}) FROM (${all}) q)`
    : `(SELECT GROUP_CONCAT(q.v, ', ') FROM (${all} ORDER BY ${keys.map((_, at) => at + 1).join(', ')}) q)`
}

function textAt(book: Book, names: NamesIn, reach: Reach, field: Several['field']): string {
  const sql = valueAt(book, names, reach.from, field)
  const type = typeOfField(displayOf(book, field), book.look)
  return type && type.is !== 'text' ? dialectOf(names).cast(sql, type, { is: 'text' }) : sql
}
