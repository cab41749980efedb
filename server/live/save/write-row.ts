import { type Field, fieldOf, tableOf } from '@/core/book'
import { isTyped, kindOf, type Value } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { keyOfRef, refOf, type Values } from '@/core/records'
import type { Problem } from '@/core/words'
import { keyColumns, leafOf } from '@/core/physical'
import type { Catalogue } from '../../catalogue'
import { run, select, type Transaction } from '../../database'
import { changedLinks, holdLosing, type Losing } from './at-least-one'
import { fileProblem } from '../files'
import { touchFollowers } from './key-followers'
import { type Live, namesOf } from '../live'
import { catchUpNumbers, giveRunningNumber } from './running-numbers'
import { isDuplicate, refusalOf } from '../refusals'
import { keyCondition, keyParams } from '../read/rows'

/** What stopped a row: a problem, the field it belongs to, or another's change. Thrown to end the transaction. */
export class RowRefused extends Error {
  constructor(
    readonly field: string | undefined,
    readonly problem: Problem,
    /** Where several fields together are refused, all of them. */
    readonly fields: readonly string[] = field ? [field] : [],
  ) {
    super(problem.kind)
  }
}

export interface StoredColumn {
  readonly name: string
  readonly value: string | number | null
}

/** The columns of some values, links spread over the columns of the key they point to. */
export function columnsFor(live: Live, tableId: string, values: Values): StoredColumn[] {
  const table = tableOf(live.book, tableId)
  const names = namesOf(live)
  return Object.entries(values).flatMap(([id, value]) => {
    const field = fieldOf(table, id)
    const columns = names.columns(tableId, id)
    const parts = partsOf(field, value, columns.length)
    return columns.map((column, at) => {
      const part = parts[at] ?? null
      return {
        name: column.name,
        value: part === null ? null : kindOf(leafOf(live.book, column.leaf).kind).store(part),
      }
    })
  })
}

function partsOf(field: Field, value: Value, columns: number): readonly Value[] {
  if (field.kind !== 'link' || value === null) return [value]
  const parts = keyOfRef(value, columns)
  if (!parts) throw new RowRefused(field.id, { kind: 'dead-link', field: field.name, table: field.name })
  return parts
}

/** Files are kept once for each content, whatever field they were uploaded for: each is asked by the field it comes to. */
async function checkFiles(
  db: Catalogue,
  live: Live,
  tableId: string,
  values: Values,
  transaction: Transaction,
): Promise<void> {
  for (const field of tableOf(live.book, tableId).fields) {
    const hash = kindOf(field.kind).control === 'file' ? values[field.id] : undefined
    const problem = hash && (await fileProblem(db, live, field, hash, transaction))
    if (problem) throw new RowRefused(field.id, problem)
  }
}

/** Adds a row and gives its running numbers; the new row's reference. */
export async function addRow(
  db: Catalogue,
  live: Live,
  tableId: string,
  values: Values,
  who: string,
  transaction: Transaction,
): Promise<string> {
  const table = tableOf(live.book, tableId)
  await checkFiles(db, live, tableId, values, transaction)
  const running = table.fields.filter((field) => field.kind === 'running')
  for (let attempt = 0; ; attempt++) {
    const given: Record<string, Value> = { ...values }
    for (const field of running) given[field.id] = await giveRunningNumber(db, live, tableId, field.id, transaction)
    try {
      return await insert(db, live, tableId, given, who, transaction)
    } catch (cause) {
      // Another tool may have written rows with numbers ahead of ours: catch up with them, once.
      if (attempt > 0 || running.length === 0 || !isDuplicate(cause)) throw asRefusal(live, tableId, cause)
      await catchUpNumbers(db, live, tableId, transaction)
    }
  }
}

async function insert(
  db: Catalogue,
  live: Live,
  tableId: string,
  values: Values,
  who: string,
  transaction: Transaction,
): Promise<string> {
  const names = namesOf(live)
  const columns = columnsFor(live, tableId, values)
  const list = [...columns.map((column) => quoteName(column.name)), '`changed_by`'].join(', ')
  const marks = [...columns, who].map(() => '?').join(', ')
  await run(
    db,
    `INSERT INTO ${names.quoted(tableId)} (${list}) VALUES (${marks})`,
    [...columns.map((column) => column.value), who],
    transaction,
  )
  return refFrom(live, tableId, columns)
}

