import type { MapCard } from './cards'
import { gridUp, onGrid, type Point } from './geometry'
import type { MapLine } from './lines'
import { stressPlaces } from './stress'

/** As wide for its height as a window or a sheet of paper on its side. */
const aspect = 1.5

interface Slot {
  readonly card: MapCard
  readonly ties: readonly number[]
  column: number
  /** Its middle. */
  y: number
}

/** Another layout of the same map: with more or fewer columns, or begun another way. */
export interface LayoutVariant {
  readonly more?: -1 | 0 | 1
  readonly seed?: number
}

/**
 * Cards in columns with lanes between them for lines: near ones where stress puts them, then exchanged as long
 * as ties get shorter, then shifted up and down towards what they are tied to.
 */
export function columnLayout(
  cards: readonly MapCard[],
  lines: readonly MapLine[],
  { more = 0, seed = 0 }: LayoutVariant = {},
): Record<string, Point> {
  if (cards.length === 0) return {}
  const index = new Map(cards.map(({ id }, at) => [id, at]))
  const ties = lines.flatMap(({ one, many }): [number, number][] => {
    const [a, b] = [index.get(one), index.get(many)]
    return a === undefined || b === undefined || a === b ? [] : [[a, b]]
  })
  const tied: number[][] = cards.map(() => [])
  for (const [a, b] of ties) {
    tied[a]!.push(b)
    tied[b]!.push(a)
  }
  const places = stressPlaces(cards.length, ties, seed)
  const slots = cards.map((card, at): Slot => ({ card, ties: tied[at]!, column: 0, y: 0 }))
  const gaps = gapsFor(cards.length, ties.length)
  const columns = inColumns(slots, places, gaps, more)
  stack(columns, gaps)
  for (let round = 0; round < (cards.length > 120 ? 3 : 12); round++) {
    if (!exchange(slots, columns, gaps)) break
    stack(columns, gaps)
  }
  for (let round = 0; round < 12; round++) settle(columns, slots, gaps)
  return placed(columns, gaps)
}

/** Free room between columns and between the cards of one, in map units. */
interface Gaps {
  readonly lane: number
  readonly between: number
}

/** As much as the lines need that are likely to run there: where it is scarce, lines find no way at all. */
function gapsFor(cards: number, ties: number): Gaps {
  const dense = ties / Math.max(1, Math.sqrt(cards * 1.5))
  return {
    lane: gridUp(Math.min(400, 110 + 7 * dense)),
    between: gridUp(Math.min(120, 60 + 3 * Math.max(0, dense - 10))),
  }
}

function inColumns(slots: readonly Slot[], places: readonly Point[], { lane, between }: Gaps, more: number): Slot[][] {
  const height = (slot: Slot) => slot.card.height + between
  const whole = slots.reduce((sum, slot) => sum + height(slot), 0)
  const width = slots.reduce((sum, slot) => sum + slot.card.width, 0) / slots.length + lane
  const count = Math.max(1, Math.round(Math.sqrt((whole * aspect) / width)) + more)
  const ordered = [...slots.keys()].sort((a, b) => places[a]!.x - places[b]!.x)
  const columns: Slot[][] = Array.from({ length: count }, () => [])
  let filled = 0
  for (const at of ordered) {
    const slot = slots[at]!
    slot.column = Math.min(count - 1, Math.floor(((filled + height(slot) / 2) / whole) * count))
    filled += height(slot)
    columns[slot.column]!.push(slot)
    slot.y = places[at]!.y
  }
  for (const column of columns) column.sort((a, b) => a.y - b.y)
  return columns
}

/** Each column from its top, all about one middle. */
function stack(columns: readonly (readonly Slot[])[], { between }: Gaps): void {
  for (const column of columns) {
    const whole = column.reduce((sum, { card }) => sum + card.height + between, -between)
    let y = -whole / 2
    for (const slot of column) {
      slot.y = y + slot.card.height / 2
      y += slot.card.height + between
    }
  }
}

/** Two cards change places where their ties get shorter by it; whether any did. */
function exchange(slots: readonly Slot[], columns: Slot[][], { lane }: Gaps): boolean {
  const pitch = slots.reduce((sum, { card }) => sum + card.width, 0) / slots.length + lane
  const cost = (slot: Slot, column: number, y: number, other: Slot) =>
    slot.ties.reduce((sum, tie) => {
      const far = slots[tie]!
      // The one it changes with stands where it stood.
      const [tc, ty] = far === other ? [slot.column, slot.y] : [far.column, far.y]
      const sideways = Math.abs(tc - column)
      // In one column a line has to go round what is in between.
      return sum + sideways * pitch + Math.abs(ty - y) * (sideways === 0 ? 1.4 : 1)
    }, 0)
  let changed = false
  for (const a of slots)
    for (const b of slots) {
      if (a === b || Math.abs(a.column - b.column) > 2) continue
      if (Math.abs(a.card.height - b.card.height) > 160 && a.column !== b.column) continue
      const before = cost(a, a.column, a.y, b) + cost(b, b.column, b.y, a)
      const after = cost(a, b.column, b.y, b) + cost(b, a.column, a.y, a)
      if (after >= before - 1) continue
      const [from, to] = [columns[a.column]!, columns[b.column]!]
      const [at, where] = [from.indexOf(a), to.indexOf(b)]
      from[at] = b
      to[where] = a
      ;[a.column, b.column] = [b.column, a.column]
      ;[a.y, b.y] = [b.y, a.y]
      changed = true
    }
  return changed
}

/** Each column's cards as near the height of what they are tied to as their order allows (pool adjacent violators). */
function settle(columns: readonly (readonly Slot[])[], slots: readonly Slot[], { between }: Gaps): void {
  for (const column of columns) {
    let offset = 0
    const groups: { wish: number; count: number }[] = []
    const offsets = column.map((slot, at) => {
      if (at > 0) offset += (column[at - 1]!.card.height + slot.card.height) / 2 + between
      return offset
    })
    column.forEach((slot, at) => {
      const mean =
        slot.ties.length > 0 ? slot.ties.reduce((sum, tie) => sum + slots[tie]!.y, 0) / slot.ties.length : slot.y
      groups.push({ wish: (mean + slot.y) / 2 - offsets[at]!, count: 1 })
      while (groups.length > 1 && groups.at(-2)!.wish > groups.at(-1)!.wish) {
        const [a, b] = groups.splice(-2) as [(typeof groups)[0], (typeof groups)[0]]
        const count = a.count + b.count
        groups.push({ wish: (a.wish * a.count + b.wish * b.count) / count, count })
      }
    })
    let at = 0
    for (const { wish, count } of groups)
      for (let one = 0; one < count; one++, at++) column[at]!.y = wish + offsets[at]!
  }
}

function placed(columns: readonly (readonly Slot[])[], { lane, between }: Gaps): Record<string, Point> {
  const spots: Record<string, Point> = {}
  let x = 0
  const top = Math.min(...columns.flatMap((column) => column.map(({ y, card }) => y - card.height / 2)))
  for (const column of columns) {
    const width = Math.max(0, ...column.map(({ card }) => card.width))
    let last = -Infinity
    for (const { card, y } of column) {
      const wanted = onGrid(y - card.height / 2 - top)
      const free = Math.max(wanted, last === -Infinity ? 0 : last + between)
      spots[card.id] = { x: onGrid(x + (width - card.width) / 2), y: onGrid(free) }
      last = free + card.height
    }
    x += width + (column.length > 0 ? lane : 0)
  }
  return spots
}
