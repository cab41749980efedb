import { type Book, type Field, linkOf, type Table, tableOf, linkWith } from '../book'
import { displayOf, type Tree } from '../expressions'
import { isDerived } from '../kinds'
import { quoteName } from '../names'
import { columnNames, keyNames, linkPairs, type PhysicalNames } from '../physical'
import type { WatchedRule, Hop } from '../rules'
import { expressionSql, lockSql, type LockMode } from './expression-sql'

/** How a statement speaks of the row that changed: by the name of one of its columns. */
export type RowOf = (column: string) => string

const meet = (pairs: readonly (readonly [string, string])[]) => pairs.map(([a, b]) => `${a} = ${b}`).join(' AND ')

/**
 * The records `t` of a rule's table that a changed row concerns: `FROM … WHERE …`. The row stands at the end
 * of the hops, and is spoken of by its key, or by the link by which it hangs on what is before it.
 */
export function concernedSql(book: Book, names: PhysicalNames, table: Table, hops: readonly Hop[], row: RowOf): string {
  const joins: string[] = []
  let [alias, here] = ['t', table]
  for (const [at, hop] of hops.slice(0, -1).entries()) {
    const next = `h${at}`
    const { to, on } = meeting(book, names, hop, alias, next)
    joins.push(` JOIN ${names.quoted(to.id)} AS ${next} ON ${on}`)
    ;[alias, here] = [next, to]
  }
  const where = atEnd(book, names, hops.at(-1), alias, here, row)
  return `FROM ${names.quoted(table.id)} AS t${joins.join('')} WHERE ${where}`
}

function meeting(book: Book, names: PhysicalNames, hop: Hop, from: string, to: string) {
  const link = hop.to === 'one' ? linkOf(book, hop.field) : linkWith(book, hop.link)
  const pairs = linkPairs(book, names, link).map(([own, key]): [string, string] =>
    hop.to === 'one'
      ? [`${to}.${quoteName(key)}`, `${from}.${quoteName(own)}`]
      : [`${to}.${quoteName(own)}`, `${from}.${quoteName(key)}`],
  )
  return { to: tableOf(book, hop.to === 'one' ? link.one : link.many), on: meet(pairs) }
}

function atEnd(book: Book, names: PhysicalNames, hop: Hop | undefined, alias: string, here: Table, row: RowOf): string {
  const of = (column: string) => `${alias}.${quoteName(column)}`
  if (!hop) return meet(keyNames(names, here).map((column) => [of(column), row(column)] as const))
  const link = hop.to === 'one' ? linkOf(book, hop.field) : linkWith(book, hop.link)
  return meet(
    linkPairs(book, names, link).map(([own, key]) =>
      hop.to === 'one' ? ([of(own), row(key)] as const) : ([of(key), row(own)] as const),
    ),
  )
}

/** The columns of a changed row that `concernedSql` speaks of. */
export function rowColumns(book: Book, names: PhysicalNames, table: Table, hops: readonly Hop[]): readonly string[] {
  const asked: string[] = []
  concernedSql(book, names, table, hops, (column) => (asked.push(column), '?'))
  return asked
}

/** Whether the record `t` breaks a rule: true, or false or unknown. */
export function brokenSql(
  book: Book,
  names: PhysicalNames,
  { own, compiled }: WatchedRule,
  read: LockMode = 'plain',
): string {
  const { table } = own
  const sql = (tree: Tree, alias: string) => expressionSql(book, names, table.id, tree, alias, read)
  if (compiled.kind === 'holds') return `NOT ${sql(compiled.tree, 't')}`
  const other = keyNames(names, table)
    .map((column) => `o.${quoteName(column)} = t.${quoteName(column)}`)
    .join(' AND ')
  const others = (conditions: readonly string[]) =>
    `EXISTS (SELECT 1 FROM ${names.quoted(table.id)} AS o WHERE NOT (${other}) AND ${conditions.join(' AND ')}${lockSql(read)})`
  if (compiled.kind === 'together')
    return others(
      columnNames(
        names,
        table,
        compiled.fields.map((field) => field.id),
      ).map((column) => `o.${quoteName(column)} ${compiled.blanks === 'alike' ? '<=>' : '='} t.${quoteName(column)}`),
    )
  const { from, to, same, unless } = compiled
  const fact = (field: Field, alias: string) => factOf(book, names, table, field, alias, read)
  // Days are lent through their last one; moments and times end where the next may begin.
  const before = displayOf(book, from).kind === 'date' ? '<=' : '<'
  const until = (alias: string) => `COALESCE(${fact(to, alias)}, ${endless[displayOf(book, to).kind as 'date']})`
  const counts = (alias: string) => (unless ? [`NOT COALESCE(${sql(unless, alias)}, FALSE)`] : [])
  return [
    others([
      ...columnNames(
        names,
        table,
        same.map((field) => field.id),
      ).map((column) => `o.${quoteName(column)} = t.${quoteName(column)}`),
      `${fact(from, 'o')} ${before} ${until('t')}`,
      `${fact(from, 't')} ${before} ${until('o')}`,
      ...counts('o'),
    ]),
    ...counts('t'),
  ].join(' AND ')
}

/** What has no end lasts beyond everything. */
const endless = { date: "DATE '9999-12-31'", dateTime: "TIMESTAMP '9999-12-31 23:59:59'", time: "TIME '24:00:00'" }

function factOf(book: Book, names: PhysicalNames, table: Table, field: Field, alias: string, read: LockMode): string {
  if (!isDerived(field)) return `${alias}.${quoteName(columnNames(names, table, [field.id])[0]!)}`
  const tree: Tree = { kind: 'fact', over: [], field: field.id, type: { is: 'nothing' } }
  return expressionSql(book, names, table.id, tree, alias, read)
}

/** Whether any of some fields differs between two states of a row; always where none has a column. */
export function changedSql(names: PhysicalNames, table: Table, fields: Iterable<string>): string {
  const columns = columnNames(
    names,
    table,
    [...fields].filter((id) => table.fields.some((field) => field.id === id)),
  )
  const same = columns.map((column) => `NEW.${quoteName(column)} <=> OLD.${quoteName(column)}`)
  return same.length === 0 ? 'TRUE' : `NOT (${same.join(' AND ')})`
}
