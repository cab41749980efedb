import { findTable, type List, tableOf } from '@/core/book'
import { calledToday, type NamedRecord, recordsNamed } from '@/core/lists'
import type { Reads } from '../unit'
import { heavyProblem, isOfAnotherShape } from './heavy'
import { keyParams, readList } from './rows'

/** So many records are looked up by what they are called; others keep the words that were kept. */
const mostLookedUp = 200

/** What a record is known by today; nothing where it isn't there. */
export async function labelOf(reads: Reads, table: string, ref: string): Promise<string | undefined> {
  const key = findTable(reads.live.book, table) && keyParams(reads.live, table, ref)
  if (!key) return undefined
  const fields = tableOf(reads.live.book, table).key.slice(0, 1)
  try {
    return (await readList(reads, { table, fields, key, limit: 1 })).rows[0]?.label
  } catch (cause) {
    // Words for a list aren't worth the page: while a book is being opened, tables come and go.
    if (isOfAnotherShape(cause) || heavyProblem(cause)) return undefined
    throw cause
  }
}

/**
 * Lists with the records that their conditions speak of called as they are today. A record that is gone keeps the words
 * that it was called by.
 */
export async function callRecords(reads: Reads, lists: readonly List[]): Promise<readonly List[]> {
  const { book } = reads.live
  const named = recordsNamed(book, lists).slice(0, mostLookedUp)
  if (named.length === 0) return lists
  const idOf = ({ table, ref }: NamedRecord) => `${table} ${ref}`
  const called = new Map<string, string>()
  for (const one of named) {
    const label = await labelOf(reads, one.table, one.ref)
    if (label) called.set(idOf(one), label)
  }
  return lists.map((list) => calledToday(book, list, (one) => called.get(idOf(one))))
}