/** The reference that a row with these columns goes by; what isn't among them is as it was in the key it had. */
export function refFrom(
  live: Live,
  tableId: string,
  columns: readonly StoredColumn[],
  before: readonly string[] = [],
): string {
  const byName = new Map(columns.map((column) => [column.name, column.value]))
  const key = keyColumns(tableOf(live.book, tableId), namesOf(live))
  return refOf(
    key.map((column, at) =>
      byName.has(column.name)
        ? kindOf(leafOf(live.book, column.leaf).kind).load(byName.get(column.name) ?? '')
        : (before[at] ?? ''),
    ),
  )
}

export interface Held {
  readonly rev: number
  readonly by: string
}

/** Locks a row until the transaction ends; undefined where it is gone. */
export async function holdRow(
  db: Catalogue,
  live: Live,
  tableId: string,
  ref: string,
  transaction: Transaction,
): Promise<Held | undefined> {
  const key = keyParams(live, tableId, ref)
  if (!key) return undefined
  const sql = `SELECT row_rev AS rev, changed_by AS \`by\` FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)} FOR UPDATE`
  const [row] = await select<{ rev: number; by: string | null }>(db, sql, key, transaction)
  return row && { rev: row.rev, by: row.by ?? 'Another tool' }
}

export interface Changed {
  /** What the row goes by now. */
  readonly ref: string
  /** The records that lost it and may need another. */
  readonly losing: readonly Losing[]
}

/** Changes a row that is held; where its key changes, what is linked to it follows. */
export async function changeRow(
  db: Catalogue,
  live: Live,
  tableId: string,
  ref: string,
  values: Values,
  who: string,
  transaction: Transaction,
): Promise<Changed> {
  const columns = columnsFor(live, tableId, values)
  if (columns.length === 0) return { ref, losing: [] }
  await checkFiles(db, live, tableId, values, transaction)
  const sets = [
    ...columns.map((column) => `${quoteName(column.name)} = ?`),
    '`row_rev` = `row_rev` + 1',
    '`changed_by` = ?',
  ].join(', ')
  const key = keyParams(live, tableId, ref)!
  const params = [...columns.map((column) => column.value), who, ...key]
  const losing = await holdLosing(
    db,
    live,
    tableId,
    rowOf(live, tableId),
    key,
    transaction,
    changedLinks(live, tableId, values),
  )
  const newRef = refFrom(live, tableId, columns, key)
  const closed = newRef === ref ? undefined : await touchFollowers(db, live, tableId, key, who, transaction)
  if (closed)
    throw new RowRefused(
      tableOf(live.book, tableId).key.findLast((id) => id in values),
      closed,
    )
  try {
    await run(
      db,
      `UPDATE ${namesOf(live).quoted(tableId)} SET ${sets} WHERE ${keyCondition(live, tableId)}`,
      params,
      transaction,
    )
  } catch (cause) {
    throw asRefusal(live, tableId, cause)
  }
  return { ref: newRef, losing }
}

const rowOf = (live: Live, tableId: string) =>
  `SELECT * FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)}`

/** Removes one row; the records that lost it and may need another. */
export async function dropRow(
  db: Catalogue,
  live: Live,
  tableId: string,
  ref: string,
  transaction: Transaction,
): Promise<readonly Losing[]> {
  const key = keyParams(live, tableId, ref)!
  const losing = await holdLosing(db, live, tableId, rowOf(live, tableId), key, transaction)
  const sql = `DELETE FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)}`
  await run(db, sql, key, transaction).catch((cause: unknown) => {
    throw asRefusal(live, tableId, cause)
  })
  return losing
}

function asRefusal(live: Live, tableId: string, cause: unknown): unknown {
  const refusal = cause instanceof RowRefused ? undefined : refusalOf(live, tableId, cause)
  return refusal ? new RowRefused(refusal.field, refusal.problem, refusal.fields) : cause
}

/** All of a table's typed fields, blank where nothing was given: what a new row must be checked with. */
export function wholeValues(live: Live, tableId: string, values: Values, without?: string): Values {
  const fields = tableOf(live.book, tableId).fields.filter((field) => isTyped(field) && field.id !== without)
  return Object.fromEntries(fields.map((field) => [field.id, values[field.id] ?? null]))
}
