import { linksTo, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import type { Problem } from '@/core/words'
import { keyColumns } from '@/core/physical'
import { type Database, run, type Transaction } from '../../database'
import { closedAmong } from './closed-rows'
import { type Live, namesOf } from '../live'
import { keyCondition } from '../read/rows'

/** How far keys of keys are followed; no key leads back to itself. */
const deepest = 6

/**
 * Before a record's key changes: the records linked to it, which the database is about to give the new key. Each
 * counts as changed, by the same person. The words of a rule where one of them is closed: it would come to be linked to
 * what it wasn't when it was closed.
 */
export async function touchFollowers(
  db: Database,
  live: Live,
  tableId: string,
  key: readonly string[],
  who: string,
  transaction: Transaction,
): Promise<Problem | undefined> {
  const rows = `SELECT * FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)}`
  return touch(db, live, { tableId, rows, params: key, who, depth: 0 }, transaction)
}

interface Followed {
  readonly tableId: string
  /** Selects the rows whose key changes. */
  readonly rows: string
  readonly params: readonly string[]
  readonly who: string
  readonly depth: number
}

async function touch(
  db: Database,
  live: Live,
  { tableId, rows, params, who, depth }: Followed,
  transaction: Transaction,
): Promise<Problem | undefined> {
  if (depth > deepest) return undefined
  const names = namesOf(live)
  const parentKey = keyColumns(tableOf(live.book, tableId), names)
  for (const link of linksTo(live.book, tableId)) {
    const on = names
      .columns(link.many, link.field)
      .map((column, at) => `child.${quoteName(column.name)} = parent.${quoteName(parentKey[at]!.name)}`)
      .join(' AND ')
    const children = `SELECT child.* FROM ${names.quoted(link.many)} child JOIN (${rows}) parent ON ${on}`
    const closed = await closedAmong(db, live, link, 'leave', children, params, transaction)
    if (closed) return closed
    const changed = await run(
      db,
      `UPDATE ${names.quoted(link.many)} child JOIN (${rows}) parent ON ${on} SET child.row_rev = child.row_rev + 1, child.changed_by = ?`,
      [...params, who],
      transaction,
    )
    if (changed === 0 || !tableOf(live.book, link.many).key.includes(link.field)) continue
    const further = await touch(
      db,
      live,
      { tableId: link.many, rows: children, params, who, depth: depth + 1 },
      transaction,
    )
    if (further) return further
  }
  return undefined
}
