import type { Point } from './geometry'

/**
 * Places for the points of a graph, about as far apart as they are away from each other in it, in units of one tie:
 * stochastic gradient descent on the stress (Zheng, Pawar and Goodman, 2018). Turned so that it is widest sideways.
 * The same graph always gives the same places.
 */
export function stressPlaces(count: number, ties: readonly (readonly [number, number])[], seed = 0): Point[] {
  const away = distances(count, ties)
  const random = seeded(count * 7919 + ties.length + seed * 104_729)
  // Begun on a sunflower's spiral, so that no two start at one place.
  const x = Float64Array.from({ length: count }, (_, at) => Math.sqrt(at + 0.5) * Math.cos(at * 2.399963 + seed))
  const y = Float64Array.from({ length: count }, (_, at) => Math.sqrt(at + 0.5) * Math.sin(at * 2.399963 + seed))
  const pairs = new Int32Array((count * (count - 1)) / 2)
  for (let a = 0, at = 0; a < count; a++) for (let b = 0; b < a; b++) pairs[at++] = a * count + b
  const furthest = away.reduce((most, length) => Math.max(most, length), 1)
  const rounds = count > 150 ? 15 : 40
  for (let round = 0; round < rounds; round++) {
    const eager = furthest ** 2 * (0.1 / furthest ** 2) ** (round / Math.max(1, rounds - 1))
    shuffle(pairs, random)
    for (const pair of pairs) {
      const [a, b, length] = [Math.floor(pair / count), pair % count, away[pair]!]
      const pull = Math.min(1, eager / length ** 2)
      const [dx, dy] = [x[a]! - x[b]!, y[a]! - y[b]!]
      const now = Math.hypot(dx, dy) || 1e-6
      const move = (pull * (now - length)) / 2 / now
      x[a]! -= move * dx
      y[a]! -= move * dy
      x[b]! += move * dx
      y[b]! += move * dy
    }
  }
  return turned(x, y)
}

/** Ties from each to each, by breadth-first search; what isn't joined lies further off than anything that is. */
function distances(count: number, ties: readonly (readonly [number, number])[]): Float64Array {
  const next: number[][] = Array.from({ length: count }, () => [])
  for (const [a, b] of ties)
    if (a !== b) {
      next[a]!.push(b)
      next[b]!.push(a)
    }
  const apart = Math.max(2.5, Math.sqrt(count) * 0.9)
  const away = new Float64Array(count * count).fill(apart)
  for (let start = 0; start < count; start++) {
    away[start * count + start] = 0
    const seen = new Set([start])
    let ends = [start]
    for (let length = 1; ends.length > 0; length++) {
      const further: number[] = []
      for (const end of ends)
        for (const one of next[end]!)
          if (!seen.has(one)) {
            seen.add(one)
            further.push(one)
            away[start * count + one] = length
          }
      ends = further
    }
  }
  return away
}

/** Turned about its middle so that its longer axis lies level. */
function turned(x: Float64Array, y: Float64Array): Point[] {
  const count = x.length
  const middle = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, count)
  const [mx, my] = [middle(x), middle(y)]
  let [xx, xy, yy] = [0, 0, 0]
  for (let at = 0; at < count; at++) {
    const [dx, dy] = [x[at]! - mx, y[at]! - my]
    xx += dx * dx
    xy += dx * dy
    yy += dy * dy
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return Array.from(x, (_, at) => {
    const [dx, dy] = [x[at]! - mx, y[at]! - my]
    return { x: dx * cos + dy * sin, y: dy * cos - dx * sin }
  })
}

/** Park and Miller's generator (1988): as good as needed here, and always the same. */
export function seeded(seed: number): () => number {
  let state = (seed % 2147483646) + 1
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}

function shuffle(all: Int32Array, random: () => number): void {
  for (let at = all.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1))
    const held = all[at]!
    all[at] = all[other]!
    all[other] = held
  }
}
