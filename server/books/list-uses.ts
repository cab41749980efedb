import * as z from 'zod'
import type { List } from '@/core/book'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'

/** How often a list was run in a month, and how long it took on average, in milliseconds. */
export interface ListUse {
  readonly runs: number
  readonly took: number
}

interface Run {
  readonly book: string
  readonly account: string
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  /** The month it is, "2027-03". */
  readonly month: string
  /** In milliseconds. */
  readonly took: number
}

/** Notes that a kept list was run, and what was answered. */
export async function noteRun(db: Catalogue, { book, account, list, given, month, took }: Run): Promise<void> {
  await run(
    db,
    `INSERT INTO \`${db.catalogue}\`.list_runs (book_id, list_id, month, runs, took) VALUES (?, ?, ?, 1, ?)
     ON DUPLICATE KEY UPDATE runs = runs + 1, took = took + VALUES(took)`,
    [book, list.id, month, Math.round(took)],
  )
  if (list.asks.length === 0) return
  const answered = Object.fromEntries(list.asks.flatMap(({ id }) => (given[id] === undefined ? [] : [[id, given[id]]])))
  await run(
    db,
    `INSERT INTO \`${db.catalogue}\`.list_answers (book_id, list_id, account_id, given) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE given = VALUES(given)`,
    [book, list.id, account, JSON.stringify(answered)],
  )
}

/** How the lists of a book were used in a month, by their ids. */
export async function usesOf(db: Catalogue, book: string, month: string): Promise<ReadonlyMap<string, ListUse>> {
  const rows = await select<{ list_id: string; runs: number; took: number }>(
    db,
    `SELECT list_id, runs, took FROM \`${db.catalogue}\`.list_runs WHERE book_id = ? AND month = ?`,
    [book, month],
  )
  return new Map(rows.map((row) => [row.list_id, { runs: row.runs, took: Number(row.took) / row.runs }]))
}

const Given = z.record(z.string(), z.string())

/** What somebody answered last to what a list asks; nothing to what it asks since. */
export async function lastAnswers(
  db: Catalogue,
  book: string,
  account: string,
  list: List,
): Promise<Readonly<Record<string, string>>> {
  if (list.asks.length === 0) return {}
  const [row] = await select<{ given: string }>(
    db,
    `SELECT given FROM \`${db.catalogue}\`.list_answers WHERE book_id = ? AND list_id = ? AND account_id = ?`,
    [book, list.id, account],
  )
  const read = Given.safeParse(row ? JSON.parse(row.given) : {})
  return read.success
    ? Object.fromEntries(Object.entries(read.data).filter(([id]) => list.asks.some((ask) => ask.id === id)))
    : {}
}
