import { type Book, fieldOf, type Table, tableOf } from '../book'
import { feetOf, type FootEnd } from '../pairings'

/** Sizes of a card on the map, in map units (pixels at full size). */
export const cardSize = { width: 190, tab: 26, row: 22, padding: 10 } as const

export interface MapCard {
  readonly table: Table
  readonly width: number
  readonly height: number
}

export interface MapLine {
  readonly id: string
  readonly one: string
  readonly many: string
  readonly label: string
  readonly atOne: FootEnd
  readonly atMany: FootEnd
}

export interface MapDrawing {
  readonly cards: readonly MapCard[]
  readonly lines: readonly MapLine[]
}

/** What the map shows: a card for each table, a line for each link. */
export function mapDrawing(book: Book): MapDrawing {
  return {
    cards: book.tables.map((table) => ({
      table,
      width: cardSize.width,
      height: cardSize.tab + 2 * cardSize.padding + Math.max(1, table.fields.length) * cardSize.row,
    })),
    lines: book.links.map((link) => {
      const feet = feetOf(book, link)
      const field = fieldOf(tableOf(book, link.many), link.field)
      return {
        id: link.id,
        one: link.one,
        many: link.many,
        label: link.label ?? field.name,
        atOne: feet.one,
        atMany: feet.many,
      }
    }),
  }
}

export type Side = 'left' | 'right' | 'top' | 'bottom'

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** The sides of two cards that a line between them leaves from and comes to: those that face each other. */
export function facingSides(from: Box, to: Box): { readonly from: Side; readonly to: Side } {
  if (to.x >= from.x + from.width) return { from: 'right', to: 'left' }
  if (from.x >= to.x + to.width) return { from: 'left', to: 'right' }
  return to.y >= from.y ? { from: 'bottom', to: 'top' } : { from: 'top', to: 'bottom' }
}
