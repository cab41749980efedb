import { type Book, fieldOf, type Table } from '../book'
import { isDerived, quoteText } from '../kinds'
import type { Cursor } from '../records'
import type { PhysicalNames } from '../physical'
import { factSql } from '../sql'
import type { Condition } from './find-condition'
import { columnSql, joinPlan, type Join } from './label'

export interface Sort {
  readonly field: string
  readonly down: boolean
}

export interface Sorting {
  readonly joins: readonly Join[]
  readonly down: boolean
  readonly columns: readonly { readonly sql: string; readonly nullable: boolean }[]
}

/** The sorted field's column, then the key, so that no two rows are alike and every page has one next. */
export function sortColumns(book: Book, names: PhysicalNames, table: Table, sort: Sort | undefined): Sorting {
  const key = table.key
    .flatMap((id) => names.columns(table.id, id))
    .map((column) => ({ sql: columnSql('t', column.name), nullable: false }))
  if (!sort) return { joins: [], down: false, columns: [...wordOrder(table, key), ...key] }
  const field = fieldOf(table, sort.field)
  const plan = field.kind === 'link' ? joinPlan(book, names, table, field, 't') : undefined
  const sorted = plan
    ? plan.pieces.slice(0, 1).map((piece) => ({ sql: piece.sql, nullable: true }))
    : isDerived(field)
      ? [{ sql: factSql(book, names, field.id, 't'), nullable: true }]
      : names
          .columns(table.id, field.id)
          .map((column) => ({ sql: columnSql('t', column.name), nullable: !column.notNull }))
  const rest = key.filter((column) => !sorted.some((other) => other.sql === column.sql))
  return { joins: plan?.joins ?? [], down: sort.down, columns: [...sorted, ...rest] }
}

/** The words of a word list stand as the design has them; what staff added comes after them. */
function wordOrder(table: Table, [key]: Sorting['columns']): Sorting['columns'] {
  const { role, words = [] } = table
  const [own, ...more] = table.key
  // The words are the key, unless the list was given another since.
  const isWord = own !== undefined && more.length === 0 && fieldOf(table, own).kind === 'line'
  if (role !== 'word-list' || words.length === 0 || !key || !isWord) return []
  const place = `FIELD(${key.sql}, ${words.map(({ word }) => quoteText(word)).join(', ')})`
  return [{ sql: `COALESCE(NULLIF(${place}, 0), ${words.length + 1})`, nullable: false }]
}

export const orderSql = ({ columns, down }: Sorting) =>
  columns.map(({ sql }) => (down ? `${sql} DESC` : sql)).join(', ') || '1'

/**
 * The rows after a cursor, spelled out column by column, because MariaDB doesn't use an index for a
 * row comparison with mixed blanks. Blanks come first going up and last going down, as MariaDB sorts them.
 */
export function afterCondition({ columns, down }: Sorting, cursor: Cursor): Condition | undefined {
  if (cursor.length !== columns.length) return undefined
  const alternatives = columns.map((column, at): Condition => {
    const before = columns.slice(0, at).map((earlier, i) => same(earlier.sql, cursor[i]!))
    const beyond = further(column, cursor[at]!, down)
    return {
      sql: [...before, beyond].map((part) => part.sql).join(' AND '),
      params: [...before, beyond].flatMap((part) => part.params),
    }
  })
  return {
    sql: alternatives.map((part) => `(${part.sql})`).join(' OR '),
    params: alternatives.flatMap((part) => part.params),
  }
}

const same = (sql: string, value: string | number | null): Condition =>
  value === null ? { sql: `${sql} IS NULL`, params: [] } : { sql: `${sql} = ?`, params: [value] }

function further(
  { sql, nullable }: { sql: string; nullable: boolean },
  value: string | number | null,
  down: boolean,
): Condition {
  if (down) {
    if (value === null) return { sql: 'FALSE', params: [] }
    return { sql: nullable ? `(${sql} < ? OR ${sql} IS NULL)` : `${sql} < ?`, params: [value] }
  }
  return value === null ? { sql: `${sql} IS NOT NULL`, params: [] } : { sql: `${sql} > ?`, params: [value] }
}
