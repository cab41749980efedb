import { type Box, overlap } from './geometry'
import { cardSize } from './cards'
import { footBox, type MapLabel, piecesOf } from './labels'
import type { Route } from './laid'

/** How well a map is drawn: what is to be nought, and what is to be small. */
export interface MapQuality {
  readonly cardOverlaps: number
  readonly labelOverlaps: number
  readonly feetOverlaps: number
  readonly linesOverCards: number
  /** How much of the lines lies on other lines, in map units. */
  readonly shared: number
  readonly crossings: number
  readonly corners: number
  /** In map units. */
  readonly length: number
  readonly unplaced: number
}

const { tab } = cardSize

export function mapQuality(
  boxes: ReadonlyMap<string, Box>,
  routes: ReadonlyMap<string, Route>,
  labels: readonly MapLabel[],
  wanted: number,
): MapQuality {
  const cards = [...boxes.values()]
  // Beside its tab a card is lower.
  const bodies = [...boxes.values()].map((box) => ({ ...box, y: box.y + tab, height: box.height - tab }))
  const pieces = [...routes].flatMap(([line, { points }]) => piecesOf(points).map((piece) => ({ line, ...piece })))
  const feet = [...routes.values()].flatMap(({ points }) => [
    footBox(points[0]!, points[1]!),
    footBox(points.at(-1)!, points.at(-2)!),
  ])
  const words = labels.map(({ box }) => box)
  const level = pieces.filter((piece) => piece.level)
  const upright = pieces.filter((piece) => !piece.level)
  const crossing = (a: Box, b: Box) => b.x > a.x && b.x < a.x + a.width && a.y > b.y && a.y < b.y + b.height
  return {
    cardOverlaps: pairs(cards),
    labelOverlaps: pairs(words) + between(words, cards) + between(words, feet),
    feetOverlaps: pairs(feet),
    linesOverCards: pieces.filter(({ box }) => bodies.some((card) => overlap(shrunk(card), thick(box)))).length,
    shared: sharedLength(level, 'x', 'y') + sharedLength(upright, 'y', 'x'),
    crossings: level.reduce(
      (sum, a) => sum + upright.filter((b) => b.line !== a.line && crossing(a.box, b.box)).length,
      0,
    ),
    corners: [...routes.values()].reduce((sum, { points }) => sum + points.length - 2, 0),
    length: pieces.reduce((sum, piece) => sum + piece.length, 0),
    unplaced: wanted - labels.length,
  }
}

/** Lines one behind the other on the same level, and how far each reaches into those before it. */
function sharedLength(pieces: readonly { readonly box: Box }[], along: 'x' | 'y', at: 'x' | 'y'): number {
  const size = along === 'x' ? 'width' : 'height'
  let shared = 0
  let [level, end] = [NaN, -Infinity]
  for (const { box } of [...pieces].sort((a, b) => a.box[at] - b.box[at] || a.box[along] - b.box[along])) {
    if (box[at] !== level) end = -Infinity
    level = box[at]
    shared += Math.max(0, Math.min(end, box[along] + box[size]) - box[along])
    end = Math.max(end, box[along] + box[size])
  }
  return shared
}

const pairs = (boxes: readonly Box[]) =>
  boxes.reduce((sum, a, at) => sum + boxes.slice(at + 1).filter((b) => overlap(a, b)).length, 0)
const between = (some: readonly Box[], others: readonly Box[]) =>
  some.reduce((sum, a) => sum + others.filter((b) => overlap(a, b)).length, 0)
const shrunk = (box: Box): Box => ({ x: box.x + 1, y: box.y + 1, width: box.width - 2, height: box.height - 2 })
const thick = (box: Box): Box => ({
  x: box.x - 0.25,
  y: box.y - 0.25,
  width: box.width + 0.5,
  height: box.height + 0.5,
})
