import { type Field, tableOf } from '@/core/book'
import { isTyped, kindOf, type Value } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { keyOfRef, refOf, type Values } from '@/core/records'
import { keyColumns, leafOf } from '@/core/physical'
import { touchFollowers } from './key-followers'
import { RowRefused } from './row-refused'
import { type Live, namesOf, oncePerTable } from '../live'
import { catchUpNumbers, giveRunningNumber } from './running-numbers'
import { isDuplicate, refusalOf } from '../refusals'
import { keyCondition, keyParams } from '../read/rows'
import { runIn, type Unit } from '../unit'

export interface StoredColumn {
  readonly name: string
  readonly value: string | number | null
}

/** The columns of some values, links spread over the columns of the key they point to. */
export function columnsFor(live: Live, tableId: string, values: Values): StoredColumn[] {
  const places = placesIn(live, tableId)
  const all: StoredColumn[] = []
  for (const [id, value] of Object.entries(values)) {
    const place = places.get(id)
    if (!place) throw new Error(`Expected a field ${id} in the table ${tableId}.`)
    const parts = partsOf(place.field, value, place.columns.length)
    for (const [at, { name, kind }] of place.columns.entries()) {
      const part = parts[at] ?? null
      all.push({ name, value: part === null ? null : kind.store(part) })
    }
  }
  return all
}

/** Where each field of a table is stored. */
const placesIn = oncePerTable((live, tableId) => {
  const names = namesOf(live)
  return new Map(
    tableOf(live.book, tableId).fields.map((field) => {
      const columns = names
        .columns(tableId, field.id)
        .map(({ name, leaf }) => ({ name, kind: kindOf(leafOf(live.book, leaf).kind) }))
      return [field.id, { field, columns }] as const
    }),
  )
})

function partsOf(field: Field, value: Value, columns: number): readonly Value[] {
  if (field.kind !== 'link' || value === null) return [value]
  const parts = keyOfRef(value, columns)
  if (!parts) throw new RowRefused(field.id, { kind: 'dead-link', field: field.name, table: field.name })
  return parts
}

/** Adds a row and gives its running numbers; the new row's reference. */
export async function addRow(unit: Unit, tableId: string, values: Values): Promise<string> {
  const { live } = unit
  const table = tableOf(live.book, tableId)
  const running = table.fields.filter((field) => field.kind === 'running')
  for (let attempt = 0; ; attempt++) {
    const given: Record<string, Value> = { ...values }
    for (const field of running) given[field.id] = await giveRunningNumber(unit, tableId, field.id)
    try {
      return await insert(unit, tableId, given)
    } catch (cause) {
      // Another tool may have written rows with numbers ahead of ours: catch up with them, once.
      if (attempt > 0 || running.length === 0 || !isDuplicate(cause)) throw asRefusal(live, tableId, cause)
      await catchUpNumbers(unit, tableId)
    }
  }
}

async function insert(unit: Unit, tableId: string, values: Values): Promise<string> {
  const { live, who } = unit
  const names = namesOf(live)
  const columns = columnsFor(live, tableId, values)
  const list = [...columns.map((column) => quoteName(column.name)), '`changed_by`'].join(', ')
  const marks = [...columns, who].map(() => '?').join(', ')
  await runIn(unit, `INSERT INTO ${names.quoted(tableId)} (${list}) VALUES (${marks})`, [
    ...columns.map((column) => column.value),
    who,
  ])
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

/** Changes a row that is held; where its key changes, what is linked to it follows. What the row goes by now. */
export async function changeRow(unit: Unit, tableId: string, ref: string, values: Values): Promise<string> {
  const { live, who } = unit
  const columns = columnsFor(live, tableId, values)
  if (columns.length === 0) return ref
  const sets = [
    ...columns.map((column) => `${quoteName(column.name)} = ?`),
    '`row_rev` = `row_rev` + 1',
    '`changed_by` = ?',
  ].join(', ')
  const key = keyParams(live, tableId, ref)!
  const newRef = refFrom(live, tableId, columns, key)
  const closed = newRef === ref ? undefined : await touchFollowers(unit, tableId, key)
  if (closed)
    throw new RowRefused(
      tableOf(live.book, tableId).key.findLast((id) => id in values),
      closed,
    )
  const sql = `UPDATE ${namesOf(live).quoted(tableId)} SET ${sets} WHERE ${keyCondition(live, tableId)}`
  await runIn(unit, sql, [...columns.map((column) => column.value), who, ...key]).catch((cause: unknown) => {
    throw asRefusal(live, tableId, cause)
  })
  return newRef
}

/** Removes a row that is held. */
export async function dropRow(unit: Unit, tableId: string, ref: string): Promise<void> {
  const { live } = unit
  const sql = `DELETE FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)}`
  await runIn(unit, sql, keyParams(live, tableId, ref)).catch((cause: unknown) => {
    throw asRefusal(live, tableId, cause)
  })
}

function asRefusal(live: Live, tableId: string, cause: unknown): unknown {
  const refusal = cause instanceof RowRefused ? undefined : refusalOf(live, tableId, cause)
  return refusal ? new RowRefused(refusal.field, refusal.problem, refusal.fields) : cause
}

/** All of a table's typed fields, blank where nothing was given: what a new row must be checked with. */
export function wholeValues(live: Live, tableId: string, values: Values, without?: string): Values {
  const whole: Record<string, Value> = {}
  for (const { id } of tableOf(live.book, tableId).fields.filter(isTyped))
    if (id !== without) whole[id] = values[id] ?? null
  return whole
}
