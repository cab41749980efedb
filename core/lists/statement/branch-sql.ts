import type { Book, Way } from '../../book'
import { type PhysicalNames, physicalNames } from '../../physical'
import type { ReadColumn, ReadList } from '../check/read-list'
import { sameWay } from '../ways/walk'
import { type Cell, fieldPlan } from './cells'
import { Aliases, type At, keyAt, Reach, wayFrom } from './reach'
import type { AskedRow, Statement } from './rows-sql'

type Several = Extract<ReadColumn, { kind: 'several' }>

/** Columns of the same several records: they stand in the same rows, each record once. */
export interface Branch {
  readonly way: Way
  readonly columns: readonly Several[]
}

/** The branches of a list, each asked by a statement of its own: so none multiplies another. */
export function branchesOf({ columns }: Pick<ReadList, 'columns'>): Branch[] {
  const found: { way: Way; columns: Several[] }[] = []
  for (const column of columns) {
    if (column.kind !== 'several') continue
    const branch = found.find(({ way }) => sameWay(way, column.way))
    if (branch) branch.columns.push(column)
    else found.push({ way: column.way, columns: [column] })
  }
  return found
}

/** One of the several records that belong to a record of a list. */
export interface BranchRow {
  /** The list's record, by its key as `keyText` writes it. */
  readonly of: string
  readonly cells: Readonly<Record<string, Cell>>
}

/** A key as it comes from the database, as one text to find by. */
export const keyText = (key: AskedRow['key']): string => JSON.stringify(key.map(String))

/** What a branch has for some records of a list, each of the several once, in the order of their keys. */
export function branchSql(
  book: Book,
  { table }: ReadList,
  { way, columns }: Branch,
  keys: readonly AskedRow['key'][],
  names: PhysicalNames = physicalNames(book),
): Statement<BranchRow> {
  const aliases = new Aliases()
  const from: At = { table, alias: 't' }
  const met = wayFrom({ book, names, aliases }, from, way)
  const reach = new Reach(book, names, met.end, aliases)
  const own = keyAt(names, from)
  const ends = keyAt(names, met.end)
  const plans = columns.map(({ id, field, face }) => ({ id, plan: fieldPlan(reach, met.end, field, face) }))
  const selected = [...own, ...ends]
  const slots = plans.map(({ id, plan }) => {
    const slot = selected.length
    selected.push(...plan.selects)
    return { id, slot, read: plan.read }
  })
  const one = `(${own.map(() => '?').join(', ')})`
  const [first, ...rest] = met.tables
  const sql = `SELECT DISTINCT ${selected.map((part, at) => `${part} AS c${at}`).join(', ')}
FROM ${names.quoted(table.id)} t
JOIN ${first!} ON ${met.hangs}${rest.map((line) => `\n${line}`).join('')}${reach.joins}
WHERE (${own.join(', ')}) IN (${keys.map(() => one).join(', ')})
ORDER BY ${[...own, ...ends].map((_, at) => at + 1).join(', ')}`
  return {
    sql,
    params: keys.flat(),
    read: (row) => ({
      of: keyText(own.map((_, at) => row[at]!)),
      cells: Object.fromEntries(slots.map(({ id, slot, read }) => [id, read(row, slot)])),
    }),
  }
}
