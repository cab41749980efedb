import type { Book } from '../../book'
import { fromExact, mostScale, toExact } from '../../kinds'
import { inSentence, nth } from '../../words'
import type { ReadFigure, ReadList } from '../check/read-list'
import { inWords, isTogether } from '../say/in-words'
import type { Cell } from '../statement/cells'
import { addsUp } from './measure'
import type { GroupLine } from './order-groups'

type Cells = Readonly<Record<string, Cell | readonly Cell[]>>

/** What the rows of a group that are shown come to so far, in one column. */
interface Sum {
  exact: bigint
  decimals: number
}

/** The records of a group that are shown so far. */
interface Shown {
  count: number
  readonly sums: readonly Sum[]
}

/** Whether people who add up what stands in its column expect to get it. */
const isSum = ({ name, column }: ReadFigure): boolean =>
  name === 'total' || (name === 'count' && column.kind === 'gathered')

/**
 * Adds up what is shown, group by group, and says where it isn't what stands beneath it: numbers that are rounded, records
 * that several rows have and that count once, and rows that are not shown.
 */
export class ShownSums {
  private readonly figures: readonly ReadFigure[]
  /** Of the innermost group last; all records first. */
  private readonly open: Shown[]

  /** @param shown the columns whose rows are shown, by id */
  constructor(
    private readonly book: Book,
    { figures }: Pick<ReadList, 'figures'>,
    shown: ReadonlySet<string>,
  ) {
    this.figures = figures.filter((figure) => isSum(figure) && shown.has(figure.column.id))
    this.open = [this.none()]
  }

  private none = (): Shown => ({ count: 0, sums: this.figures.map(() => ({ exact: 0n, decimals: 0 })) })

  /** A group begins within those that are open. */
  begin(): void {
    if (this.figures.length > 0) this.open.push(this.none())
  }

  /** A record, with all that it takes to show it. */
  row(cells: Cells): void {
    const shown = this.open.at(-1)
    if (!shown) return
    shown.count++
    for (const [at, { column }] of this.figures.entries()) {
      const cell = cells[column.id] ?? null
      const sum = nth(shown.sums, at)
      for (const one of isTogether(cell) ? cell : [cell]) if (typeof one === 'string') add(sum, one)
    }
  }

  /** The innermost group ends, or all of them do: what is to be said of what it comes to. */
  end({ figures, count }: Pick<GroupLine, 'figures' | 'count'>): string[] {
    const shown = this.figures.length > 0 ? this.open.pop() : undefined
    if (!shown) return []
    const around = this.open.at(-1)
    if (around) {
      around.count += shown.count
      for (const [at, sum] of shown.sums.entries()) join(nth(around.sums, at), sum)
    }
    return this.figures.flatMap((figure, at) => {
      const { exact, decimals } = nth(shown.sums, at)
      const told = figures[figure.column.id] ?? '0'
      if (exact === toExact(told, mostScale)) return []
      const sum = fromExact(exact / 10n ** BigInt(mostScale - decimals), decimals)
      const why = shown.count < count ? 'not all of it is shown; ' : whyOf(figure)
      return `${nameOf(figure)}: ${why}the rows above add up to ${inWords(this.book, figure, sum)}.`
    })
  }
}

/** Why a group comes to something else than its records, all of which are shown. */
function whyOf(figure: ReadFigure): string {
  if (!addsUp(figure)) return `each ${inSentence(figure.end.name)} counts once; `
  // What is exact is shown with all its decimals.
  return figure.face.kind === 'measured' ? 'rounded; ' : ''
}

function add(sum: Sum, value: string): void {
  sum.exact += toExact(value, mostScale)
  sum.decimals = Math.min(mostScale, Math.max(sum.decimals, value.split('.')[1]?.length ?? 0))
}

function join(sum: Sum, { exact, decimals }: Sum): void {
  sum.exact += exact
  sum.decimals = Math.max(sum.decimals, decimals)
}

const nameOf = ({ column }: ReadFigure): string => column.heading.split(' → ').at(-1) ?? column.heading
