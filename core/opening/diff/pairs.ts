import { quoteName } from '../../names'
import type { LiveColumn, LiveTable } from '../../physical'

/** A table before and after; new or gone where one of the two is missing. */
export interface TablePair {
  readonly was?: LiveTable
  readonly is?: LiveTable
  /** The old table under the names that it and its columns have once everything is renamed. */
  readonly then?: LiveTable
}

export type Staying = Required<TablePair>

export const isStaying = (pair: TablePair): pair is Staying => Boolean(pair.was && pair.is)

/**
 * Whether a column holds the same before and after. A link's column that leads to another field of a key than before
 * holds something else, though it goes by the same id; one that comes to lead to words that it holds already doesn't.
 */
export const isSameColumn = (one: LiveColumn, other: LiveColumn) =>
  one.id === other.id && (one.leaf === other.leaf || one.leaf === one.field || other.leaf === other.field)

/** Pairs the tables of two designs by their ids, those that stay or come first, in making order. */
export function pairTables(old: readonly LiveTable[], fresh: readonly LiveTable[]): TablePair[] {
  const names = new Set(fresh.map((table) => table.name.toLowerCase()))
  const after = fresh.map((is): TablePair => {
    const was = old.find((table) => table.id === is.id)
    return was ? { was, is, then: renamed(was, is.name, is.columns) } : { is }
  })
  const gone = old.filter((table) => !fresh.some((other) => other.id === table.id))
  return [...after, ...gone.map((was) => ({ was, then: renamed(was, outOfTheWay(was.name, names), was.columns) }))]
}

function renamed(was: LiveTable, name: string, now: readonly LiveColumn[]): LiveTable {
  const taken = new Set(now.map((column) => column.name.toLowerCase()))
  const names = new Map(
    was.columns.map((old) => {
      const stays = now.find((column) => isSameColumn(column, old))
      return [old.name, stays ? stays.name : outOfTheWay(old.name, taken)]
    }),
  )
  return {
    ...was,
    name,
    columns: was.columns.map((column) => ({ ...column, name: names.get(column.name)! })),
    primaryKey: was.primaryKey.map((column) => names.get(column)!),
  }
}

/** What goes makes room for what takes its name. No name of a design begins with an underscore. */
const outOfTheWay = (name: string, taken: ReadonlySet<string>) =>
  taken.has(name.toLowerCase()) ? `_gone_${name}` : name

/** What some columns hold, whatever they are called: a link's by the field at its end. */
export const idsOf = (table: LiveTable, names: readonly string[]) =>
  names
    .map((name) => {
      const column = table.columns.find((one) => one.name === name)
      return column && (column.leaf === column.field ? column.id : `${column.id}>${column.leaf}`)
    })
    .join()

export const keyOf = (table: LiveTable) => idsOf(table, table.primaryKey)

export const quotedList = (names: readonly string[]) => names.map(quoteName).join(', ')

/** Columns of a table as `table/column`. */
export const idsIn = (table: LiveTable, columns: readonly LiveColumn[]) =>
  columns.map((column) => `${table.id}/${column.id}`)
