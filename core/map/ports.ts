import type { MapCard } from './cards'
import { type Box, type Point, type Side, step } from './geometry'
import { type Ground, outward } from './grid'

/** Where a line may touch a card. */
export interface Port extends Point {
  readonly side: Side
  /** The cell at the far end of the straight piece on which the crow's foot stands. */
  readonly cell: number
  /** The cells of that piece, from the card outwards. */
  readonly stub: readonly number[]
  /** What it costs to use this one rather than a better one, in map units. */
  readonly cost: number
}

/** A crow's foot is 22 units long; a corner comes after it. */
export const stubLength = 30

/** Every place on a card's sides where a line could end, as far apart as the grid. */
export function portsOf(ground: Ground, card: MapCard, box: Box, row?: string): Port[] {
  const top = box.y + card.tab.height
  const ports: Port[] = []
  const add = (side: Side, x: number, y: number, cost: number) => {
    const way = outward[side]
    const beyond = side === 'top' ? y - box.y : 0
    const stub: number[] = []
    for (let at = 1; at <= (stubLength + beyond) / step; at++) {
      const [dx, dy] = [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ][way]!
      const [cx, cy] = [x + at * step * dx!, y + at * step * dy!]
      if (!ground.isInside(cx, cy)) return
      stub.push(ground.cell(cx, cy))
    }
    ports.push({ side, x, y, cell: stub.at(-1)!, stub, cost })
  }
  const own = row === undefined ? -1 : card.rows.findIndex((one) => one.field === row)
  const middle = own >= 0 ? top + 20 + own * 20 : (top + box.y + box.height) / 2
  for (let y = top + step; y <= box.y + box.height - step; y += step) {
    const cost = Math.min(40, Math.abs(y - middle) * 0.25)
    add('left', box.x, y, cost)
    add('right', box.x + box.width, y, cost)
  }
  const centre = box.x + box.width / 2
  for (let x = box.x + 2 * step; x <= box.x + box.width - 2 * step; x += step) {
    const cost = 12 + Math.min(40, Math.abs(x - centre) * 0.25)
    add('bottom', x, box.y + box.height, cost)
    // Above the tab or beside it, never on its edge.
    if (x < box.x + card.tab.width - step) add('top', x, box.y, cost + 6)
    else if (x > box.x + card.tab.width + step) add('top', x, top, cost + 12)
  }
  return ports
}

/** How much of its place a foot is to have: all of it; just its own straight piece, close beside others; or none yet. */
export type Elbow = 'ample' | 'close' | 'none'

/** Whether a foot has as much of its place as it is to have. No other card ever stands there. */
export function isFree(ground: Ground, port: Port, card: number, elbow: Elbow): boolean {
  const place = placeOf(ground, port)
  if (!place.every((cell) => ground.owner[cell] === 0 || ground.owner[cell] === card)) return false
  const own = elbow === 'ample' ? place : elbow === 'close' ? port.stub : []
  return own.every((cell) => ground.kept[cell] === 0 && ground.level[cell] === 0 && ground.upright[cell] === 0)
}

/** The cells of a foot, and those of a line's width beside it. */
export function placeOf(ground: Ground, port: Port): number[] {
  const across = port.side === 'left' || port.side === 'right' ? ground.columns : 1
  return port.stub.flatMap((cell) => [cell - across, cell, cell + across])
}

/** Keeps the place of a foot, and a line's width beside it, for itself. */
export function keep(ground: Ground, port: Port, by: 1 | -1): void {
  const across = port.side === 'left' || port.side === 'right' ? ground.columns : 1
  const start = port.stub[0]!
  // The cell on the card's edge too, so that the next foot isn't set right beside this one.
  for (const cell of [start, ...port.stub])
    for (const near of [cell - across, cell, cell + across]) ground.kept[near]! += by
}
