import type { MapCard } from './cards'
import type { LayoutVariant } from './columns'
import type { Box } from './geometry'
import { type MapLabel, placeLabels } from './labels'
import type { MapLine } from './lines'
import { placeCards, pushApart, respread, type Spots } from './places'
import { mapQuality } from './quality'
import type { Route } from './laid'
import { Router } from './routes'

export interface MapWish {
  readonly cards: readonly MapCard[]
  readonly lines: readonly MapLine[]
  /** Where cards were put, by hand or before; in units of the plain reading. */
  readonly spots: Spots
  /** Cards have other sizes than those for which the spots were chosen. */
  readonly resized: boolean
}

/** A map ready to be drawn. All in map units, boxes on the grid. */
export interface DrawnMap {
  readonly boxes: ReadonlyMap<string, Box>
  readonly routes: ReadonlyMap<string, Route>
  readonly labels: readonly MapLabel[]
  /** How far spots were drawn together or apart. */
  readonly factor: number
}

/** Lays cards out, routes lines round them and finds places for the words. The same wish gives the same map. */
export function drawMap(wish: MapWish): DrawnMap {
  const { cards, lines, spots, resized } = wish
  const spread = resized && Object.keys(spots).length > 0 ? respread(cards, spots) : { spots, factor: 1 }
  const laidOut = cards.filter(({ id }) => !spread.spots[id]).length > cards.length / 2
  const tries = laidOut ? variantsFor(cards.length) : [{}]
  let best: { map: DrawnMap; cost: number } | undefined
  for (const variant of tries) {
    const boxes = pushApart(placeCards(cards, lines, spread.spots, variant))
    const routes = new Router(new Map(cards.map((card) => [card.id, card])), boxes, lines.length).routes(lines)
    const map = { boxes, routes, labels: placeLabels(lines, routes, boxes), factor: spread.factor }
    const cost = tries.length > 1 ? costOf(map) : 0
    if (!best || cost < best.cost) best = { map, cost }
  }
  return best!.map
}

/** A small map is drawn in several ways, of which the clearest is taken; a large one takes too long for that. */
function variantsFor(cards: number): readonly LayoutVariant[] {
  const all: readonly LayoutVariant[] = [{}, { more: 1 }, { more: -1 }, { seed: 1 }, { seed: 2, more: 1 }, { seed: 3 }]
  return all.slice(0, cards <= 25 ? 6 : cards <= 60 ? 2 : 1)
}

/** How hard a map is to read: crossings most of all, then corners, then how far the eye has to go. */
function costOf({ boxes, routes, labels }: DrawnMap): number {
  const quality = mapQuality(boxes, routes, labels, labels.length)
  const { crossings, corners, length, linesOverCards, feetOverlaps, shared } = quality
  return crossings * 150 + corners * 20 + length * 0.2 + (linesOverCards + feetOverlaps) * 1000 + shared * 10
}
