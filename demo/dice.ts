/** Seeded dice (mulberry32, Tommy Ettinger's public-domain generator): the same throws every time. */
export class Dice {
  constructor(private state: number) {}

  /** At least 0 and less than 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }

  /** A whole number from `least` to `most`, both included. */
  between = (least: number, most: number) => least + Math.floor(this.next() * (most - least + 1))
  of = <T>(some: readonly T[]): T => some[Math.floor(this.next() * some.length)]!
  chance = (share: number) => this.next() < share
}
