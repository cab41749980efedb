import type { Block } from '../../book'
import type { Run } from '../../letters'
import type { Item } from '../page'
import type { Piece } from './piece'
import { runsOf } from './runs-of'
import { textPieces } from './text-pieces'
import type { Writing } from './writing'

/** A table of one's own: columns equally wide, a row as high as the highest of its cells, torn only between its lines. */
export function tablePieces(writing: Writing, { rows, headed }: Extract<Block, { kind: 'table' }>): Piece[] {
  const { frame, size } = writing.measures
  const across = Math.max(...rows.map((row) => row.length))
  const gap = Math.min(size, frame.width / across / 4)
  const width = (frame.width - gap * (across - 1)) / across
  const cells = rows.map((row) => row.map((line): readonly Run[] => runsOf(writing, line) ?? []))
  const pieces = cells.map((row, at) => rowPieces(writing, row, { width, gap, isHead: headed === true && at === 0 }))
  const [head, ...body] = pieces
  if (!headed || !head || head.length !== 1) return pieces.flat()
  // A head that is higher than a line or two stands once, and not on each page.
  return [...head, ...body.flat().map((piece) => ({ ...piece, head: head[0] }))]
}

interface Row {
  readonly width: number
  readonly gap: number
  readonly isHead: boolean
}

function rowPieces({ measures }: Writing, row: readonly (readonly Run[])[], { width, gap, isHead }: Row): Piece[] {
  const { frame, size } = measures
  const pad = size * 0.3
  const texts = row.map((runs, at) =>
    textPieces(runs, { x: frame.left + at * (width + gap), width }, { size, bold: isHead, above: 0 }),
  )
  const lines = Math.max(1, ...texts.map((pieces) => pieces.length))
  const lead = Math.max(size * 1.36, ...texts.flat().map(({ height }) => height))
  const rule = (y: number): Item => ({
    kind: 'line',
    x: frame.left,
    y,
    width: frame.width,
    thick: isHead ? 0.8 : 0.4,
    tone: isHead ? 'grey' : 'line',
  })
  const lineAt = (line: number, y: number): Item[] => texts.flatMap((pieces) => pieces[line]?.draw(y) ?? [])
  // Where it fits a page it is one piece; a higher one goes on after any of its lines.
  if (lines * lead + 2 * pad < (frame.bottom - frame.top) / 3)
    return [
      {
        height: lines * lead + 2 * pad,
        above: 0,
        draw: (y) => [
          ...Array.from({ length: lines }, (_, line) => lineAt(line, y + pad + line * lead)).flat(),
          rule(y + lines * lead + 2 * pad),
        ],
      },
    ]
  return Array.from({ length: lines }, (_, line) => ({
    height: lead + (line === lines - 1 ? pad : 0),
    above: line === 0 ? pad : 0,
    draw: (y: number) => [...lineAt(line, y), ...(line === lines - 1 ? [rule(y + lead + pad)] : [])],
  }))
}
