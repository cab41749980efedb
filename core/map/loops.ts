import type { Point } from './geometry'

type Piece = readonly [Point, Point]

const between = (value: number, a: number, b: number) => value >= Math.min(a, b) && value <= Math.max(a, b)

/** Where two pieces, each level or upright, first meet as one goes along the first; undefined where they don't. */
function meeting([a, b]: Piece, [c, d]: Piece): Point | undefined {
  const [aLevel, cLevel] = [a.y === b.y, c.y === d.y]
  if (aLevel !== cLevel) {
    const at = aLevel ? { x: c.x, y: a.y } : { x: a.x, y: c.y }
    const meets =
      between(at.x, a.x, b.x) && between(at.y, a.y, b.y) && between(at.x, c.x, d.x) && between(at.y, c.y, d.y)
    return meets ? at : undefined
  }
  if (aLevel ? a.y !== c.y : a.x !== c.x) return undefined
  const onFirst = [a, c, d].filter((point) => between(point.x, a.x, b.x) && between(point.y, a.y, b.y))
  const shared = onFirst.filter((point) => between(point.x, c.x, d.x) && between(point.y, c.y, d.y))
  const away = (point: Point) => Math.abs(point.x - a.x) + Math.abs(point.y - a.y)
  return shared.sort((one, other) => away(one) - away(other))[0]
}

/**
 * A way without the loops in which it comes back to itself, as it does where both its feet lie on one line and there is
 * hardly room between them. What is left lies wholly on the way that was given.
 */
export function withoutLoops(points: readonly Point[]): readonly Point[] {
  for (let first = 0; first + 2 < points.length; first++)
    for (let last = points.length - 2; last > first + 1; last--) {
      const at = meeting([points[first]!, points[first + 1]!], [points[last]!, points[last + 1]!])
      if (at) return withoutLoops([...points.slice(0, first + 1), at, ...points.slice(last + 1)])
    }
  return points
}
