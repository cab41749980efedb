import { nth } from '../../words'
import { asPrinted, evenWidth, widestWord, wrap } from '../../letters'
import { asMeasured, type PaperColumn } from '../table'
import type { ColumnFit, Wants } from './column-fit'
import { folds } from './folded'

export interface FitWish {
  readonly columns: readonly PaperColumn[]
  /** Rows that stand for all: the first, and the longest that are known. */
  readonly rows: readonly (readonly string[])[]
  /** What the columns have together, in points. */
  readonly room: number
  readonly size: number
  /** All on one page, whatever that costs. */
  readonly together?: boolean
  /** In two lines a row, or as many as it takes. */
  readonly folded?: boolean
}

/** Between two columns, by the size of the letters. */
const gapOf = (size: number) => size * 1.1
/** A column is never narrower than this, by the size of the letters. */
const narrowest = 2.5
/** So many rows are looked at where widths are weighed against each other. */
const weighed = 240

/** How far in the later lines of a row begin, by the size of the letters. */
const further = 1.6

/**
 * How wide columns are: as their contents want where there is room for that; narrower, where wrapping costs the fewest
 * lines, where there isn't; and in several sets, side by side on pages of their own with the first column on each, where
 * words would have to be cut. Folded, they are in several sets beneath each other.
 */
export function fitColumns({ columns, rows, room, size, together = false, folded = false }: FitWish): ColumnFit {
  const gap = gapOf(size)
  const wants = columns.map((column, at) => wantsOf(column, rows, at, size, room))
  const width = (some: readonly number[]) => some.reduce((sum, at) => sum + nth(wants, at).least + gap, -gap)
  const all = columns.map((_, at) => at)
  const isFolded = folded && all.length > 1
  const indent = Math.min(further * size, room / 8)
  const sets = isFolded
    ? folds(wants, gap, room, indent)
    : together || width(all) <= room
      ? [all]
      : carried(all, width, room)
  return {
    gap,
    isFolded,
    sets: sets.map((some, set) => {
      const own = isFolded && set > 0 ? indent : 0
      return {
        columns: some,
        in: own,
        widths: widthsOf(
          some.map((at) => nth(wants, at)),
          rows.slice(0, weighed).map((cells) => some.map((at) => cells[at] ?? '')),
          room - own - gap * (some.length - 1),
          size,
        ),
      }
    }),
  }
}

function wantsOf(
  { heading, align, whole }: PaperColumn,
  rows: FitWish['rows'],
  at: number,
  size: number,
  room: number,
): Wants {
  const bare = narrowest * size
  const most = (widths: Iterable<number>) => Math.min(room, Math.max(bare, ...widths))
  const cells = rows.map((cells) => asMeasured({ align }, asPrinted(cells[at] ?? '')))
  const lines = cells.flatMap((cell) => cell.split('\n'))
  const natural = most([...spread(lines, (line) => evenWidth(line, size)), evenWidth(heading, size, 'bold')])
  const head = widestWord(heading, size, 'bold')
  // A long word by itself, as an address of a page is, may be cut rather than push all others away.
  const least = whole
    ? most([...spread(lines, (line) => evenWidth(line, size)), head])
    : Math.min(most([...spread(lines, (line) => widestWord(line, size)), head]), Math.max(room * 0.3, bare))
  return { natural: Math.max(natural, least), least }
}

/** Widths of texts, no more than are needed to know the widest: more than a function takes at once. */
const spread = (texts: readonly string[], width: (text: string) => number) => [
  texts.reduce((most, text) => Math.max(most, width(text)), 0),
]

/** As few sets as there can be in their order, the first column on each where that leaves room for others. */
function carried(all: readonly number[], width: (some: readonly number[]) => number, room: number): number[][] {
  const [first = 0, ...others] = all
  const again = width([first]) < room * 0.4 ? [first] : []
  const sets: number[][] = [[first]]
  for (const at of others) {
    const last = sets.at(-1)!
    if (width([...last, at]) <= room || last.length <= again.length) last.push(at)
    else sets.push([...again, at])
  }
  return sets
}

function widthsOf(wants: readonly Wants[], rows: readonly (readonly string[])[], room: number, size: number): number[] {
  const natural = wants.map((one) => one.natural)
  const over = sumOf(natural) - room
  if (over <= 0) {
    // Air between columns helps the eye, too much of it doesn't.
    const more = Math.min(-over / natural.length, size * 1.6)
    return natural.map((width) => width + more)
  }
  const least = wants.map((one) => Math.min(one.least, one.natural))
  if (sumOf(least) >= room) return least.map((width) => (width * room) / sumOf(least))
  return narrowed(natural, least, rows, room, size)
}

const sumOf = (all: readonly number[]) => all.reduce((sum, one) => sum + one, 0)

/** Widths between which one is chosen for each column. */
const steps = 16

/**
 * Takes room from columns, each time there where it costs the fewest lines for each point that is won, until all fit.
 */
function narrowed(
  natural: readonly number[],
  least: readonly number[],
  rows: readonly (readonly string[])[],
  room: number,
  size: number,
): number[] {
  const choices = natural.map((most, at) =>
    Array.from({ length: steps + 1 }, (_, step) => most - ((most - nth(least, at)) * step) / steps),
  )
  const lines = choices.map((widths, at) =>
    widths.map((width) => rows.map((cells) => wrap(cells[at] ?? '', width, size).length)),
  )
  const chosen = natural.map(() => 0)
  const linesAt = (at: number, step: number) => nth(nth(lines, at), step)
  const high = rows.map((_, row) => Math.max(1, ...chosen.map((step, at) => nth(linesAt(at, step), row))))
  let over = sumOf(natural) - room
  while (over > 0.001) {
    let best: { at: number; step: number; cost: number } | undefined
    for (const [at, step] of chosen.entries())
      for (let next = step + 1; next <= steps; next++) {
        const won = nth(nth(choices, at), step) - nth(nth(choices, at), next)
        if (won <= 0) continue
        const more = rows.reduce((sum, _, row) => sum + Math.max(0, nth(linesAt(at, next), row) - nth(high, row)), 0)
        // What is not needed is not worth its lines.
        const cost = (more + 0.001) / Math.min(won, over)
        if (!best || cost < best.cost) best = { at, step: next, cost }
      }
    if (!best) break
    over -= nth(nth(choices, best.at), nth(chosen, best.at)) - nth(nth(choices, best.at), best.step)
    chosen[best.at] = best.step
    for (const row of rows.keys()) high[row] = Math.max(nth(high, row), nth(linesAt(best.at, best.step), row))
  }
  const widths = chosen.map((step, at) => nth(nth(choices, at), step))
  // What was taken beyond need goes back.
  return widths.map((width) => width + (over < 0 ? -over / widths.length : 0))
}
