import { fieldOf, tableOf } from '@/core/book'
import { countOf, runningPeriod, writeRunning } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { runForNumber } from '../../database'
import { namesOf } from '../live'
import { runIn, selectIn, type Unit } from '../unit'

/**
 * The next running number of a field. The count's row stays locked until the transaction ends, so that
 * no number is given twice, and one that isn't used after all goes back with it: there are no gaps.
 */
export async function giveRunningNumber(unit: Unit, tableId: string, fieldId: string): Promise<string> {
  const { db, live, now, transaction } = unit
  const field = fieldOf(tableOf(live.book, tableId), fieldId)
  const period = runningPeriod(field, now.moment)
  const counts = `${quoteName(db.catalogue)}.counts`
  const count = await runForNumber(
    db,
    `INSERT INTO ${counts} (book_id, field_id, period, last) VALUES (?, ?, ?, LAST_INSERT_ID(1)) ON DUPLICATE KEY UPDATE last = LAST_INSERT_ID(last + 1)`,
    [live.id, fieldId, period],
    transaction,
  )
  return writeRunning(count, field, period)
}

/** Moves the count behind the highest number that stands in the table, where another tool wrote rows. */
export async function catchUpNumbers(unit: Unit, tableId: string): Promise<void> {
  const { live, now } = unit
  const names = namesOf(live)
  const table = tableOf(live.book, tableId)
  for (const field of table.fields.filter((candidate) => candidate.kind === 'running')) {
    const period = runningPeriod(field, now.moment)
    const column = quoteName(names.columns(tableId, field.id)[0]!.name)
    // Longest first, then greatest: written numbers sort as text, and 100000 comes after 99999.
    const rows = await selectIn<{ value: string | number }>(
      unit,
      `SELECT ${column} AS value FROM ${names.quoted(tableId)} ORDER BY CHAR_LENGTH(${column}) DESC, ${column} DESC LIMIT 100`,
    )
    const last = Math.max(0, ...rows.map((row) => countOf(String(row.value), field, period)))
    await keepCount(unit, { field: field.id, period, last })
  }
}

/** Where a count stands, locked until the transaction ends. */
export async function holdCount(unit: Unit, fieldId: string, period: string): Promise<number> {
  const sql = `SELECT last FROM ${quoteName(unit.db.catalogue)}.counts WHERE book_id = ? AND field_id = ? AND period = ? FOR UPDATE`
  const [row] = await selectIn<{ last: number }>(unit, sql, [unit.live.id, fieldId, period])
  return Number(row?.last ?? 0)
}

/** Moves a count on, never back. */
export async function keepCount(
  unit: Unit,
  { field, period, last }: { readonly field: string; readonly period: string; readonly last: number },
): Promise<void> {
  await runIn(
    unit,
    `INSERT INTO ${quoteName(unit.db.catalogue)}.counts (book_id, field_id, period, last) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE last = GREATEST(last, VALUES(last))`,
    [unit.live.id, field, period, last],
  )
}
