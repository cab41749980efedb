import type { Block } from '../../book'
import type { Item } from '../page'
import type { CodeDrawing } from './code-drawing'
import type { Piece } from './piece'
import { plainColumn } from './say-inline'
import { textOf, textPieces, widthOf } from './text-pieces'
import type { Writing } from './writing'

const points = 72 / 25.4

/** How wide a module is, in points: as it is wished, and the least that scanners still read. */
const modules = {
  bars: { usual: 0.33 * points, least: 0.2 * points },
  square: { usual: 0.6 * points, least: 0.35 * points },
} as const
/** How high bars are, in points, and how many modules stay free around a code. */
const barHeight = 14 * points
const quiet = { bars: 10, square: 4 } as const

/** How large a code comes out. */
function sizeOf(code: CodeDrawing, { frame }: Writing['measures']) {
  const sort = code.isSquare ? 'square' : 'bars'
  const across = code.width + 2 * quiet[sort]
  const dot = Math.min(modules[sort].usual, frame.width / across)
  const high = code.isSquare ? (code.height + 2 * quiet.square) * dot : barHeight
  // Smaller than that no scanner reads it.
  const isReadable = dot >= modules[sort].least && high + barHeight < frame.bottom - frame.top
  return { dot, high, wide: across * dot, free: quiet[sort] * dot, isReadable }
}

/** A code for scanning with what it says beneath; what can't be drawn is written instead, so that nothing is lost. */
export function codePieces(writing: Writing, block: Extract<Block, { kind: 'code' }>): Piece[] {
  const { book, read, filled, measures, drawCode } = writing
  const { frame, size } = measures
  const column = read.columns.get(block.column)
  const value = column ? plainColumn(book, column, filled).trim() : ''
  if (!value) return []
  const place = { x: frame.left, width: frame.width }
  const code = drawCode?.(block.as, value)
  const own = code && sizeOf(code, measures)
  if (!code || !own?.isReadable) {
    writing.onPlainCode?.(value)
    return textPieces([{ words: value }], place, { size, above: size * 0.6, align: block.align })
  }
  const over = Math.max(0, frame.width - own.wide)
  const x = frame.left + (block.align === 'end' ? over : block.align === 'middle' ? over / 2 : 0)
  const look = { size: Math.max(6, size * 0.82), align: block.align } as const
  // What it says stands in the middle beneath it, where there is room for that.
  const isNarrow = widthOf(value, look) <= own.wide
  const under = isNarrow
    ? textOf(value, { x, width: own.wide }, { ...look, align: 'middle' })
    : textOf(value, place, look)
  const words = block.bare ? { height: 0, draw: () => [] } : under
  return [
    {
      height: own.high + words.height,
      above: size * 0.8,
      draw: (y) => [...boxesAt(code, own, x, y), ...words.draw(y + own.high)],
    },
  ]
}

/** The dark boxes of a code, put on the page. */
function boxesAt(code: CodeDrawing, { dot, free }: ReturnType<typeof sizeOf>, x: number, y: number): Item[] {
  const [top, tall] = code.isSquare ? [y + free, dot] : [y, barHeight]
  return code.boxes.map(([left, row, width, rows]) => ({
    kind: 'tint',
    tone: 'ink',
    x: x + free + left * dot,
    y: top + (code.isSquare ? row * dot : 0),
    width: width * dot,
    height: tall * rows,
  }))
}
