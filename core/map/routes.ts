import type { MapCard } from './cards'
import { around, type Box, inflated, onGrid, overlap, type Point } from './geometry'
import { Ground } from './grid'
import { footBox } from './labels'
import type { MapLine } from './lines'
import { isFree, keep, type Port, portsOf, type Side } from './ports'
import { Search } from './search'

/** Where a line runs: from the card of `one` to that of `many`, corner by corner, and the sides it touches. */
export interface Route {
  readonly points: readonly Point[]
  readonly from: Side
  readonly to: Side
  /** No way was free: it is drawn straight over whatever is there. */
  readonly forced?: true
}

const room = 200
const near = 160
const far = 600
/** Beyond these a map is laid once and in haste: nobody follows single lines across such a sheet without the lens. */
const manyLines = 200

interface Laid {
  readonly line: MapLine
  readonly start: Port
  readonly end: Port
  readonly route: Route
}

/**
 * Routes for all lines round all cards: short ones first, each as cheap as those before it leave room for, and
 * then once more for those that cross others or take long ways round. The same cards and lines always give the
 * same routes. Boxes stand on the grid.
 */
export class Router {
  private readonly ground: Ground
  private readonly search: Search
  private readonly inHaste: boolean
  private readonly index: ReadonlyMap<string, number>
  private readonly laid = new Map<string, Laid>()

  constructor(
    private readonly cards: ReadonlyMap<string, MapCard>,
    private readonly boxes: ReadonlyMap<string, Box>,
    lines: number,
  ) {
    this.inHaste = lines > manyLines
    const whole = inflated(around([...boxes.values()]) ?? { x: 0, y: 0, width: 0, height: 0 }, room)
    this.ground = new Ground(onGrid(whole.x), onGrid(whole.y), whole.width, whole.height)
    this.index = new Map([...boxes.keys()].map((id, at) => [id, at + 1]))
    for (const [id, box] of boxes) this.ground.setCard(box, this.index.get(id)!)
    this.search = lines > manyLines ? new Search(this.ground, 3, 25) : new Search(this.ground, 1 + lines / manyLines)
  }

  routes(lines: readonly MapLine[]): Map<string, Route> {
    const drawn = lines.filter((line) => this.boxes.has(line.one) && this.boxes.has(line.many))
    const away = (line: MapLine) => distance(this.boxes.get(line.one)!, this.boxes.get(line.many)!)
    const ordered = [...drawn].sort((a, b) => away(a) - away(b) || (a.id < b.id ? -1 : 1))
    for (const line of ordered) this.lay(line)
    if (!this.inHaste) for (const line of ordered) if (this.isPoor(line)) this.layAgain(line)
    return new Map(drawn.map((line) => [line.id, this.laid.get(line.id)?.route ?? this.straight(line)]))
  }

  private lay(line: MapLine): void {
    const [starts, ends] = this.endsOf(line)
    const first = this.find(starts, ends)
    // Between cards that stand close both feet of a line could come to lie on each other.
    const found =
      first && feetMeet(first.start, first.end)
        ? (this.find(
            [first.start],
            ends.filter((end) => !feetMeet(first.start, end)),
          ) ??
          this.find(
            starts.filter((start) => !feetMeet(start, first.end)),
            [first.end],
          ))
        : first
    if (!found) return
    const corners = cornersOf(found.cells.map(this.ground.point))
    const points = withoutStraight([found.start, ...corners, found.end])
    const route: Route = { points, from: found.start.side, to: found.end.side }
    this.laid.set(line.id, { line, start: found.start, end: found.end, route })
    this.mark(line.id, 1)
  }

  /** Where a line may begin and end; one from a table to itself goes round its lower right corner. */
  private endsOf(line: MapLine): [Port[], Port[]] {
    const [starts, ends] = [this.ports(line.one, undefined), this.ports(line.many, line.field)]
    if (line.one !== line.many) return [starts, ends]
    return [starts.filter(({ side }) => side === 'right'), ends.filter(({ side }) => side === 'bottom')]
  }

  private find(starts: readonly Port[], ends: readonly Port[]) {
    const found = this.search.find(starts, ends, near)
    return found ?? (this.inHaste ? undefined : this.search.find(starts, ends, far))
  }

  private layAgain(line: MapLine): void {
    if (this.laid.has(line.id)) this.mark(line.id, -1)
    this.laid.delete(line.id)
    this.lay(line)
  }

  private mark(id: string, by: 1 | -1): void {
    const { start, end, route } = this.laid.get(id)!
    this.ground.lay(
      route.points.map(({ x, y }) => ({ x, y })),
      by,
    )
    keep(this.ground, start, by)
    keep(this.ground, end, by)
  }

  /** Whether another way may be better now that all are there. */
  private isPoor({ id }: MapLine): boolean {
    const route = this.laid.get(id)?.route
    return !route || route.points.length > 4 || crossings(this.ground, route.points) > 0
  }

  private ports(card: string, row: string | undefined): Port[] {
    const at = this.index.get(card)!
    return portsOf(this.ground, this.cards.get(card)!, this.boxes.get(card)!, row).filter((port) =>
      isFree(this.ground, port, at),
    )
  }

  private straight({ one, many }: MapLine): Route {
    const [a, b] = [this.boxes.get(one)!, this.boxes.get(many)!]
    const from = { x: a.x + a.width, y: onGrid(a.y + a.height / 2) }
    const to = { x: b.x, y: onGrid(b.y + b.height / 2) }
    const middle = onGrid((from.x + to.x) / 2)
    return {
      points: [from, { x: middle, y: from.y }, { x: middle, y: to.y }, to],
      from: 'right',
      to: 'left',
      forced: true,
    }
  }
}

const feetMeet = (a: Port, b: Port) => overlap(footOf(a), footOf(b))
const footOf = (port: Port) => footBox(port, ahead(port))
const ahead = ({ x, y, side }: Port): Point =>
  side === 'left' || side === 'right'
    ? { x: x + (side === 'right' ? 1 : -1), y }
    : { x, y: y + (side === 'bottom' ? 1 : -1) }

const distance = (a: Box, b: Box) =>
  Math.abs(a.x + a.width / 2 - b.x - b.width / 2) + Math.abs(a.y + a.height / 2 - b.y - b.height / 2)

/** Where a way turns, with its two ends. */
const cornersOf = (points: readonly Point[]): Point[] =>
  points.filter((point, at) => {
    const [before, after] = [points[at - 1], points[at + 1]]
    return !before || !after || (before.x !== after.x && before.y !== after.y) || isBack(before, point, after)
  })

const isBack = (a: Point, b: Point, c: Point) =>
  Math.sign(b.x - a.x) === -Math.sign(c.x - b.x) && Math.sign(b.y - a.y) === -Math.sign(c.y - b.y)

const withoutStraight = (points: readonly Point[]) => cornersOf(points.map(({ x, y }) => ({ x, y })))

/** How many cells of a way lie on other lines too. */
function crossings(ground: Ground, points: readonly Point[]): number {
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
