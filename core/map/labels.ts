import { Buckets } from './buckets'
import type { Box, Point } from './geometry'
import { textWidth } from '../letters'
import type { MapLine } from './lines'
import { stubLength } from './ports'
import type { Route } from './laid'

/** Words beside a line. The box is where they stand, in map units. */
export interface MapLabel {
  readonly line: string
  readonly text: string
  /** Whether it reads from `one` to `many`, or back. */
  readonly back: boolean
  readonly box: Box
}

export const labelSize = { letter: 12, height: 16 } as const
const footWidth = 16

/** A straight piece of a line as a thin box. */
interface Piece extends Box {
  readonly line: string
}

/**
 * Words for every line that has some, beside it and clear of cards, crow's feet and each other. What finds no
 * place is left out and told in the list beside the map.
 */
export function placeLabels(
  lines: readonly MapLine[],
  routes: ReadonlyMap<string, Route>,
  boxes: ReadonlyMap<string, Box>,
): MapLabel[] {
  const taken = new Buckets<Box>()
  const pieces = new Buckets<Piece>()
  for (const box of boxes.values()) taken.add(box)
  for (const [line, { points }] of routes) {
    for (const [from, to] of [
      [points[0], points[1]],
      [points.at(-1), points.at(-2)],
    ] as const)
      if (from && to) taken.add(footBox(from, to))
    for (const piece of piecesOf(points)) pieces.add({ ...piece.box, line })
  }
  const placed: MapLabel[] = []
  for (const line of lines) {
    const route = routes.get(line.id)
    if (!route) continue
    for (const back of [false, true]) {
      const text = back ? line.back : line.label
      if (!text) continue
      const half: Half = !line.label || !line.back ? 'whole' : back ? 'back' : 'there'
      const box = bestPlace(text, line.id, back ? [...route.points].reverse() : route.points, half, taken, pieces)
      if (!box) continue
      taken.add(box)
      placed.push({ line: line.id, text, back, box })
    }
  }
  return placed
}

export function footBox(end: Point, towards: Point): Box {
  const [dx, dy] = [Math.sign(towards.x - end.x), Math.sign(towards.y - end.y)]
  const half = footWidth / 2
  return dx !== 0
    ? { x: Math.min(end.x, end.x + dx * (stubLength - 4)), y: end.y - half, width: stubLength - 4, height: footWidth }
    : { x: end.x - half, y: Math.min(end.y, end.y + dy * (stubLength - 4)), width: footWidth, height: stubLength - 4 }
}

/** The straight pieces of a line, each with how far along the line it begins. */
export function piecesOf(points: readonly Point[]) {
  let before = 0
  return points.slice(1).map((to, at) => {
    const from = points[at]!
    const length = Math.abs(to.x - from.x) + Math.abs(to.y - from.y)
    const piece = {
      from,
      to,
      length,
      before,
      level: from.y === to.y,
      box: {
        x: Math.min(from.x, to.x),
        y: Math.min(from.y, to.y),
        width: Math.abs(to.x - from.x),
        height: Math.abs(to.y - from.y),
      },
    }
    before += length
    return piece
  })
}

/** The least awkward place beside a line, near its beginning where words stand at both ends. */
function bestPlace(
  text: string,
  line: string,
  points: readonly Point[],
  half: Half,
  taken: Buckets<Box>,
  pieces: Buckets<Piece>,
): Box | undefined {
  const width = Math.ceil(textWidth(text, labelSize.letter)) + 4
  const { height } = labelSize
  const all = piecesOf(points)
  const length = all.reduce((sum, piece) => sum + piece.length, 0)
  const wanted = half === 'whole' ? length / 2 : Math.min(length / 2, stubLength + 6 + width / 2)
  let best: { box: Box; cost: number } | undefined
  for (const piece of all)
    for (let part = 0; part <= 10; part++) {
      const along = (part / 10) * piece.length
      const at = {
        x: piece.from.x + Math.sign(piece.to.x - piece.from.x) * along,
        y: piece.from.y + Math.sign(piece.to.y - piece.from.y) * along,
      }
      const cramped = piece.level && piece.length < width ? 14 : 0
      const away = Math.abs(piece.before + along - wanted) * 0.12 + cramped
      for (const [far, turn] of [
        [3, 0],
        [3, 4],
        [14, 20],
      ] as const)
        for (const side of [-1, 1]) {
          const box = piece.level
            ? { x: at.x - width / 2, y: at.y + (side < 0 ? -far - height : far), width, height }
            : { x: at.x + (side > 0 ? far + 2 : -far - 2 - width), y: at.y - height / 2, width, height }
          const cost = away + turn + awkward(half, piece.level, side)
          if ((best && cost >= best.cost) || taken.touches(box, 1)) continue
          const whole = cost + crossed(box, line, pieces)
          if (!best || whole < best.cost) best = { box, cost: whole }
        }
    }
  return best?.box
}

/** The words of a line by themselves, or one of its two readings. */
type Half = 'whole' | 'there' | 'back'

/** One reading stands above the line or right of it, the other below or left, so that each is told from the other. */
function awkward(half: Half, level: boolean, side: number): number {
  if (half === 'whole') return level ? (side > 0 ? 3 : 0) : side > 0 ? 6 : 10
  const own = (half === 'there') === (level ? side < 0 : side > 0)
  return (level ? 0 : 6) + (own ? 0 : 30)
}

/** Words that a line runs through are hard to read, and belong to it as much as to their own. */
function crossed(box: Box, line: string, pieces: Buckets<Piece>): number {
  let cost = 0
  for (const piece of pieces.near(box)) cost += piece.line === line ? 40 : 60
  return cost
}
