import { findTable } from '@/core/book'
import { recheckStored, showComputed } from '@/core/expressions'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { refOf } from '@/core/records'
import type { Json } from '@/core/words'
import { keyColumns, leafOf } from '@/core/physical'
import { expressionSql } from '@/core/sql'
import { namesOf } from '../live'
import { type Reads, selectRowsIn } from '../unit'
import { readRecord } from './rows'

/** What an expression gives for one record that is there. */
export interface TriedRecord {
  readonly ref: string
  readonly label: string
  readonly shown: string
  /** Whether it holds, for one that is so or not; null where that can't be told. */
  readonly holds: boolean | null
}

const fewRecords = 5

/**
 * An expression of the design on the records that were changed last. Undefined where it speaks of what isn't
 * open yet.
 */
export async function tryOnRecords(
  reads: Reads,
  tableId: string,
  kept: Json,
): Promise<readonly TriedRecord[] | undefined> {
  const { live } = reads
  const table = findTable(live.book, tableId)
  const read = table && recheckStored(live.book, table, kept)
  if (!table || !read || !('tree' in read)) return undefined
  const { tree } = read
  const names = namesOf(live)
  const keys = keyColumns(table, names)
  if (keys.length === 0) return undefined
  const columns = keys.map((column) => `t.${quoteName(column.name)}`)
  const computed = expressionSql(live.book, names, table.id, tree, 't')
  const value = tree.type.is === 'moment' ? `DATE_FORMAT(${computed}, '%Y-%m-%dT%H:%i')` : computed
  const rows = await selectRowsIn<(string | number | null)[]>(
    reads,
    `SELECT ${columns.map((column, at) => `${column} AS k${at}`).join(', ')}, ${tree.type.is === 'measured' ? value : `CAST(${value} AS CHAR)`} AS value FROM ${names.quoted(table.id)} AS t ORDER BY t.${quoteName('changed_at')} DESC LIMIT ${fewRecords}`,
  )
  const tried = []
  for (const row of rows) {
    const ref = refOf(keys.map((key, at) => kindOf(leafOf(live.book, key.leaf).kind).load(row[at]!)))
    const record = await readRecord(reads, table.id, ref)
    const stored = row[keys.length]
    const canonical = stored === null || stored === undefined ? null : shortTime(String(stored), tree.type.is)
    tried.push({
      ref,
      label: record.ok ? record.value.row.label : ref,
      shown: showComputed(live.book, tree, canonical),
      holds: tree.type.is === 'truth' && canonical !== null ? canonical === '1' : null,
    })
  }
  return tried
}

const shortTime = (stored: string, is: string) => (is === 'time' ? stored.slice(0, 5) : stored)
