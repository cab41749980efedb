import { nth } from '../../words'
import type { Book } from '../../book'
import { kindOf } from '../../kinds'
import { keyColumns, leafOf, type PhysicalNames, physicalNames } from '../../physical'
import { type Cursor, refOf } from '../../records'
import { dialectOf, expressionSql } from '../../sql'
import type { ReadList, SingleColumn } from '../check/read-list'
import { joinPlan } from '../label'
import type { StoredRow } from '../row-reader'
import { alongSql } from './along-sql'
import { type Cell, type CellPlan, fieldPlan, valuePlan } from './cells'
import { conditionSql } from './condition-sql'
import { gatherSql } from './gather-sql'
import { keptFor } from './kept-sql'
import { afterCursor, orderBy, type Sorted } from './page'
import { Aliases, type At, fieldAtAlias, keyAt, Reach, valueAt } from './reach'

/** One record of a list, before what may be several is put beside it. */
export interface AskedRow {
  readonly ref: string
  /** How often it was changed, as it was read. */
  readonly rev: number
  /** By column; those of several come by `branchSql`. */
  readonly cells: Readonly<Record<string, Cell>>
  readonly cursor: Cursor
  /** Its key as the database has it, to find by. */
  readonly key: readonly (string | number)[]
}

export interface Statement<Row> {
  readonly sql: string
  readonly params: readonly (string | number | null)[]
  readonly read: (row: StoredRow) => Row
}

export interface Page {
  readonly after?: Cursor | undefined
  readonly limit: number
  /** Only records with these keys. */
  readonly keys?: readonly (readonly (string | number)[])[] | undefined
}

/** Where the records of a list are asked from, and under which condition. */
function begin(book: Book, names: PhysicalNames, { table, where }: ReadList) {
  const aliases = new Aliases()
  const from: At = { table, alias: 't' }
  const reach = new Reach(book, names, from, aliases)
  const asked = where ? conditionSql(reach, where) : 'TRUE'
  return { aliases, from, reach, asked }
}

/** How many records a list has. */
export function countSql(book: Book, read: ReadList, names: PhysicalNames = physicalNames(book)): Statement<number> {
  const { reach, asked } = begin(book, names, read)
  const sql = `SELECT COUNT(*) FROM ${names.quoted(read.table.id)} t${reach.joins}\nWHERE ${asked}`
  return { sql, params: [], read: (row) => Number(row[0]) }
}

/**
 * The records of a list, a page of them: first which they are, then what stands in their columns. So nothing is gathered
 * for a record that isn't shown, unless the order asks for it.
 */
export function rowsSql(
  book: Book,
  read: ReadList,
  { after, limit, keys: only }: Page,
  names: PhysicalNames = physicalNames(book),
): Statement<AskedRow> {
  const { aliases, from, reach, asked } = begin(book, names, read)
  const sorted = sortedBy(reach, read)
  const alongs = read.columns.filter((column) => column.kind === 'along')
  const keys = keyAt(names, from)
  const chosen = [
    ...keys.map((sql, at) => `${sql} AS k${at}`),
    ...sorted.map(({ sql }, at) => `${sql} AS o${at}`),
    ...alongs.map(({ of }, at) => `${sortSql(reach, of)} AS v${at}`),
  ]
  const all = `SELECT ${chosen.join(', ')}
FROM ${names.quoted(read.table.id)} t${reach.joins}
WHERE ${asked}${only ? ` AND ${keysIn(keys, only.length)}` : ''}`
  const paged = `LIMIT ${Math.max(1, Math.min(limit, 5000))}`
  // What goes along with the others is told of all of them, before a page is cut out.
  const around = alongs.length > 0 ? sorted.map((one, at) => ({ ...one, sql: `q.o${at}` })) : sorted
  const windows = alongs.map(({ name }, at) => `${alongSql(`q.v${at}`, name, orderBy(around))} AS w${at}`)
  const beyond = after && afterCursor(around, after)
  const inner =
    windows.length > 0
      ? `SELECT q.* FROM (
SELECT q.*, ${windows.join(', ')} FROM (
${all}
) q
) q${beyond ? `\nWHERE ${beyond.sql}` : ''}
ORDER BY ${orderBy(around)}
${paged}`
      : `${all}${beyond ? ` AND (${beyond.sql})` : ''}\nORDER BY ${orderBy(sorted)}\n${paged}`
  const shown: At = { table: read.table, alias: aliases.next() }
  const outer = new Reach(book, names, shown, aliases)
  const plans = read.columns.flatMap((column) => {
    const at = read.order.findIndex((order) => order.column === column)
    const isThere = column.kind === 'gathered' && at >= 0 && !read.order[at]?.natural
    const ready = isThere ? `p.o${sorted.findIndex(({ by }) => by === at)}` : undefined
    if (column.kind === 'several') return []
    if (column.kind === 'along')
      return [{ id: column.id, plan: valuePlan(`p.w${alongs.indexOf(column)}`, column.face) }]
    return [{ id: column.id, plan: cellPlan(outer, column, ready) }]
  })
  const selected = [...keys.map((_, at) => `p.k${at}`), ...sorted.map((_, at) => `p.o${at}`)]
  const revAt = selected.push(`${shown.alias}.row_rev`) - 1
  const slots = plans.map(({ id, plan }) => {
    const slot = selected.length
    selected.push(...plan.selects)
    return { id, slot, read: plan.read }
  })
  const on = keyAt(names, shown).map((sql, at) => `${sql} = p.k${at}`)
  const ordered = orderBy(sorted.map((one, at) => ({ ...one, sql: `p.o${at}` })))
  const sql = `SELECT ${selected.map((one, at) => `${one} AS c${at}`).join(', ')}
FROM (
${inner}
) p
JOIN ${names.quoted(read.table.id)} ${shown.alias} ON ${on.join(' AND ')}${outer.joins}
ORDER BY ${ordered}`
  const loads = keyColumns(read.table, names).map(({ leaf }) => kindOf(leafOf(book, leaf).kind).load)
  return {
    sql,
    params: [...(only ?? []).flat(), ...(beyond?.params ?? [])],
    read(row) {
      const key = keys.map((_, at) => row[at]!)
      const cursor = sorted.map((_, at) => row[keys.length + at] ?? null)
      const cells = Object.fromEntries(slots.map(({ id, slot, read: cell }) => [id, cell(row, slot)]))
      return { ref: refOf(key.map((part, at) => nth(loads, at)(part))), rev: Number(row[revAt]), cells, cursor, key }
    },
  }
}

