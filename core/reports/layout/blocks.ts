import { nth } from '../../words'
import { asPrinted, evenWidth, type Weight, wrap } from '../../letters'
import type { Item, PagePart, TextItem } from '../page'
import { asMeasured, type PaperColumn, type PaperPart } from '../table'
import { type ColumnFit, type ColumnSet, pagesBeside } from './column-fit'
import type { Measures } from './measures'

/** What stands on a page as a whole, or is torn between two of its lines where it is higher than a page. */
export interface Block {
  readonly kind: PaperPart['kind'] | 'words'
  readonly height: number
  /** Room above it, but not at the head of a page. */
  readonly above: number
  /** What it belongs to, where that isn't told by its kind. */
  readonly of?: PagePart
  /** Stands on one page with what comes next. */
  keeps: boolean
  readonly part: PaperPart | undefined
  /** Draws it at a height of the page, as far as one of the pages side by side goes; between two of its lines where it is torn. */
  readonly draw: (page: number, y: number, from?: number, until?: number) => Item[]
  /** Lines of text in it, and how high one is: where it may be torn. */
  readonly lines: number
}

export interface Drawn {
  readonly columns: readonly PaperColumn[]
  readonly fit: ColumnFit
  readonly measures: Measures
  readonly rows: 'lines' | 'tint' | 'none'
  /** Told of each row what had to be done so that it fits. */
  readonly onRow?: (cells: readonly (readonly Cell[])[]) => void
}

/** Where the letters of a line stand, from its top. */
export const baseline = ({ size, lead }: Pick<Measures, 'size' | 'lead'>) => (lead - size) / 2 + size * 0.8

/** Where columns of a set begin. */
export function startsOf({ widths, in: own }: ColumnSet, gap: number, left: number): number[] {
  let x = left + own
  return widths.map((width) => {
    const start = x
    x += width + gap
    return start
  })
}

const widthOfSet = ({ widths, in: own }: ColumnSet, gap: number): number =>
  widths.reduce((sum, width) => sum + width + gap, own - gap)

/** How wide what stands on one of the pages side by side is. */
export const widthOf = (fit: ColumnFit, page: number): number =>
  Math.max(...nth(pagesBeside(fit), page).map((set) => widthOfSet(nth(fit.sets, set), fit.gap)))

export interface Cell {
  readonly lines: readonly string[]
  /** A number that is wider than its column is set smaller, and never broken. */
  readonly size: number
  /** How far its first line stands in. */
  readonly in: number
}

function cellOf(words: string, width: number, column: PaperColumn, size: number, weight: Weight): Cell {
  const seen = asPrinted(words)
  const measured = asMeasured(column, seen)
  if (measured === seen) return plainCell(seen, width, column, size, weight)
  const { lines, size: own } = plainCell(measured, width, column, size, weight)
  const [first = '', ...more] = lines
  return { lines: [first.slice(1), ...more], size: own, in: evenWidth('0', own, weight) }
}

function plainCell(words: string, width: number, { whole }: PaperColumn, size: number, weight: Weight): Cell {
  if (!whole || words.includes('\n')) return { lines: wrap(words, width, size, weight), size, in: 0 }
  const natural = evenWidth(words, size, weight)
  return { lines: [words], size: natural > width ? (size * width) / natural : size, in: 0 }
}

/** Cells of all sets of columns; a row is as high as the highest, whichever page that stands on. */
export function cellsOf(drawn: Drawn, words: readonly string[], weight: Weight): Cell[][] {
  const { columns, fit, measures } = drawn
  return fit.sets.map(({ columns: places, widths }) =>
    places.map((place, at) => cellOf(words[place] ?? '', nth(widths, at), nth(columns, place), measures.size, weight)),
  )
}

const mostLines = (cells: readonly Cell[]): number =>
  cells.reduce((most, { lines }) => Math.max(most, lines.some(Boolean) ? lines.length : 0), 0)

