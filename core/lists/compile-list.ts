import { type Book, fieldOf, type Table, tableOf } from '../book'
import { displayOf, type Tree } from '../expressions'
import { isDerived } from '../kinds'
import { type Cursor, type ListRow } from '../records'
import { keyColumns, leafOf, type PhysicalNames, physicalNames } from '../physical'
import { expressionSql, factSql } from '../sql'
import { type Begins, type Condition, findCondition } from './find-condition'
import { rowReader, type StoredRow } from './row-reader'
import { columnSql, fileNamePlan, joinPlan, type LabelPiece, type LabelPlan, labelPlan } from './label'
import { afterCondition, orderSql, type Sort, sortColumns } from './paging'

/** What to list: all fields of a table or some, found, sorted and paged by key. */
export interface ListQuery {
  readonly table: string
  /** Field ids; all fields where left out. */
  readonly fields?: readonly string[]
  readonly find?: string
  /** Looks only in what records are shown as and in their key, as for picking a link, from where on. */
  readonly findIn?: Begins
  readonly sort?: Sort
  readonly after?: Cursor
  /** Only the rows that point to one record through this link field. */
  readonly linked?: { readonly field: string; readonly key: readonly string[] }
  /** Only records of which this holds. */
  readonly where?: Tree
  /** Only the one record with this key. */
  readonly key?: readonly (string | number)[]
  /** Only the records with one of these keys. */
  readonly keys?: readonly (readonly string[])[]
  readonly limit: number
}

export interface CompiledList {
  readonly sql: string
  readonly params: readonly (string | number | null)[]
  readonly read: (row: StoredRow) => ListRow
}

/** What a list shows and how it is sorted, apart from which rows: the same for every page. */
interface ListPlan {
  readonly table: Table
  readonly select: string
  readonly joins: ReadonlyMap<string, string>
  readonly sorting: ReturnType<typeof sortColumns>
  readonly own: LabelPlan
  readonly read: CompiledList['read']
}

// A book and its names never change, and a list is asked for page by page.
const known = new WeakMap<Book, WeakMap<PhysicalNames, Map<string, ListPlan>>>()

function planFor(book: Book, names: PhysicalNames, { table, fields, sort }: ListQuery): ListPlan {
  const ofBook = known.get(book) ?? new WeakMap<PhysicalNames, Map<string, ListPlan>>()
  known.set(book, ofBook)
  const ofNames = ofBook.get(names) ?? new Map<string, ListPlan>()
  ofBook.set(names, ofNames)
  const wish = JSON.stringify([table, fields, sort])
  const plan = ofNames.get(wish) ?? planOf(book, names, tableOf(book, table), fields, sort)
  if (ofNames.size > mostPlans) ofNames.clear()
  ofNames.set(wish, plan)
  return plan
}

const mostPlans = 300

function planOf(
  book: Book,
  names: PhysicalNames,
  table: Table,
  wanted: readonly string[] | undefined,
  sort: Sort | undefined,
): ListPlan {
  const shown = wanted ? wanted.map((id) => fieldOf(table, id)) : table.fields
  const select = new Selection()
  const joins = new Map<string, string>()
  const join = (plan: { readonly joins: LabelPlan['joins'] }) =>
    plan.joins.forEach((one) => joins.set(one.alias, one.sql))
  const key = keyColumns(table, names).map((column) => ({
    slot: select.add(columnSql('t', column.name)),
    leaf: leafOf(book, column.leaf),
  }))
  const own = labelPlan(book, names, table, 't')
  join(own)
  const labelSlots = own.pieces.map((piece) => select.add(piece.sql))
  const fields = shown.map((field) => {
    const columns = isDerived(field)
      ? [{ slot: select.add(factSql(book, names, field.id, 't')), leaf: displayOf(book, field) }]
      : names
          .columns(table.id, field.id)
          .map((column) => ({ slot: select.add(columnSql('t', column.name)), leaf: leafOf(book, column.leaf) }))
    const plan =
      field.kind === 'link'
        ? joinPlan(book, names, table, field, 't')
        : field.kind === 'file'
          ? fileNamePlan(names, table, field, 't')
          : { joins: [], pieces: [] as LabelPiece[] }
    join(plan)
    return { field, columns, pieces: plan.pieces, slots: plan.pieces.map((piece) => select.add(piece.sql)) }
  })
  const sorting = sortColumns(book, names, table, sort)
  join(sorting)
  const sortSlots = sorting.columns.map((column) => select.add(column.sql))
  const [ownSlot] = ['row_rev', 'changed_at', 'changed_by'].map((name) => select.add(columnSql('t', name)))
  const read = rowReader(book, { key, own: own.pieces, labelSlots, fields, sortSlots, ownSlot: ownSlot! })
  return { table, select: select.sql(), joins, sorting, own, read }
}

