import { type Book, fieldOf, type Table, tableOf } from '../book'
import { feetOf, type FootEnd } from '../pairings'

/** Sizes of a card on the map, in map units (pixels at full size). */
const cardSize = { width: 190, tab: 26, row: 22, padding: 10 } as const

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
        label: link.label ?? (field.name === tableOf(book, link.one).name ? '' : field.name),
        atOne: feet.one,
        atMany: feet.many,
      }
    }),
  }
}

export type Side = 'left' | 'right' | 'top' | 'bottom'

export interface Box {
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

/** A line's two ends on the sides of its cards, and where its upright part runs between them. */
export interface Route {
  readonly from: { readonly side: Side; readonly x: number; readonly y: number }
  readonly to: { readonly side: Side; readonly x: number; readonly y: number }
  /** Where the middle part runs: an x for lines that leave sideways, a y for the others. */
  readonly middle: number
}

/**
 * Routes every line so that no two share an end: ends on one side of a card are spread along it in the
 * order of where they lead, and middle parts between the same two columns run beside each other.
 */
export function routeLines(lines: readonly MapLine[], boxes: ReadonlyMap<string, Box>): Map<string, Route> {
  const ends = new Map<string, { line: MapLine; end: 'from' | 'to'; towards: number }[]>()
  const sides = new Map<string, { from: Side; to: Side }>()
  for (const line of lines) {
    const [one, many] = [boxes.get(line.one), boxes.get(line.many)]
    if (!one || !many) continue
    const facing = line.one === line.many ? ({ from: 'right', to: 'bottom' } as const) : facingSides(one, many)
    sides.set(line.id, facing)
    const note = (card: string, side: Side, end: 'from' | 'to', other: Box) => {
      const towards = side === 'left' || side === 'right' ? other.y + other.height / 2 : other.x + other.width / 2
      const place = `${card} ${side}`
      ends.set(place, [...(ends.get(place) ?? []), { line, end, towards }])
    }
    note(line.one, facing.from, 'from', many)
    note(line.many, facing.to, 'to', one)
  }
  const points = new Map<string, { side: Side; x: number; y: number }>()
  for (const [place, there] of ends) {
    const [card, side] = place.split(' ') as [string, Side]
    there.sort((a, b) => a.towards - b.towards || (a.line.id < b.line.id ? -1 : 1))
    there.forEach(({ line, end }, at) => {
      points.set(`${line.id} ${end}`, { side, ...pointOn(boxes.get(card)!, side, (at + 1) / (there.length + 1)) })
    })
  }
  const routes = new Map<string, Route>()
  const channels = new Map<number, number>()
  for (const line of lines) {
    const [from, to] = [points.get(`${line.id} from`), points.get(`${line.id} to`)]
    if (!from || !to) continue
    const sideways = from.side === 'left' || from.side === 'right'
    const half = sideways ? (from.x + to.x) / 2 : (from.y + to.y) / 2
    const channel = Math.round(half / 40)
    const used = channels.get(channel) ?? 0
    channels.set(channel, used + 1)
    // 0, +9, -9, +18, -18 … around the middle, as far as the gap between cards allows.
    const shift = Math.ceil(used / 2) * (used % 2 === 0 ? -9 : 9)
    routes.set(line.id, { from, to, middle: half + Math.max(-36, Math.min(36, shift)) })
  }
  return routes
}

function pointOn({ x, y, width, height }: Box, side: Side, along: number): { x: number; y: number } {
  // The tab of a card is narrower than the card, so its sides begin below it.
  const top = y + cardSize.tab
  if (side === 'left' || side === 'right') {
    return { x: side === 'left' ? x : x + width, y: top + (height - cardSize.tab) * along }
  }
  return { x: x + width * along, y: side === 'top' ? (along < 0.5 ? y : top) : y + height }
}
