import { step } from './geometry'
import { type Ground, outward } from './grid'
import type { Port } from './ports'

/** What a route costs besides its length, in map units. */
const corner = 30
const crossing = 70
const touching = 400

/**
 * The cheapest way over the ground from one of some ports to one of others (A*: Hart, Nilsson and Raphael, 1968),
 * with corners and crossings counted as length, as connector routing does (Wybrow, Marriott and Stuckey, 2009).
 * Lines never share a stretch.
 */
export class Search {
  private readonly cost: Float64Array
  private readonly from: Int32Array
  private readonly seen: Int32Array
  private readonly done: Int32Array
  private readonly goal: Int32Array
  private readonly columnOf: Int16Array
  private readonly rowOf: Int16Array
  private round = 0
  private readonly heap = new Heap()

  /** `haste` from 1 up: how much sooner what lies nearer is looked at, at the price of some longer ways. */
  constructor(
    private readonly ground: Ground,
    private readonly haste: number,
  ) {
    const cells = ground.columns * ground.rows
    this.cost = new Float64Array(cells * 4)
    this.from = new Int32Array(cells * 4)
    this.seen = new Int32Array(cells * 4)
    this.done = new Int32Array(cells * 4)
    this.goal = new Int32Array(cells)
    this.columnOf = Int16Array.from({ length: cells }, (_, cell) => cell % ground.columns)
    this.rowOf = Int16Array.from({ length: cells }, (_, cell) => Math.floor(cell / ground.columns))
  }

  /**
   * Looks no further than `margin` round the ports. With `through`, the way may lead over other lines' stretches and
   * feet at that price for each step, which shows what is in its way.
   */
  find(
    starts: readonly Port[],
    ends: readonly Port[],
    margin: number,
    through = Infinity,
  ): { start: Port; end: Port; cells: number[] } | undefined {
    if (starts.length === 0 || ends.length === 0) return undefined
    const { ground, cost, from, seen, done, goal, heap, haste, columnOf, rowOf } = this
    const { owner, kept, columns } = ground
    const round = ++this.round
    heap.clear()
    const goals = new Map(ends.map((port) => [port.cell, port]))
    for (const port of ends) goal[port.cell] = round
    const bounds = boundsOf(ground, [...starts, ...ends], margin)
    const target = boundsOf(ground, ends, 0)
    const cheapest = Math.min(...ends.map((port) => port.cost))
    const guess = (cell: number) => {
      const [x, y] = [columnOf[cell]!, rowOf[cell]!]
      const dx = x < target.left ? target.left - x : x > target.right ? x - target.right : 0
      const dy = y < target.top ? target.top - y : y > target.bottom ? y - target.bottom : 0
      return (dx + dy) * step + (dx > 0 && dy > 0 ? corner : 0) + cheapest
    }
    const startOf = new Map<number, Port>()
    const reach = (state: number, price: number, before: number) => {
      if (seen[state] === round && cost[state]! <= price) return
      seen[state] = round
      cost[state] = price
      from[state] = before
      heap.push(state, price + haste * guess(state >> 2))
    }
    for (const port of starts) {
      startOf.set(port.cell, port)
      reach(port.cell * 4 + outward[port.side], port.cost, -1)
    }
    const steps = [1, columns, -1, -columns]
    let best: { state: number; price: number; end: Port } | undefined
    for (let state = heap.pop(); state >= 0; state = heap.pop()) {
      if (done[state] === round) continue
      done[state] = round
      const price = cost[state]!
      const cell = state >> 2
      const way = state & 3
      if (best && price >= best.price) continue
      if (goal[cell] === round) {
        const end = goals.get(cell)!
        const inward = (outward[end.side] + 2) % 4
        const turned = way === inward ? 0 : (way + 2) % 4 === inward ? Infinity : corner
        const whole = price + end.cost + turned
        if (!best || whole < best.price) best = { state, price: whole, end }
      }
      if (best && heap.least >= best.price) break
      for (let turn = 3; turn <= 5; turn++) {
        const next = (way + turn) & 3
        const there = cell + steps[next]!
        const hindered = kept[there]! > 0
        if (owner[there] !== 0 || (hindered && through === Infinity)) continue
        const x = columnOf[there]!
        const y = rowOf[there]!
        if (x < bounds.left || x > bounds.right || y < bounds.top || y > bounds.bottom) continue
        const passing = hindered ? through : this.passing(cell, there, way, next, through)
        if (passing === Infinity) continue
        reach(there * 4 + next, price + step + (turn === 4 ? 0 : corner) + passing, state)
      }
    }
    if (!best) return undefined
    const cells: number[] = []
    for (let state = best.state; state >= 0; state = from[state]!) cells.push(state >> 2)
    cells.reverse()
    return { start: startOf.get(cells[0]!)!, end: best.end, cells }
  }

  /** What it costs to go on beside or across the lines that are there. */
  private passing(here: number, there: number, way: number, next: number, through: number): number {
    const { level, upright } = this.ground
    const sideways = next % 2 === 0
    const [same, other] = sideways ? [level, upright] : [upright, level]
    // The same stretch twice can't be told apart.
    if (same[here]! > 0 && same[there]! > 0) return through
    if (same[there]! > 0) return touching
    // A corner on another line looks as if the two were joined.
    const turned = way !== next && (level[here]! > 0 || upright[here]! > 0) ? touching : 0
    return turned + (other[there]! > 0 ? crossing : 0)
  }
}

/** The cells between which something lies, never the outermost ones. */
function boundsOf(ground: Ground, ports: readonly Port[], margin: number) {
  const columns = ports.map((port) => port.cell % ground.columns)
  const rows = ports.map((port) => Math.floor(port.cell / ground.columns))
  const by = Math.round(margin / step)
  return {
    left: Math.max(1, Math.min(...columns) - by),
    right: Math.min(ground.columns - 2, Math.max(...columns) + by),
    top: Math.max(1, Math.min(...rows) - by),
    bottom: Math.min(ground.rows - 2, Math.max(...rows) + by),
  }
}

/** A binary heap of states by what they cost. */
class Heap {
  private states: number[] = []
  private costs: number[] = []

  clear(): void {
    this.states.length = 0
    this.costs.length = 0
  }

  get least(): number {
    return this.costs[0] ?? Infinity
  }

  push(state: number, cost: number): void {
    const { states, costs } = this
    let at = states.length
    states.push(state)
    costs.push(cost)
    while (at > 0) {
      const above = (at - 1) >> 1
      if (costs[above]! <= cost) break
      states[at] = states[above]!
      costs[at] = costs[above]!
      at = above
    }
    states[at] = state
    costs[at] = cost
  }

  /** The cheapest state; -1 where there is none. */
  pop(): number {
    const { states, costs } = this
    if (states.length === 0) return -1
    const top = states[0]!
    const [state, cost] = [states.pop()!, costs.pop()!]
    const size = states.length
    if (size === 0) return top
    let at = 0
    for (;;) {
      let below = 2 * at + 1
      if (below >= size) break
      if (below + 1 < size && costs[below + 1]! < costs[below]!) below++
      if (costs[below]! >= cost) break
      states[at] = states[below]!
      costs[at] = costs[below]!
      at = below
    }
    states[at] = state
    costs[at] = cost
    return top
  }
}
