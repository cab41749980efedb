import { type Book, findField, type Table } from '../book'
import { derivedOf, expressionSql, isStored } from '../expressions'
import { isDerived } from '../kinds'
import { ownColumns, quoteName } from '../names'
import type { PhysicalNames } from './columns'
import type { LiveAttached } from './schema'

/**
 * A view for each table with facts that are derived and not simply stored: all its columns and those facts
 * beside them, under their names. Who reads the database with another tool finds there what staff see.
 */
export const viewsOf = (book: Book, names: PhysicalNames): LiveAttached[] =>
  book.tables.filter(needsView).map((table) => ({
    kind: 'VIEW',
    name: names.view(table.id),
    say: `Show ${table.name} with what is derived`,
    sql: viewSql(book, table, names),
  }))

const needsView = (table: Table) =>
  table.fields.some((field) => isDerived(field) && (!isStored(field) || field.freezes !== undefined))

function viewSql(book: Book, table: Table, names: PhysicalNames): string {
  const own = (column: string) => `t.${quoteName(column)}`
  const columns = table.fields.flatMap((field) => {
    const stored = names.columns(table.id, field.id).map((column) => own(column.name))
    if (!isDerived(field) || field.kind === 'copied') return stored
    return [`${factSql(book, names, field.id, 't')} AS ${quoteName(names.inView(table.id, field.id))}`]
  })
  return `CREATE OR REPLACE SQL SECURITY INVOKER VIEW ${quoteName(names.view(table.id))} AS SELECT\n  ${[...columns, ...ownColumns.map(own)].join(',\n  ')}\nFROM ${names.quoted(table.id)} AS t`
}

/** A derived fact of a record, over its table under an alias; NULL where it can't be reckoned as the book stands. */
export function factSql(book: Book, names: PhysicalNames, fieldId: string, alias: string): string {
  const made = derivedOf(book, fieldId)
  if ('because' in made) return 'NULL'
  const { table } = findField(book, fieldId)!
  return expressionSql(book, names, table.id, { kind: 'fact', over: [], field: fieldId, type: made.tree.type }, alias)
}
