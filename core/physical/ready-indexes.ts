import { type Book, type Condition, findField, type List, type Place, type Table } from '../book'
import { kindOf } from '../kinds'
import type { PhysicalNames } from './physical-names'

/** Comparisons that an index answers. */
const answered = ['is', 'more', 'atLeast', 'less', 'atMost', 'between', 'oneOf', 'begins']

/**
 * The columns by which everybody's lists that are to be ready find their records or put them in order, as indexes: one
 * for each field of the records themselves that a condition compares, and one for the order.
 */
export const readyIndexes = (book: Book, table: Table, names: PhysicalNames): string[][] =>
  book.lists
    .filter((list) => list.ready && list.owner === undefined && list.table === table.id)
    .flatMap((list) => {
      const columnOf = (place: Place) =>
        place.way.length === 0 ? plainColumn(book, table, names, place.field) : undefined
      const compared = sideBySide(list.where).flatMap((condition) => {
        if (condition.kind === 'within') return columnOf(condition.place) ?? []
        return condition.kind === 'compare' && answered.includes(condition.how) ? (columnOf(condition.place) ?? []) : []
      })
      const order = orderOf(list, columnOf)
      return [...compared.map((column) => [column]), ...(order.length > 0 ? [order] : [])]
    })

/** Conditions that all must hold. */
const sideBySide = (where: List['where']): readonly Condition[] =>
  where?.kind === 'all' ? where.of.flatMap(sideBySide) : where ? [where] : []

/** The columns of an order that an index has too: of the records themselves, all in one direction. */
function orderOf({ order, columns }: List, columnOf: (place: Place) => string | undefined): string[] {
  const found: string[] = []
  for (const { column: id, down, blanks, natural } of order) {
    const shows = columns.find((column) => column.id === id)?.shows
    const column = shows?.kind === 'field' ? columnOf(shows.place) : undefined
    if (!column || blanks || natural || down !== order[0]?.down) return []
    found.push(column)
  }
  return found
}

/** A column of its own that an index can hold whole; links have theirs already. */
function plainColumn(book: Book, table: Table, names: PhysicalNames, id: string): string | undefined {
  const found = findField(book, id)
  const columns = found?.table.id === table.id ? names.columns(table.id, id) : []
  const [column] = columns
  if (!found || !column || columns.length !== 1 || found.field.kind === 'link') return undefined
  return ['passage', 'file'].includes(kindOf(found.field.kind).control) ? undefined : column.name
}
