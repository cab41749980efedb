import { findTable, linksTo, tableOf } from '@/core/book'
import { compileList, type ListQuery, type StoredRow } from '@/core/lists'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { formLayout, insetLimit, keyOfRef, type ListRow } from '@/core/records'
import { ownRules } from '@/core/rules'
import { fail, ok, type Result } from '@/core/words'
import { keyColumns, leafOf } from '@/core/physical'
import { expressionSql } from '@/core/sql'
import { type Live, namesOf, oncePerTable } from '../live'
import { type Reads, selectIn, selectRowsIn } from '../unit'

export interface ListPage {
  readonly rows: readonly ListRow[]
  /** Whether there is a page after this one. */
  readonly more: boolean
}

/** One page of a list. */
export async function readList(reads: Reads, query: ListQuery): Promise<ListPage> {
  const compiled = compileList(reads.live.book, { ...query, limit: query.limit + 1 }, namesOf(reads.live))
  const rows = await selectRowsIn<StoredRow>(reads, compiled.sql, compiled.params)
  return { rows: rows.slice(0, query.limit).map(compiled.read), more: rows.length > query.limit }
}

/** How many records a table has in all. */
export async function countRows(reads: Reads, tableId: string): Promise<number> {
  const table = namesOf(reads.live).quoted(tableId)
  const [row] = await selectIn<{ count: number }>(reads, `SELECT COUNT(*) AS count FROM ${table}`)
  return Number(row?.count ?? 0)
}

/** One record with the rows inset in its form, and how many others hang on it. */
export interface LiveRecord {
  readonly row: ListRow
  /** By link id. */
  readonly children: Readonly<Record<string, readonly ListRow[]>>
  readonly elsewhere: readonly { readonly link: string; readonly table: string; readonly count: number }[]
  /** The rules that close it: it changes no more, but for what they except. */
  readonly closedBy: readonly string[]
}

/** The key's values as the driver takes them, or undefined where the reference can't be one of this table. */
export function keyParams(live: Live, tableId: string, ref: string): string[] | undefined {
  return keyOfRef(ref, keyColumns(tableOf(live.book, tableId), namesOf(live)).length)
}

/** The condition that finds one record by its key. */
export function keyCondition(live: Live, tableId: string): string {
  return keyColumns(tableOf(live.book, tableId), namesOf(live))
    .map((column) => `${quoteName(column.name)} = ?`)
    .join(' AND ')
}

/**
 * Reads a record. `only` names the links that may have rows: for a record that has just been made, all
 * others have none, and asking costs more than saving did.
 */
export async function readRecord(
  reads: Reads,
  tableId: string,
  ref: string,
  only?: ReadonlySet<string>,
): Promise<Result<LiveRecord>> {
  const { live } = reads
  const table = findTable(live.book, tableId)
  const key = table && keyParams(live, tableId, ref)
  if (!table || !key) return fail({ kind: 'no-such-record', table: table?.name ?? 'table' })
  const row = await readRow(reads, tableId, key)
  if (!row) return fail({ kind: 'no-such-record', table: table.name })
  const layout = formLayout(live.book, tableId)
  const linked = (link: { many: string; field: string }, limit: number) =>
    readList(reads, { table: link.many, linked: { field: link.field, key }, limit })
  const children: Record<string, readonly ListRow[]> = {}
  const mayHave = (link: { id: string }) => !only || only.has(link.id)
  for (const { link } of layout.insets) {
    children[link.id] = mayHave(link) ? (await linked(link, insetLimit)).rows : []
  }
  const elsewhere = []
  for (const link of [...layout.elsewhere, ...linksTo(live.book, tableId).filter((one) => one.many === tableId)]) {
    const count = mayHave(link) ? await countLinked(reads, link, key) : 0
    elsewhere.push({ link: link.id, table: link.many, count })
  }
  return ok({ row, children, elsewhere, closedBy: await closedBy(reads, tableId, key) })
}

async function closedBy(reads: Reads, tableId: string, key: readonly string[]): Promise<string[]> {
  const { live } = reads
  const closing = ownRules(live.book, tableId).flatMap(({ rule, compiled }) =>
    compiled?.kind === 'closed' && !rule.warns ? [{ rule, once: compiled.once }] : [],
  )
  if (closing.length === 0) return []
  const names = namesOf(live)
  const asked = closing.map(({ once }, at) => `${expressionSql(live.book, names, tableId, once, 't')} AS c${at}`)
  const [row] = await selectIn<Record<string, number | null>>(
    reads,
    `SELECT ${asked.join(', ')} FROM ${names.quoted(tableId)} AS t WHERE ${keyCondition(live, tableId)}`,
    key,
  )
  return closing.filter((_, at) => row?.[`c${at}`]).map(({ rule }) => rule.id)
}

// The statement that reads one record is the same for all records of a table.
const oneRecord = oncePerTable((live, tableId) => {
  const key = keyColumns(tableOf(live.book, tableId), namesOf(live)).map(() => '')
  return compileList(live.book, { table: tableId, key, limit: 1 }, namesOf(live))
})

async function readRow(reads: Reads, tableId: string, key: readonly string[]): Promise<ListRow | undefined> {
  const { live } = reads
  const columns = keyColumns(tableOf(live.book, tableId), namesOf(live))
  const stored = columns.map((column, at) => kindOf(leafOf(live.book, column.leaf).kind).store(key[at]!))
  const { sql, read } = oneRecord(live, tableId)
  const [row] = await selectRowsIn<StoredRow>(reads, sql, stored)
  return row && read(row)
}

/** A record as staff know it, by its key. */
export async function recordWords(reads: Reads, tableId: string, key: readonly (string | number)[]): Promise<string> {
  const { rows } = await readList(reads, { table: tableId, fields: [], key, limit: 1 })
  return rows[0]?.label ?? ''
}

/** How many records are linked to one through a link. */
export async function countLinked(
  reads: Reads,
  link: { many: string; field: string },
  key: readonly string[],
): Promise<number> {
  const names = namesOf(reads.live)
  const where = names
    .columns(link.many, link.field)
    .map((column) => `${quoteName(column.name)} = ?`)
    .join(' AND ')
  const [row] = await selectIn<{ count: number }>(
    reads,
    `SELECT COUNT(*) AS count FROM ${names.quoted(link.many)} WHERE ${where}`,
    key,
  )
  return Number(row?.count ?? 0)
}
