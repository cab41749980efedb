import { type Book, type Field, findField, type Place, type Table } from '../../book'
import type { Problem } from '../../words'
import { endOf } from '../ways/walk'

type FieldAt = { readonly end: Table; readonly field: Field } | { readonly problem: Problem }

/** The field that a place means, and whose it is. */
export function fieldAt(book: Book, table: Table, { way, field: id }: Place): FieldAt {
  const end = endOf(book, table.id, way)
  if (!end) return { problem: { kind: 'list-way-gone', table: table.name } }
  const found = findField(book, id)
  return found?.table.id === end.id
    ? { end, field: found.field }
    : { problem: { kind: 'list-field-gone', table: end.name } }
}
