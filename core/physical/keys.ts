import { type Book, type Field, findField, type Link, type Table, tableOf } from '../book'
import type { PhysicalNames } from './physical-names'

/** The names of the columns of some fields. */
export const columnNames = (names: PhysicalNames, table: Table, fields: readonly string[]) =>
  fields.flatMap((field) => names.columns(table.id, field).map((column) => column.name))

export const keyNames = (names: PhysicalNames, table: Table) => columnNames(names, table, table.key)

/** The columns of a link and those of the key that it leads to, pair by pair. */
export function linkPairs(
  book: Book,
  names: PhysicalNames,
  link: Link,
): readonly (readonly [own: string, key: string])[] {
  const own = columnNames(names, tableOf(book, link.many), [link.field])
  const key = keyNames(names, tableOf(book, link.one))
  return own.map((column, at) => [column, key[at]!] as const)
}

/** The columns of a table's key. */
export const keyColumns = (table: Table, names: PhysicalNames) => table.key.flatMap((id) => names.columns(table.id, id))

/** The field at the end of a link's key, whose kind knows how its values are stored. */
export function leafOf(book: Book, id: string): Field {
  const found = findField(book, id)
  if (!found) throw new Error(`Expected the field ${id} behind a column.`)
  return found.field
}
