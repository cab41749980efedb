import { fieldOf, tableOf } from '@/core/book'
import { countOf, runningPeriod, writeRunning } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { now } from '../../clock'
import type { Catalogue } from '../../catalogue'
import { run, runForNumber, select, type Transaction } from '../../database'
import { type Live, namesOf } from '../live'

/**
 * The next running number of a field. The count's row stays locked until the transaction ends, so that
 * no number is given twice, and one that isn't used after all goes back with it: there are no gaps.
 */
export async function giveRunningNumber(
  db: Catalogue,
  live: Live,
  tableId: string,
  fieldId: string,
  transaction: Transaction,
): Promise<string> {
  const field = fieldOf(tableOf(live.book, tableId), fieldId)
  const period = runningPeriod(field, now().moment)
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
export async function catchUpNumbers(
  db: Catalogue,
  live: Live,
  tableId: string,
  transaction: Transaction,
): Promise<void> {
  const names = namesOf(live)
  const table = tableOf(live.book, tableId)
  for (const field of table.fields.filter((candidate) => candidate.kind === 'running')) {
    const period = runningPeriod(field, now().moment)
    const column = quoteName(names.columns(tableId, field.id)[0]!.name)
    // Longest first, then greatest: written numbers sort as text, and 100000 comes after 99999.
    const rows = await select<{ value: string | number }>(
      db,
      `SELECT ${column} AS value FROM ${names.quoted(tableId)} ORDER BY CHAR_LENGTH(${column}) DESC, ${column} DESC LIMIT 100`,
      [],
      transaction,
    )
    const last = Math.max(0, ...rows.map((row) => countOf(String(row.value), field, period)))
    await keepCount(db, live, field.id, period, last, transaction)
  }
}

/** Where a count stands, locked until the transaction ends. */
export async function holdCount(
  db: Catalogue,
  live: Live,
  fieldId: string,
  period: string,
  transaction: Transaction,
): Promise<number> {
  const sql = `SELECT last FROM ${quoteName(db.catalogue)}.counts WHERE book_id = ? AND field_id = ? AND period = ? FOR UPDATE`
  const [row] = await select<{ last: number }>(db, sql, [live.id, fieldId, period], transaction)
  return Number(row?.last ?? 0)
}

/** Moves a count on, never back. */
export async function keepCount(
  db: Catalogue,
  live: Live,
  fieldId: string,
  period: string,
  last: number,
  transaction: Transaction,
): Promise<void> {
  await run(
    db,
    `INSERT INTO ${quoteName(db.catalogue)}.counts (book_id, field_id, period, last) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE last = GREATEST(last, VALUES(last))`,
    [live.id, fieldId, period, last],
    transaction,
  )
}
