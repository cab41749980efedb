import { type Book, fieldOf, type Table } from '../book'
import { isDerived, quoteText } from '../kinds'
import type { Cursor } from '../records'
import type { PhysicalNames } from '../physical'
import { factSql } from '../sql'
import type { Condition } from './find-condition'
import { columnSql, joinPlan, type Join } from './label'
import { afterCursor, orderBy, type Sorted } from './statement/page'

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

export const orderSql = (sorting: Sorting) => orderBy(oneWay(sorting)) || '1'

/** The rows after a cursor. */
export const afterCondition = (sorting: Sorting, cursor: Cursor): Condition | undefined =>
  afterCursor(oneWay(sorting), cursor)

/** All columns of a table's own list go the same way. */
const oneWay = ({ columns, down }: Sorting): Sorted[] => columns.map((column) => ({ ...column, down }))
