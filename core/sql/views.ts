import { type Book, type Table, fieldWith } from '../book'
import { derivedOf, isStored } from '../expressions'
import { isDerived } from '../kinds'
import { ownColumns, quoteName } from '../names'
import type { LiveAttached, PhysicalNames } from '../physical'
import { type Dialect, mariadb } from './dialects'
import { expressionSql } from './expression-sql'

/**
 * A view for each table with facts that are derived and not simply stored: all its columns and those facts
 * beside them, under their names. Who reads the database with another tool finds there what staff see.
 */
export const viewsOf = (book: Book, names: PhysicalNames): LiveAttached[] =>
  book.tables.filter(needsView).map((table) => ({
    kind: 'VIEW',
    name: names.view(table.id),
    table: table.id,
    say: `Show ${table.name} with what is derived`,
    sql: viewSql(book, names, table),
  }))

export const needsView = (table: Table) =>
  table.fields.some((field) => isDerived(field) && (!isStored(field) || field.freezes !== undefined))

const viewSql = (book: Book, names: PhysicalNames, table: Table) =>
  `CREATE OR REPLACE SQL SECURITY INVOKER VIEW ${quoteName(names.view(table.id))} AS SELECT\n  ${viewColumns(book, names, table, mariadb, ownColumns)}\nFROM ${names.quoted(table.id)} AS t`

/** What a view shows of its table `t`: what is stored, and what is derived under its name. */
export function viewColumns(
  book: Book,
  names: PhysicalNames,
  table: Table,
  dialect: Dialect,
  besides: readonly string[],
): string {
  const own = (column: string) => `t.${dialect.quoteName(column)}`
  const columns = table.fields.flatMap((field) => {
    const stored = names.columns(table.id, field.id).map((column) => own(column.name))
    if (!isDerived(field) || field.kind === 'copied') return stored
    return [`${factSql(book, names, field.id, 't', dialect)} AS ${dialect.quoteName(names.inView(table.id, field.id))}`]
  })
  return [...columns, ...besides.map(own)].join(',\n  ')
}

/** A derived fact of a record, over its table under an alias; NULL where it can't be computed as the book stands. */
export function factSql(book: Book, names: PhysicalNames, fieldId: string, alias: string, dialect = mariadb): string {
  const made = derivedOf(book, fieldId)
  if ('problem' in made) return 'NULL'
  const { table } = fieldWith(book, fieldId)
  const fact = { kind: 'fact', over: [], field: fieldId, type: made.tree.type } as const
  return expressionSql(book, names, table.id, fact, alias, 'plain', dialect)
}
