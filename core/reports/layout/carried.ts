import { fromExact, toExact } from '../../kinds'
import { nth } from '../../words'
import type { Carrying, PaperPart } from '../table'
import type { Block, Drawn } from './blocks'
import { blockOf } from './part-blocks'

/** Decimals within which sums are exact: more than any field can have. */
const scale = 12

/** What the rows that stand on paper come to so far, as the foot of a page says it, and the head of the next. */
export class Carried {
  private readonly sums: bigint[]
  /** As many decimals as the values of each had. */
  private readonly decimals: number[]
  private rows = 0

  constructor(
    private readonly drawn: Drawn,
    private readonly carrying: Carrying,
  ) {
    this.sums = carrying.places.map(() => 0n)
    this.decimals = carrying.places.map(() => 0)
  }

  /** How high its line is. */
  get height(): number {
    return this.block('Carried forward').height
  }

  get isBegun(): boolean {
    return this.rows > 0
  }

  add(part: PaperPart | undefined): void {
    if (part?.kind !== 'row') return
    this.rows++
    for (const [at, value] of (part.adds ?? []).entries()) {
      if (value === null) continue
      this.sums[at] = nth(this.sums, at) + toExact(value, scale)
      this.decimals[at] = Math.max(nth(this.decimals, at), value.split('.')[1]?.length ?? 0)
    }
  }

  private sum(at: number): string {
    const decimals = nth(this.decimals, at)
    return fromExact(nth(this.sums, at) / 10n ** BigInt(scale - decimals), decimals)
  }

  block(words: 'Carried forward' | 'Brought forward'): Block {
    const cells = this.drawn.columns.map((_, place) => {
      const at = this.carrying.places.indexOf(place)
      return at < 0 ? '' : this.carrying.write(at, this.sum(at))
    })
    return { ...blockOf(this.drawn, { kind: 'sum', level: 0, words, cells }, false), part: undefined, of: 'rows' }
  }
}
