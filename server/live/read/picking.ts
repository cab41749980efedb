import { likeness } from '@/core/lists'
import type { ListRow } from '@/core/records'
import { tableOf } from '@/core/book'
import type { Reads } from '../unit'
import { readList } from './rows'

/**
 * The records that somebody may mean by a few letters, likeliest first: those where a part of what they are shown as
 * begins with them, then those where a word does, then the others. Where few records have the letters at all, that
 * takes one look through the table; where many have, each look ends as soon as there are enough.
 */
export async function findToPick(
  reads: Reads,
  tableId: string,
  find: string,
  limit: number,
): Promise<readonly ListRow[]> {
  const query = { table: tableId, fields: tableOf(reads.live.book, tableId).key.slice(0, 1), limit }
  if (!find.trim()) return (await readList(reads, query)).rows
  const look = (begins: 'value' | 'word' | 'anywhere') => readList(reads, { ...query, find, findIn: begins })
  const anywhere = await look('anywhere')
  const found = new Map<string, ListRow>()
  const add = (rows: readonly ListRow[]) => rows.forEach((row) => found.set(row.ref, found.get(row.ref) ?? row))
  if (anywhere.more) {
    add((await look('value')).rows)
    if (found.size < limit) add((await look('word')).rows)
  }
  add(anywhere.rows)
  // Rows that are as likely stay in their order.
  return [...found.values()].sort((a, b) => likeness(a.label, find) - likeness(b.label, find)).slice(0, limit)
}