/** Compiles a list to one statement with parameters, and the reader for its rows. */
export function compileList(book: Book, query: ListQuery, names: PhysicalNames = physicalNames(book)): CompiledList {
  const { table, select, joins: planned, sorting, own, read } = planFor(book, names, query)
  const joins = new Map(planned)
  const join = (plan: LabelPlan) => plan.joins.forEach((one) => joins.set(one.alias, one.sql))
  const key = keyColumns(table, names).map((column) => ({
    sql: columnSql('t', column.name),
    kind: leafOf(book, column.leaf).kind,
  }))
  const conditions = [
    query.key && {
      sql: key.map(({ sql }) => `${sql} = ?`).join(' AND '),
      params: query.key,
    },
    query.keys &&
      keysCondition(
        key.map(({ sql }) => sql),
        query.keys,
      ),
    linkedCondition(table, names, query.linked),
    query.where && { sql: expressionSql(book, names, table.id, query.where, 't'), params: [] },
    query.find
      ? findCondition(book, names, table, query.find, join, query.findIn && { plan: own, key, begins: query.findIn })
      : undefined,
    query.after ? afterCondition(sorting, query.after) : undefined,
  ].filter((condition): condition is Condition => condition !== undefined)
  const where =
    conditions.length > 0 ? `\nWHERE ${conditions.map((condition) => `(${condition.sql})`).join(' AND ')}` : ''
  const sql = `SELECT ${select}
FROM ${names.quoted(table.id)} t${[...joins.values()].map((line) => `\n${line}`).join('')}${where}
ORDER BY ${orderSql(sorting)}
LIMIT ${Math.max(1, Math.min(query.limit, 5000))}`
  return { sql, params: conditions.flatMap((condition) => condition.params), read }
}

/** Selected expressions, each once, known by their place. */
class Selection {
  private readonly slots = new Map<string, number>()
  add(sql: string): number {
    const slot = this.slots.get(sql) ?? this.slots.size
    this.slots.set(sql, slot)
    return slot
  }
  // A column without a name of its own is called by its whole text, which is longer than a driver expects.
  sql = () => [...this.slots].map(([sql, slot]) => (/^\w+\.`[^`]+`$/.test(sql) ? sql : `${sql} AS c${slot}`)).join(', ')
}

function keysCondition(columns: readonly string[], keys: readonly (readonly string[])[]): Condition {
  const one = `(${columns.map((column) => `${column} = ?`).join(' AND ')})`
  // What isn't as long as a key is none of these records'.
  const whole = keys.filter((key) => key.length === columns.length)
  return { sql: whole.length > 0 ? whole.map(() => one).join(' OR ') : 'FALSE', params: whole.flat() }
}

function linkedCondition(table: Table, names: PhysicalNames, linked: ListQuery['linked']): Condition | undefined {
  if (!linked) return undefined
  const columns = names.columns(table.id, linked.field)
  return { sql: columns.map((column) => `${columnSql('t', column.name)} = ?`).join(' AND '), params: [...linked.key] }
}
