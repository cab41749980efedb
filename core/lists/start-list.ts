import { type Book, type Column, type Field, fieldOf, type List, type Table, tableOf } from '../book'
import { displayOf } from '../expressions'
import { kindOf } from '../kinds'
import { usualSort } from './usual-sort'

const columnsAtFirst = 6

/** The fields that a list begins with: those that records are known by, then the first others that are short. */
function usualFields(book: Book, table: Table): Field[] {
  const isShort = (field: Field) => !['passage', 'file'].includes(kindOf(displayOf(book, field).kind).control)
  const known = table.knownBy.map((id) => fieldOf(table, id))
  const others = table.fields.filter((field) => !known.includes(field) && isShort(field))
  return [...known, ...others].slice(0, columnsAtFirst)
}

/**
 * A list of all records of a table, as a beginning.
 * @param id the list's own, made by whoever wishes
 */
export function startList(book: Book, tableId: string, id: string): List {
  const table = tableOf(book, tableId)
  const sort = usualSort(table)
  const fields = usualFields(book, table)
  const sorted = sort && !fields.some((field) => field.id === sort.field) ? [fieldOf(table, sort.field)] : []
  const columns = [...sorted, ...fields].map((field): Column => ({
    id: field.id,
    shows: { kind: 'field', place: { way: [], field: field.id } },
  }))
  return {
    id,
    table: tableId,
    columns,
    asks: [],
    order: sort ? [{ column: sort.field, ...(sort.down && { down: true as const }) }] : [],
  }
}