/** That a record has one of so many keys. */
const keysIn = (columns: readonly string[], count: number): string => {
  const one = `(${columns.map(() => '?').join(', ')})`
  return count === 0 ? 'FALSE' : `(${columns.join(', ')}) IN (${Array.from({ length: count }, () => one).join(', ')})`
}

/** By what rows are put in order: what was asked for, and then the key, so that no two are alike. */
export function sortedBy(reach: Reach, { order }: ReadList): (Sorted & { readonly by: number | undefined })[] {
  const wished = order.flatMap(({ column, down, blanks, natural }, by) => {
    const plain = sortSql(reach, column)
    const sql = natural ? `NATURAL_SORT_KEY(${plain})` : plain
    const own = { sql, down, nullable: true, by }
    // As the database sorts them, blanks stand first going up.
    const turned = blanks !== undefined && (blanks === 'first') === down
    return turned ? [{ sql: `(${sql} IS NULL)`, down: blanks === 'first', nullable: false, by: undefined }, own] : [own]
  })
  const down = order[0]?.down ?? false
  const keys = keysAfter(reach, order)
    .filter((sql) => !wished.some((one) => one.sql === sql))
    .map((sql) => ({ sql, down, nullable: false, by: undefined }))
  return [...wished, ...keys]
}

/**
 * By which key rows that are alike otherwise are put in order: where what is kept comes first, the key as it stands
 * there, so that one index has the whole order.
 */
function keysAfter(reach: Reach, [first]: ReadList['order']): string[] {
  const { column } = first ?? {}
  const found = column?.kind === 'gathered' ? keptFor(reach.book, reach.from.table, column) : undefined
  if (!found) return keyAt(reach.names, reach.from)
  const row = reach.keptRow(found.kept)
  return found.kept.keys.map(({ own }) => reach.names.column(row, own))
}

function sortSql(reach: Reach, column: SingleColumn): string {
  const { book, names } = reach
  switch (column.kind) {
    case 'gathered':
      return gatherSql(reach, column)
    case 'calculated':
      return expressionSql(book, names, reach.from.table.id, column.tree, reach.from.alias, 'plain', dialectOf(names))
    default: {
      const at = reach.at(column.way)
      if (column.field.kind !== 'link') return valueAt(book, names, at, column.field)
      const plan = joinPlan(book, names, at.table, column.field, at.alias)
      reach.add(plan.joins.map(({ sql }) => sql))
      return plan.pieces[0]?.sql ?? fieldAtAlias(names, at, column.field.id)[0]!
    }
  }
}

function cellPlan(reach: Reach, column: SingleColumn, ready: string | undefined): CellPlan {
  switch (column.kind) {
    case 'gathered':
      return valuePlan(ready ?? gatherSql(reach, column), column.face)
    case 'calculated':
      return valuePlan(
        expressionSql(reach.book, reach.names, reach.from.table.id, column.tree, reach.from.alias),
        column.face,
      )
    case 'field':
      return fieldPlan(reach, reach.at(column.way), column.field, column.face)
  }
}
