import type { Catalogue } from '../catalogue'
import { run, select, type Transaction } from '../database'

export interface Counter {
  readonly book: string
  readonly template: string
  /** What it counts within: a year, or all of them. */
  readonly period: string
}

const where = 'book_id = ? AND template_id = ? AND period = ?'
const keyOf = ({ book, template, period }: Counter) => [book, template, period]
const tableOf = ({ catalogue }: Catalogue) => `\`${catalogue}\`.paper_numbers`

/** Holds a document's counter until the transaction ends, whoever comes next waits; how far it is. */
export async function holdCounter(db: Catalogue, counter: Counter, transaction: Transaction): Promise<number> {
  const key = keyOf(counter)
  await run(
    db,
    `INSERT INTO ${tableOf(db)} (book_id, template_id, period, last) VALUES (?, ?, ?, 0) ON DUPLICATE KEY UPDATE last = last`,
    key,
    transaction,
  )
  const [row] = await select<{ last: number }>(
    db,
    `SELECT last FROM ${tableOf(db)} WHERE ${where} FOR UPDATE`,
    key,
    transaction,
  )
  return Number(row?.last ?? 0)
}

/** Sets a counter that is held. */
export const setCounter = (db: Catalogue, counter: Counter, last: number, transaction: Transaction): Promise<number> =>
  run(db, `UPDATE ${tableOf(db)} SET last = ? WHERE ${where}`, [last, ...keyOf(counter)], transaction)
