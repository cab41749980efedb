import type { Book, Field, Link, Table } from '../book'

const known = new WeakMap<Table, ReadonlyMap<string, Field>>()

/** A table's fields by their names in small letters; worked out once for each table as it stands. */
export function namedFields(table: Table): ReadonlyMap<string, Field> {
  const names = known.get(table) ?? new Map(table.fields.map((field) => [field.name.toLowerCase(), field]))
  known.set(table, names)
  return names
}

const linksByMany = new WeakMap<Book['links'], Map<string, Link[]>>()

/** The links that each table's own fields carry. */
export function linksOfTables(book: Book): ReadonlyMap<string, readonly Link[]> {
  const found = linksByMany.get(book.links)
  if (found) return found
  const map = new Map<string, Link[]>()
  for (const link of book.links) {
    const links = map.get(link.many) ?? []
    links.push(link)
    map.set(link.many, links)
  }
  linksByMany.set(book.links, map)
  return map
}

/** The field that carries a link. */
export const carrierOf = (table: Table, link: Link): Field | undefined =>
  table.fields.find((field) => field.id === link.field)
