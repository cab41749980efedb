import type { Block, CodeKind } from '../../book'
import type { Item } from '../page'
import type { Piece } from './piece'
import { sayColumn } from './say-inline'
import { textOf, textPieces, widthOf } from './text-pieces'
import type { Writing } from './writing'

/** A code for scanning in modules: dark boxes by their left, top, width and height. */
export interface CodeDrawing {
  readonly width: number
  readonly height: number
  readonly isSquare: boolean
  readonly boxes: readonly (readonly [number, number, number, number])[]
}

/** Draws codes; undefined where a value can't be said by one. */
export type DrawCode = (kind: CodeKind, value: string) => CodeDrawing | undefined

const points = 72 / 25.4

/** How wide a module is, in points: as it is wished, and the least that scanners still read. */
const modules = {
  bars: { usual: 0.33 * points, least: 0.2 * points },
  square: { usual: 0.6 * points, least: 0.35 * points },
} as const
/** How high bars are, in points, and how many modules stay free around a code. */
const barHeight = 14 * points
const quiet = { bars: 10, square: 4 } as const

/** A code for scanning with what it says beneath; what can't be drawn is written instead, so that nothing is lost. */
export function codePieces(writing: Writing, block: Extract<Block, { kind: 'code' }>): Piece[] {
  const { book, read, filled, measures, drawCode } = writing
  const { frame, size } = measures
  const column = read.columns.get(block.column)
  const value = column ? sayColumn(book, column, filled).trim() : ''
  if (!value) return []
  const place = { x: frame.left, width: frame.width }
  const code = drawCode?.(block.as, value)
  const sort = code?.isSquare ? 'square' : 'bars'
  const free = 2 * quiet[sort]
  const module = code ? Math.min(modules[sort].usual, frame.width / (code.width + free)) : 0
  const high = code ? (code.isSquare ? (code.height + free) * module : barHeight) : 0
  const look = { size: Math.max(6, size * 0.82), align: block.align } as const
  const under = textOf(value, place, look)
  const height = high + (block.bare ? 0 : under.height)
  if (!code || module < modules[sort].least || height > frame.bottom - frame.top) {
    writing.onPlainCode?.(value)
    return textPieces([{ words: value }], place, { size, above: size * 0.6, align: block.align })
  }
  const wide = (code.width + free) * module
  const over = Math.max(0, frame.width - wide)
  const x = frame.left + (block.align === 'end' ? over : block.align === 'middle' ? over / 2 : 0)
  return [
    {
      height,
      above: size * 0.8,
      draw: (y) => {
        const top = code.isSquare ? y + quiet.square * module : y
        const tall = code.isSquare ? module : barHeight
        const boxes: Item[] = code.boxes.map(([left, row, width, rows]) => ({
          kind: 'tint',
          tone: 'ink',
          x: x + (left + quiet[sort]) * module,
          y: top + (code.isSquare ? row * module : 0),
          width: width * module,
          height: tall * rows,
        }))
        if (block.bare) return boxes
        // What it says stands in the middle beneath it, where there is room for that.
        const narrow = widthOf(value, look) <= wide
        const words = narrow ? textOf(value, { x, width: wide }, { ...look, align: 'middle' }) : under
        return [...boxes, ...words.draw(y + high)]
      },
    },
  ]
}
