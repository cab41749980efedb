import { nth } from '../../words'
import { evenWidth } from '../../letters'
import type { Item } from '../page'
import type { PaperPart } from '../table'
import { coloured } from './measures'
import {
  baseline,
  type Block,
  cellsOf,
  drawCells,
  type Drawn,
  lineCount,
  startsOf,
  widthOf,
  wordsBlock,
} from './blocks'

type Of<Kind extends PaperPart['kind']> = Extract<PaperPart, { kind: Kind }>

/** Groups within others are smaller. */
const headingSizes = [1.3, 1.15, 1, 1]

/** A part of a report as it stands on a page. `odd` tells rows apart that are tinted in turn. */
export function blockOf(drawn: Drawn, part: PaperPart, odd: boolean): Block {
  switch (part.kind) {
    case 'group':
      return { ...groupBlock(drawn, part.level, part.words), part, keeps: true }
    case 'row':
      return rowBlock(drawn, part, odd)
    case 'sum':
      return sumBlock(drawn, part)
  }
}

/** The heading of a group; on a page that it goes on to, it says so. */
export function groupBlock(drawn: Drawn, level: number, words: string): Block {
  const { size } = drawn.measures
  const own = size * (headingSizes[level] ?? 1)
  return wordsBlock(
    drawn,
    words,
    { size: own, weight: 'bold', ...coloured(drawn.measures, 'words'), above: size * (level === 0 ? 1.1 : 0.6) },
    'group',
  )
}

function rowBlock(drawn: Drawn, part: Of<'row'>, odd: boolean): Block {
  const { measures, fit, rows } = drawn
  const cells = cellsOf(drawn, part.cells, 'regular')
  drawn.onRow?.(cells)
  const row = { cells, weight: 'regular' } as const
  const lines = lineCount(fit, row)
  const above = part.goesOn ? 0 : measures.pad
  return {
    kind: 'row',
    height: above + lines * measures.lead + measures.pad,
    above: 0,
    keeps: false,
    part,
    lines,
    draw(page, y, from = 0, until = lines) {
      const height = above + (Math.min(until, lines) - from) * measures.lead + measures.pad
      const width = widthOf(fit, page)
      const x = measures.frame.left
      const under: Item[] =
        rows === 'tint' && odd
          ? [{ kind: 'tint', x: x - measures.pad, y, width: width + 2 * measures.pad, height }]
          : rows === 'lines' && !part.goesOn
            ? [{ kind: 'line', x, y, width, thick: 0.4, tone: 'line' }]
            : []
      return [...under, ...drawCells(drawn, page, row, y + above, from, until)]
    },
  }
}

/** What a group comes to: its name where there is room before the first number, on a line of its own where there isn't. */
function sumBlock(drawn: Drawn, part: Of<'sum'>): Block {
  const { measures, fit } = drawn
  const cells = cellsOf(drawn, part.cells, 'bold')
  const isAll = part.level === undefined
  const first = nth(cells, 0).findIndex(({ lines }) => lines.some(Boolean))
  const end = first < 0 ? widthOf(fit, 0) : nth(startsOf(nth(fit.sets, 0), fit.gap, 0), first)
  const isBeside = evenWidth(part.words, measures.size, 'bold') <= end - fit.gap
  const label = isBeside ? undefined : wordsBlock(drawn, part.words, { size: measures.size, weight: 'bold', above: 0 })
  const row = { cells, weight: 'bold', atLeast: isBeside ? 1 : 0 } as const
  const own = lineCount(fit, row) * measures.lead + 2 * measures.pad
  const hasCells = cells.some((set) => set.some(({ lines: some }) => some.some(Boolean)))
  const bare = (label ? label.height + measures.pad : 0) + (label && !hasCells ? 0 : own)
  const small = { size: Math.max(6, measures.size * 0.85), weight: 'regular', tone: 'grey', above: 0 } as const
  const notes = part.notes?.length ? wordsBlock(drawn, part.notes.join('\n'), small) : undefined
  return {
    kind: 'sum',
    height: bare + (notes ? notes.height + measures.pad : 0),
    above: isAll ? measures.size * 0.8 : 0,
    keeps: false,
    part,
    lines: 1,
    draw(page, y) {
      const x = measures.frame.left
      const width = widthOf(fit, page)
      const rule: Item = { kind: 'line', x, y, width, thick: isAll ? 1 : 0.6, tone: 'ink' }
      const down = label ? label.height + measures.pad : 0
      const { size } = measures
      const own = y + measures.pad + baseline(measures)
      const beside: Item[] = part.words ? [{ kind: 'text', x, y: own, size, bold: true, words: part.words }] : []
      const words = page > 0 ? [] : (label?.draw(page, y + measures.pad) ?? beside)
      const under = page === 0 ? (notes?.draw(page, y + bare) ?? []) : []
      return [rule, ...words, ...drawCells(drawn, page, row, y + down + measures.pad), ...under]
    },
  }
}

/** The headings of the columns, at the head of a page. */
export function headBlock(drawn: Drawn): Block {
  const { measures, columns, fit } = drawn
  const cells = cellsOf(
    { ...drawn, columns: columns.map((column) => ({ ...column, whole: false })) },
    columns.map(({ heading }) => heading),
    'bold',
  )
  const row = { cells, weight: 'bold', tone: 'grey', low: true } as const
  const lines = lineCount(fit, row)
  const height = lines * measures.lead + 2 * measures.pad
  return {
    kind: 'words',
    of: 'columns',
    height,
    above: 0,
    keeps: true,
    part: undefined,
    lines,
    draw: (page, y) => [
      ...drawCells(drawn, page, row, y + measures.pad),
      {
        kind: 'line',
        x: measures.frame.left,
        y: y + height,
        width: widthOf(fit, page),
        thick: 0.8,
        tone: 'grey',
        ...coloured(measures, 'lines'),
      },
    ],
  }
}
