import type { Cursor } from '../../records'
import type { Condition } from '../find-condition'

/** One expression that rows are put in order by. */
export interface Sorted {
  readonly sql: string
  readonly down: boolean
  readonly nullable: boolean
}

export const orderBy = (columns: readonly Sorted[]): string =>
  columns.map(({ sql, down }) => (down ? `${sql} DESC` : sql)).join(', ')

/**
 * The rows after a cursor, spelled out column by column: each may go its own way, and MariaDB answers no comparison of
 * whole rows by an index. Blanks come first going up and last going down, as MariaDB sorts them.
 */
export function afterCursor(columns: readonly Sorted[], cursor: Cursor): Condition | undefined {
  if (cursor.length !== columns.length) return undefined
  const alternatives = columns.map((column, at): Condition => {
    const parts = [...columns.slice(0, at).map((earlier, i) => same(earlier, cursor[i]!)), beyond(column, cursor[at]!)]
    return { sql: parts.map(({ sql }) => sql).join(' AND '), params: parts.flatMap(({ params }) => params) }
  })
  return {
    sql: alternatives.map(({ sql }) => `(${sql})`).join(' OR '),
    params: alternatives.flatMap(({ params }) => params),
  }
}

const same = ({ sql }: Sorted, value: string | number | null): Condition =>
  value === null ? { sql: `${sql} IS NULL`, params: [] } : { sql: `${sql} = ?`, params: [value] }

function beyond({ sql, nullable, down }: Sorted, value: string | number | null): Condition {
  if (down) {
    if (value === null) return { sql: 'FALSE', params: [] }
    return { sql: nullable ? `(${sql} < ? OR ${sql} IS NULL)` : `${sql} < ?`, params: [value] }
  }
  return value === null ? { sql: `${sql} IS NOT NULL`, params: [] } : { sql: `${sql} > ?`, params: [value] }
}
