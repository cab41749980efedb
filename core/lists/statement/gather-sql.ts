import type { Field } from '../../book'
import { displayOf, typeOfField } from '../../expressions'
import { kindOf, type Look } from '../../kinds'
import { dialectOf } from '../../sql'
import { conditionSql, countDistinct, endsSql } from './condition-sql'
import type { ReadColumn } from '../check/read-list'
import { mayRepeat } from '../ways/walk'
import { keptSql } from './kept-sql'
import { type At, fieldAtAlias, keyAt, Reach, valueAt, wayFrom } from './reach'

type Gathered = Extract<ReadColumn, { kind: 'gathered' }>

/**
 * What the records that a way leads to come to, for the record where a query begins. Each of them counts once, however
 * many ways lead there: where they can be met twice, they are told apart by their keys first.
 */
export function gatherSql(reach: Reach, column: Gathered): string {
  const { way, where } = column
  const kept = keptSql(reach, column)
  if (kept) return kept
  if (!mayRepeat(reach.book, way)) {
    const ends = endsSql(reach, reach.from, { way, where })
    return taken(reach, column, ends.end, ends.from)
  }
  const met = wayFrom(reach, reach.from, way)
  const once: At = { table: column.end, alias: reach.aliases.next() }
  const inner = new Reach(reach.book, reach.names, once, reach.aliases)
  const asked = where ? ` AND ${conditionSql(inner, where)}` : ''
  const keys = (at: At) => keyAt(reach.names, at).join(', ')
  const from = `FROM ${reach.names.quoted(column.end.id)} ${once.alias}${inner.joins} WHERE (${keys(once)}) IN (SELECT ${keys(met.end)} FROM ${met.tables.join(' ')} WHERE ${met.hangs})${asked}`
  return taken(reach, column, once, from)
}

/** What is taken of the records that a query is over, as that query. */
function taken({ book, names }: Reach, { name, field, face }: Gathered, at: At, from: string): string {
  if (name === 'count' || !field) return `(SELECT COUNT(*) ${from})`
  const dialect = dialectOf(names)
  const value = () => valueAt(book, names, at, field)
  if (name === 'different') {
    if (field.kind === 'link') return countDistinct(names, fieldAtAlias(names, at, field.id), from)
    const isText = typeOfField(displayOf(book, field), book.look)?.is === 'text'
    return countDistinct(names, [isText ? dialect.compared(value()) : value()], from)
  }
  const type = kindOf(face.kind).columnType(face, book.look)
  const sql = aggregateSql(name, [value()], face, book.look)
  return `(SELECT ${type?.is === 'exact' ? dialect.computed(sql, type) : sql} ${from})`
}

const functions = { total: 'SUM', average: 'AVG', least: 'MIN', greatest: 'MAX' } as const

/** What rows come to; an average has as many decimals as are shown, rounded once. */
export function aggregateSql(name: Gathered['name'], values: readonly string[], face: Field, look: Look): string {
  if (name === 'count') return 'COUNT(*)'
  if (name === 'different') return `COUNT(DISTINCT ${values.join(', ')})`
  const sql = `${functions[name]}(${values[0]!})`
  const type = kindOf(face.kind).columnType(face, look)
  return name === 'average' && type?.is === 'exact' ? `ROUND(${sql}, ${type.scale})` : sql
}
