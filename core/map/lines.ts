import { type Book, fieldOf, type Link, linksFrom, tableOf } from '../book'
import { feetOf, type FootEnd } from '../pairings'
import { foldedTables, type MapReading } from './cards'

/** A line from one card to another: a link or a stream. */
export interface MapLine {
  readonly id: string
  readonly one: string
  readonly many: string
  /** Read from `one` to `many`, and back. */
  readonly label: string
  readonly back: string
  /** The row of the field that carries it, where it is on a card. */
  readonly field?: string
}

/** A link as it stands on the map. */
export interface LinkLine extends MapLine {
  readonly atOne: FootEnd
  readonly atMany: FootEnd
}

/** A line for each link that the reading shows. */
export function linkLines(book: Book, reading: MapReading): LinkLine[] {
  const folded = reading.sense === 'logical' ? foldedTables(book) : []
  const hidden = new Set(folded.map((table) => table.id))
  const plain = book.links.filter((link) => !hidden.has(link.many)).map((link) => plainLine(book, link))
  return [...plain, ...folded.map((table) => foldedLine(book, table.id, table.name))]
}

function plainLine(book: Book, link: Link): LinkLine {
  const feet = feetOf(book, link)
  const field = fieldOf(tableOf(book, link.many), link.field)
  const said = link.label ?? link.back
  return {
    id: link.id,
    one: link.one,
    many: link.many,
    // Where nobody said how it reads, a field that isn't named like its table says it.
    label: link.label ?? (said || field.name === tableOf(book, link.one).name ? '' : field.name),
    back: link.back ?? '',
    atOne: feet.one,
    atMany: feet.many,
    field: field.id,
  }
}

/** Each record of one side has as many of the other as it has rows in between. */
function foldedLine(book: Book, table: string, name: string): LinkLine {
  const [a, b] = linksFrom(book, table) as [Link, Link]
  return {
    id: table,
    one: a.one,
    many: b.one,
    label: name,
    back: '',
    atOne: feetOf(book, b).many,
    atMany: feetOf(book, a).many,
  }
}
