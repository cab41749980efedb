import { type Box, onGrid, overlap, type Point, step } from './geometry'

const stride = 2 * step
const mostRings = 400

/**
 * The place for a box that is nearest to where its middle is wished and clear of all others, by rings of growing
 * size. Units of the map, on its grid.
 */
export function freeSpot(
  { width, height }: { readonly width: number; readonly height: number },
  wish: Point,
  taken: readonly Box[],
): Point {
  const x = onGrid(wish.x - width / 2)
  const y = onGrid(wish.y - height / 2)
  const isFree = (at: Point) => !taken.some((box) => overlap({ ...at, width, height }, box, step))
  for (let ring = 0; ring < mostRings; ring++) {
    const round = ringOf(ring).map(([across, down]) => ({ x: x + across * stride, y: y + down * stride }))
    const free = round.filter(isFree)
    const far = (at: Point) => Math.hypot(at.x - x, at.y - y)
    if (free.length > 0) return free.reduce((best, at) => (far(at) < far(best) ? at : best))
  }
  return { x, y: onGrid(Math.max(...taken.map((box) => box.y + box.height))) + stride }
}

/** The places of a square ring round the middle, in strides. */
function ringOf(size: number): [number, number][] {
  if (size === 0) return [[0, 0]]
  const line = Array.from({ length: 2 * size + 1 }, (_, at) => at - size)
  return [
    ...line.flatMap((at): [number, number][] => [
      [at, -size],
      [at, size],
    ]),
    ...line.slice(1, -1).flatMap((at): [number, number][] => [
      [-size, at],
      [size, at],
    ]),
  ]
}
