import type { MapCard } from './cards'
import { columnLayout, type LayoutVariant } from './columns'
import { around, type Box, onGrid, overlap, type Point, step } from './geometry'
import type { MapLine } from './lines'

export type Spots = Readonly<Record<string, Point>>

const gap = 40

/**
 * Where every card stands: those with a spot there, the others where the program puts them. Most of them new,
 * everything is laid out; a few new ones come next to what they are tied to, and nothing else moves.
 */
export function placeCards(
  cards: readonly MapCard[],
  lines: readonly MapLine[],
  known: Spots,
  variant?: LayoutVariant,
): Map<string, Box> {
  const boxes = new Map<string, Box>()
  const left = cards.filter((card) => {
    const spot = known[card.id]
    if (spot) boxes.set(card.id, boxAt(card, spot))
    return !spot
  })
  if (left.length > cards.length / 2) return besideKnown(cards, lines, boxes, variant)
  for (const card of tiedFirst(left, lines, boxes)) boxes.set(card.id, besideItsTies(card, lines, boxes))
  return boxes
}

const boxAt = ({ width, height }: MapCard, { x, y }: Point): Box => ({ x: onGrid(x), y: onGrid(y), width, height })

/** All laid out at once, about the ones that stay where they are. */
function besideKnown(
  cards: readonly MapCard[],
  lines: readonly MapLine[],
  known: ReadonlyMap<string, Box>,
  variant?: LayoutVariant,
): Map<string, Box> {
  const laid = columnLayout(cards, lines, variant)
  const shifts = [...known].map(([id, box]) => ({ x: box.x - laid[id]!.x, y: box.y - laid[id]!.y }))
  const mean = (of: (point: Point) => number) =>
    shifts.length === 0 ? 0 : shifts.reduce((sum, shift) => sum + of(shift), 0) / shifts.length
  const [dx, dy] = [mean(({ x }) => x), mean(({ y }) => y)]
  const boxes = new Map(known)
  for (const card of cards) {
    if (known.has(card.id)) continue
    const wanted = boxAt(card, { x: laid[card.id]!.x + dx, y: laid[card.id]!.y + dy })
    boxes.set(card.id, known.size === 0 ? wanted : nearestFree(wanted, [...boxes.values()]))
  }
  return boxes
}

function tiedFirst(left: readonly MapCard[], lines: readonly MapLine[], boxes: ReadonlyMap<string, Box>) {
  const ties = (id: string) =>
    lines.filter(({ one, many }) => (one === id && boxes.has(many)) || (many === id && boxes.has(one))).length
  return [...left].sort((a, b) => ties(b.id) - ties(a.id))
}

function besideItsTies(card: MapCard, lines: readonly MapLine[], boxes: ReadonlyMap<string, Box>): Box {
  const near = lines.flatMap(({ one, many }) => {
    const other = one === card.id ? many : many === card.id ? one : undefined
    const box = other === undefined ? undefined : boxes.get(other)
    return box ? [box] : []
  })
  const whole = around([...boxes.values()])
  const about = around(near)
  const wanted = about
    ? { x: about.x + about.width / 2 - card.width / 2, y: about.y + about.height / 2 - card.height / 2 }
    : { x: whole?.x ?? 0, y: whole ? whole.y + whole.height + gap : 0 }
  return nearestFree(boxAt(card, wanted), [...boxes.values()])
}

/** The free place nearest to where a box would be, looked for in ever larger rings. */
function nearestFree(wanted: Box, others: readonly Box[]): Box {
  for (let ring = 0; ring < 400; ring++) {
    const far = ring * 2 * step
    let best: { box: Box; away: number } | undefined
    for (let turn = 0; turn < (ring === 0 ? 1 : 8 * ring); turn++) {
      const angle = (turn / (8 * ring || 1)) * 2 * Math.PI
      const [dx, dy] = [onGrid(Math.cos(angle) * far), onGrid(Math.sin(angle) * far)]
      const box = { ...wanted, x: wanted.x + dx, y: wanted.y + dy }
      const away = Math.hypot(dx, dy)
      if ((!best || away < best.away) && !others.some((other) => overlap(box, other, gap))) best = { box, away }
    }
    if (best) return best.box
  }
  return wanted
}

/**
 * Spots of one reading for cards of other sizes: the whole drawn together or apart as far as it must be, so that
 * everything stays where one remembers it. Gives the factor too, to write a moved card back.
 */
export function respread(cards: readonly MapCard[], spots: Spots): { readonly spots: Spots; readonly factor: number } {
  for (let factor = 0.35; factor < 4; factor += 0.05) {
    const scaled = Object.fromEntries(
      Object.entries(spots).map(([id, { x, y }]) => [id, { x: onGrid(x * factor), y: onGrid(y * factor) }]),
    )
    const boxes = cards.flatMap((card) => (scaled[card.id] ? [boxAt(card, scaled[card.id]!)] : []))
    const free = boxes.every((a, at) => boxes.slice(at + 1).every((b) => !overlap(a, b, gap)))
    if (free) return { spots: scaled, factor }
  }
  return { spots, factor: 1 }
}

/** Cards that have grown into each other are moved apart, those further down and right giving way. */
export function pushApart(boxes: ReadonlyMap<string, Box>): Map<string, Box> {
  const placed = new Map<string, Box>()
  const ordered = [...boxes].sort(([, a], [, b]) => a.x + a.y - b.x - b.y)
  for (const [id, box] of ordered)
    placed.set(
      id,
      [...placed.values()].some((other) => overlap(box, other, step)) ? nearestFree(box, [...placed.values()]) : box,
    )
  return placed
}
