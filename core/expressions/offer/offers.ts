import { type Book, type Field, type Link, linksFrom, linksTo, type Table, tableOf, fieldWith } from '../../book'
import { displayOf } from '../derived/derived'
import { writtenName } from '../text/show'
import { uncomputed } from '../text/syntax'
import { typeOfField } from '../types'

/** A fact of a linked record that can be borrowed or copied. */
export interface FactOffer {
  /** As it is written: `Premises.Town`. */
  readonly source: string
  /** The way to it in words: "Premises → Town". */
  readonly words: string
  /** The names of the links on the way, for grouping. */
  readonly through: string
  readonly field: Field
}

const mostLinks = 3

/** The facts of the records that a table's links lead to, up to three links away; near ones first. */
export function factsOffered(book: Book, table: Table): FactOffer[] {
  const offers: FactOffer[] = []
  let ends: { readonly table: Table; readonly way: readonly Field[]; readonly seen: readonly string[] }[] = [
    { table, way: [], seen: [table.id] },
  ]
  for (let step = 0; step < mostLinks; step++) {
    ends = ends.flatMap((end) =>
      linksFrom(book, end.table.id).flatMap((link) => {
        // Once round a circle is enough to see where it leads.
        if (end.seen.filter((id) => id === link.one).length > 1) return []
        const way = [...end.way, fieldWith(book, link.field).field]
        return [{ table: tableOf(book, link.one), way, seen: [...end.seen, link.one] }]
      }),
    )
    for (const end of ends) offers.push(...end.table.fields.filter(canBeTold).map((field) => offer(end.way, field)))
  }
  return offers
}

const canBeTold = (field: Field) => field.kind !== 'link' && !uncomputed.includes(field.kind)

function offer(way: readonly Field[], field: Field): FactOffer {
  const through = way.map((link) => link.name).join(' → ')
  const source = [...way, field].map((one) => writtenName(one.name)).join('.')
  return { source, words: `${through} → ${field.name}`, through, field }
}

/** Rows that hang on a table's records, by the name they are gathered under, and their facts with what each allows. */
export interface RowsOffer {
  readonly table: Table
  readonly link: Link
  /** The link's name where the table leads here by several, to tell them apart. */
  readonly by?: string
  readonly fields: readonly { readonly field: Field; readonly adds: boolean }[]
}

/** The rows that can be gathered for each record of a table: those of each table that leads here, by each of its links. */
export function rowsOffered(book: Book, table: Table): RowsOffer[] {
  const links = linksTo(book, table.id)
  return links.map((link) => {
    const rows = tableOf(book, link.many)
    const several = links.filter((other) => other.many === link.many).length > 1
    return {
      table: rows,
      link,
      ...(several && { by: fieldWith(book, link.field).field.name }),
      fields: rows.fields.flatMap((field) => {
        const type = field.kind === 'link' ? undefined : typeOfField(displayOf(book, field), book.look)
        if (!type || !['exact', 'measured', 'date', 'time', 'moment'].includes(type.is)) return []
        return [{ field, adds: type.is === 'exact' || type.is === 'measured' }]
      }),
    }
  })
}
