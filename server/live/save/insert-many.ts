import { tableOf } from '@/core/book'
import { runningPeriod, type Value, writeRunning } from '@/core/kinds'
import { quoteName } from '@/core/names'
import type { Values } from '@/core/records'
import { namesOf } from '../live'
import { runIn, type Unit } from '../unit'
import { holdCount, keepCount } from './running-numbers'
import { columnsFor, refFrom } from './write-row'

/** So many rows go into one statement. */
export const rowsAtOnce = 1000

/** Gives each row its running numbers, of the period that its moment belongs to, and moves the counts on once for all. */
export async function giveNumbers(
  unit: Unit,
  table: string,
  rows: readonly Record<string, Value>[],
  momentOf: (at: number) => string,
): Promise<void> {
  for (const field of tableOf(unit.live.book, table).fields.filter(({ kind }) => kind === 'running')) {
    const counts = new Map<string, number>()
    for (const [at, values] of rows.entries()) {
      const period = runningPeriod(field, momentOf(at))
      const last = counts.get(period) ?? (await holdCount(unit, field.id, period))
      counts.set(period, last + 1)
      values[field.id] = writeRunning(last + 1, field, period)
    }
    for (const [period, last] of counts) await keepCount(unit, { field: field.id, period, last })
  }
}

/** A statement that adds rows of one table, and what each of them goes by. */
export interface Insert {
  readonly refs: readonly string[]
  readonly run: () => Promise<unknown>
}

/** Makes ready to add rows that all have the same fields: all of them, or none where the database refuses one. */
export function insertOf(unit: Unit, table: string, rows: readonly Values[]): Insert {
  const { live, who } = unit
  const params: (string | number | null)[] = []
  const refs: string[] = []
  let names: readonly string[] = []
  for (const values of rows) {
    const columns = columnsFor(live, table, values)
    if (names.length === 0) names = columns.map(({ name }) => quoteName(name))
    for (const { value } of columns) params.push(value)
    params.push(who)
    refs.push(refFrom(live, table, columns))
  }
  const marks = `(${[...names, who].map(() => '?').join(', ')})`
  const sql = `INSERT INTO ${namesOf(live).quoted(table)} (${[...names, '`changed_by`'].join(', ')}) VALUES ${rows.map(() => marks).join(', ')}`
  return { refs, run: () => runIn(unit, sql, params) }
}
