import type { Book, Field, Link, Table } from '../book'
import { oncePer } from '../words'

/** A table's fields by their names in small letters; worked out once for each table as it stands. */
export const namedFields = oncePer(
  (table: Table): ReadonlyMap<string, Field> => new Map(table.fields.map((field) => [field.name.toLowerCase(), field])),
)

/** The links that each table's own fields carry. */
export const linksOfTables = (book: Book): ReadonlyMap<string, readonly Link[]> => linksByMany(book.links)

const linksByMany = oncePer((all: Book['links']) => {
  const map = new Map<string, Link[]>()
  for (const link of all) {
    const links = map.get(link.many) ?? []
    links.push(link)
    map.set(link.many, links)
  }
  return map
})

/** The field that carries a link. */
export const carrierOf = (table: Table, link: Link): Field | undefined =>
  table.fields.find((field) => field.id === link.field)
