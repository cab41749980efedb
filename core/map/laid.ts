import type { Point, Side } from './geometry'
import type { Ground } from './grid'
import type { MapLine } from './lines'
import { keep, placeOf, type Port } from './ports'

/** Where a line runs: from the card of `one` to that of `many`, corner by corner, and the sides it touches. */
export interface Route {
  readonly points: readonly Point[]
  readonly from: Side
  readonly to: Side
  /** No way was free: it is drawn straight over whatever is there. */
  readonly forced?: true
}

/** A way from the far end of one foot to that of another. */
export interface Way {
  readonly start: Port
  readonly end: Port
  readonly cells: readonly number[]
}

/** A line on the ground. */
export interface Laid extends Way {
  readonly line: MapLine
  readonly route: Route
}

/** Notes a line on the ground; with -1 it is taken up again. */
export function mark(ground: Ground, { start, end, route }: Laid, by: 1 | -1): void {
  ground.lay(route.points, by)
  keep(ground, start, by)
  keep(ground, end, by)
}

/** The lines that would have to go elsewhere for another to go its way. Crossing them is no hindrance. */
export function inTheWayOf({ start, end, cells }: Way, ground: Ground, all: Iterable<Laid>): Laid[] {
  const feet = new Set([...placeOf(ground, start), ...placeOf(ground, end)])
  const way = new Set(cells)
  const hinders = (laid: Laid) =>
    [laid.start, laid.end].some(
      (port) =>
        port.stub.some((cell) => feet.has(cell) || way.has(cell)) ||
        placeOf(ground, port).some((cell) => way.has(cell)),
    ) || laid.cells.some((cell, at) => feet.has(cell) || (way.has(cell) && way.has(laid.cells[at + 1] ?? -1)))
  return [...all].filter(hinders)
}

/** How many cells of a way lie on other lines too. */
export function crossings(ground: Ground, points: readonly Point[]): number {
  let count = 0
  for (const [at, point] of points.entries()) {
    const next = points[at + 1]
    if (!next) break
    const sideways = point.y === next.y
    const across = sideways ? ground.upright : ground.level
    const way = sideways ? (next.x > point.x ? 0 : 2) : next.y > point.y ? 1 : 3
    const last = ground.cell(next.x, next.y)
    for (let cell = ground.along(ground.cell(point.x, point.y), way); cell !== last; cell = ground.along(cell, way))
      if (across[cell]! > 0) count++
  }
  return count
}