/** From which line on each set of columns stands, and how many lines there are; a later line of nothing isn't there. */
function linesOf({ isFolded }: ColumnFit, { cells, atLeast = 1 }: Pick<Row, 'cells' | 'atLeast'>) {
  const high = cells.map(mostLines)
  if (!isFolded)
    return { starts: high.map(() => 0), each: high.map(() => Math.max(1, ...high)), all: Math.max(1, ...high) }
  let all = 0
  const each = high.map((one, at) => (at === 0 ? Math.max(one, atLeast) : one))
  const starts = each.map((one) => (all += one) - one)
  return { starts, each, all: Math.max(1, all) }
}

/** How many lines a row has. */
export const lineCount = (fit: ColumnFit, row: Pick<Row, 'cells' | 'atLeast'>): number => linesOf(fit, row).all

interface Row {
  readonly cells: readonly (readonly Cell[])[]
  readonly weight: Weight
  readonly tone?: 'grey'
  /** At the foot of its lines, as the headings of columns. */
  readonly low?: boolean
  /** Lines that its first set of columns has at the least, where rows are folded. */
  readonly atLeast?: number
}

/** The texts of a row of cells, from one of its lines to another. */
export function drawCells(drawn: Drawn, page: number, row: Row, top: number, from = 0, until = Infinity): TextItem[] {
  const { starts, each } = linesOf(drawn.fit, row)
  return nth(pagesBeside(drawn.fit), page).flatMap((set) =>
    drawSet(drawn, set, row, { top, from, until, start: nth(starts, set), all: nth(each, set) }),
  )
}

interface SetPlace {
  readonly top: number
  readonly from: number
  readonly until: number
  /** The line at which it begins, and how many it has. */
  readonly start: number
  readonly all: number
}

function drawSet(drawn: Drawn, set: number, row: Row, { top, from, until, start, all }: SetPlace): TextItem[] {
  const { columns, fit, measures } = drawn
  const own = nth(fit.sets, set)
  const starts = startsOf(own, fit.gap, measures.frame.left)
  return nth(row.cells, set).flatMap(({ lines, size, in: further }, at) => {
    const column = nth(columns, nth(own.columns, at))
    const down = start + (row.low ? all - lines.length : 0)
    return lines.flatMap((words, line) => {
      if (!words || line + down < from || line + down >= until) return []
      const free = nth(own.widths, at) - evenWidth(words, size, row.weight)
      const y = top + (line + down - from) * measures.lead + baseline(measures)
      return [
        {
          kind: 'text' as const,
          x: nth(starts, at) + (column.align === 'end' ? Math.max(0, free) : line === 0 ? further : 0),
          y,
          size,
          words,
          ...(row.weight === 'bold' && { bold: true as const }),
          ...(row.tone && { tone: row.tone }),
        },
      ]
    })
  })
}

/** Lines of words across the page. */
export function wordsBlock(
  drawn: Drawn,
  words: string,
  look: {
    readonly size: number
    readonly weight: Weight
    readonly tone?: 'grey'
    readonly colour?: string
    readonly above: number
  },
  kind: Block['kind'] = 'words',
): Block {
  const { frame } = drawn.measures
  const { size, weight } = look
  const measures = { size, lead: size * 1.32 }
  const lines = wrap(asPrinted(words), frame.width, size, weight)
  return {
    kind,
    height: lines.length * measures.lead,
    above: look.above,
    keeps: false,
    part: undefined,
    lines: lines.length,
    draw: (_set, y, from = 0, until = lines.length) =>
      lines.slice(from, until).map((line, at) => ({
        kind: 'text' as const,
        x: frame.left,
        y: y + at * measures.lead + baseline(measures),
        size,
        words: line,
        ...(weight === 'bold' && { bold: true as const }),
        ...(look.tone && { tone: look.tone }),
        ...(look.colour !== undefined && { colour: look.colour }),
      })),
  }
}
