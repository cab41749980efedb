import type { MapCard } from './cards'
import { around, type Box, inflated, onGrid, overlap, type Point } from './geometry'
import { Ground } from './grid'
import { footBox } from './labels'
import type { MapLine } from './lines'
import { withoutLoops } from './loops'
import { crossings, inTheWayOf, type Laid, mark, type Route } from './laid'
import { type Elbow, isFree, type Port, portsOf } from './ports'
import { Search } from './search'

const room = 200
const near = 160
const far = 600
/** How often everything is laid afresh where lines are without a way, and up to how many lines. */
const afresh = 2
const few = 200
/** What a step through what other lines need costs, where one looks for those that are in the way. */
const through = 150

/**
 * Routes for all lines round all cards: short ones first, each as cheap as those before it leave room for. Those
 * that find no way have others make room for them (rip-up and reroute, as for circuit boards) or are laid before
 * them, and what crosses others or takes long ways round is laid once more. The same cards and lines always give the
 * same routes. Boxes stand on the grid.
 */
export class Router {
  private readonly ground: Ground
  private readonly search: Search
  private readonly index: ReadonlyMap<string, number>
  private readonly laid = new Map<string, Laid>()

  constructor(
    private readonly cards: ReadonlyMap<string, MapCard>,
    private readonly boxes: ReadonlyMap<string, Box>,
    lines: number,
  ) {
    const whole = inflated(around([...boxes.values()]) ?? { x: 0, y: 0, width: 0, height: 0 }, room)
    this.ground = new Ground(onGrid(whole.x), onGrid(whole.y), whole.width, whole.height)
    this.index = new Map([...boxes.keys()].map((id, at) => [id, at + 1]))
    for (const [id, box] of boxes) this.ground.setCard(box, this.index.get(id)!)
    this.search = new Search(this.ground, Math.min(3, 1 + lines / 200))
  }

  routes(lines: readonly MapLine[]): Map<string, Route> {
    const drawn = lines.filter((line) => this.boxes.has(line.one) && this.boxes.has(line.many))
    const away = (line: MapLine) => distance(this.boxes.get(line.one)!, this.boxes.get(line.many)!)
    const ordered = [...drawn].sort((a, b) => away(a) - away(b) || (a.id < b.id ? -1 : 1))
    for (const line of ordered) this.lay(line)
    this.makeRoom(this.without(ordered))
    for (let turn = 0; turn < afresh && drawn.length <= few && this.without(ordered).length > 0; turn++)
      this.beginWith(this.without(ordered), ordered)
    for (const line of ordered) if (this.isPoor(line)) this.layAgain(line)
    return new Map(drawn.map((line) => [line.id, this.laid.get(line.id)?.route ?? this.straight(line)]))
  }

  private without(lines: readonly MapLine[]): MapLine[] {
    return lines.filter((line) => !this.laid.has(line.id))
  }

  /** Lays everything afresh, these lines first; it stays only where fewer are without a way then. */
  private beginWith(first: readonly MapLine[], all: readonly MapLine[]): void {
    const before = [...this.laid.values()]
    for (const laid of before) this.takeUp(laid)
    for (const line of [...first, ...all.filter((one) => !first.includes(one))]) this.lay(line, 'close')
    this.makeRoom(this.without(all))
    if (this.without(all).length < first.length) return
    for (const laid of [...this.laid.values()]) this.takeUp(laid)
    for (const laid of before) this.put(laid)
  }

  private lay(line: MapLine, elbow: Elbow = 'ample'): void {
    const [starts, ends] = this.endsOf(line, elbow)
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
    const { start, end, cells } = found
    const corners = cornersOf(cells.map(this.ground.point))
    const points = withoutStraight(withoutLoops(withoutStraight([start, ...corners, end])))
    this.put({ line, start, end, cells, route: { points, from: start.side, to: end.side } })
  }

  private put(laid: Laid): void {
    this.laid.set(laid.line.id, laid)
    mark(this.ground, laid, 1)
  }

  private takeUp(laid: Laid): void {
    this.laid.delete(laid.line.id)
    mark(this.ground, laid, -1)
  }

  /** Where a line may begin and end; one from a table to itself goes round its lower right corner, or where it can. */
  private endsOf(line: MapLine, elbow: Elbow): [Port[], Port[]] {
    const [starts, ends] = [this.ports(line.one, undefined, elbow), this.ports(line.many, line.field, elbow)]
    if (line.one !== line.many) return [starts, ends]
    if (elbow !== 'ample') return [starts, ends]
    return [starts.filter(({ side }) => side === 'right'), ends.filter(({ side }) => side === 'bottom')]
  }

  private find(starts: readonly Port[], ends: readonly Port[]) {
    return this.search.find(starts, ends, near) ?? this.search.find(starts, ends, far)
  }

  private layAgain(line: MapLine): void {
    const before = this.laid.get(line.id)
    if (before) this.takeUp(before)
    this.lay(line)
    if (before && !this.laid.has(line.id)) this.put(before)
  }

  /** Lines without a way get one where others can go elsewhere instead. */
  private makeRoom(without: readonly MapLine[]): void {
    const waiting = [...without]
    for (let turn = 0; turn < without.length * 6 && waiting.length > 0; turn++) {
      const line = waiting.shift()!
      this.lay(line, 'close')
      const others = this.laid.has(line.id) ? undefined : this.hindering(line)
      if (!others) continue
      for (const other of others) this.takeUp(other)
      this.lay(line, 'close')
      for (const { line: other } of others) this.lay(other, 'close')
      const left = [line, ...others.map((other) => other.line)].filter(({ id }) => !this.laid.has(id))
      if (left.length <= 1) {
        waiting.push(...left)
        continue
      }
      // More would be without a way than before.
      for (const one of [line, ...others.map((other) => other.line)]) {
        const now = this.laid.get(one.id)
        if (now) this.takeUp(now)
      }
      for (const other of others) this.put(other)
    }
  }

  /** The lines that leave one no way, on the way on which there are fewest of them. */
  private hindering(line: MapLine): Laid[] | undefined {
    const [starts, ends] = this.endsOf(line, 'none')
    const found = this.search.find(starts, ends, far, through)
    return found && inTheWayOf(found, this.ground, this.laid.values())
  }

  /** Whether another way may be better now that all are there. */
  private isPoor({ id }: MapLine): boolean {
    const route = this.laid.get(id)?.route
    return !route || route.points.length > 4 || crossings(this.ground, route.points) > 0
  }

  private ports(card: string, row: string | undefined, elbow: Elbow): Port[] {
    const at = this.index.get(card)!
    return portsOf(this.ground, this.cards.get(card)!, this.boxes.get(card)!, row).filter((port) =>
      isFree(this.ground, port, at, elbow),
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
