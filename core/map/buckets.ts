import { type Box, overlap } from './geometry'

const size = 120

/** Boxes by where they are, so that only near ones are looked at. */
export class Buckets<Held extends Box> {
  private readonly all = new Map<number, Held[]>()

  add(held: Held): void {
    for (const place of places(held)) {
      const there = this.all.get(place)
      if (there) there.push(held)
      else this.all.set(place, [held])
    }
  }

  /** Those that overlap a box; one may come twice. */
  *near(box: Box, gap = 0): Generator<Held> {
    for (const place of places({
      x: box.x - gap,
      y: box.y - gap,
      width: box.width + 2 * gap,
      height: box.height + 2 * gap,
    }))
      for (const held of this.all.get(place) ?? []) if (overlap(held, box, gap)) yield held
  }

  touches(box: Box, gap = 0): boolean {
    for (const _ of this.near(box, gap)) return true
    return false
  }
}

function* places(box: Box): Generator<number> {
  const [left, right] = [Math.floor(box.x / size), Math.floor((box.x + box.width) / size)]
  const [top, bottom] = [Math.floor(box.y / size), Math.floor((box.y + box.height) / size)]
  for (let row = top; row <= bottom; row++)
    for (let column = left; column <= right; column++) yield row * 100_003 + column
}
