import type { Block, Inline } from '../../book'
import type { Run } from '../../letters'
import { coloured, type Measures } from '../layout/measures'
import type { LineItem } from '../page'
import { gap, type Piece } from './piece'
import { codePieces } from './code-pieces'
import { picturePieces } from './picture-pieces'
import { tablePieces } from './table-pieces'
import { fieldPieces } from './field-pieces'
import { rowsPieces } from './rows-pieces'
import { runsOf } from './runs-of'
import { textOf, type TextLook, textPieces } from './text-pieces'
import type { Writing } from './writing'

/** What isn't under a condition any more. */
type Standing = Exclude<Block, { kind: 'only' }>

/** All blocks as pieces, those within a condition where it holds. */
export function blockPieces(writing: Writing, blocks: readonly Block[]): Piece[] {
  const standing = blocks.flatMap(function within(block): readonly Standing[] {
    if (block.kind !== 'only') return [block]
    return writing.filled.holds.has(block.id) ? block.of.flatMap(within) : []
  })
  let number = 0
  return standing.flatMap((block, at) => {
    const before = standing[at - 1]
    const goesOn = before?.kind === 'point' && block.kind === 'point' && before.numbered === block.numbered
    number = goesOn ? number + 1 : 1
    return piecesOf(writing, block, number)
  })
}

function piecesOf(writing: Writing, block: Standing, number: number): Piece[] {
  const { measures, read, filled } = writing
  const { frame, size } = measures
  const place = { x: frame.left, width: frame.width }
  switch (block.kind) {
    case 'words': {
      const runs = runsOf(writing, block.of)
      if (!runs) return []
      if (runs.every(({ words }) => !words)) return [gap(size * 1.36)]
      return textPieces(runs, place, { ...lookOf(block.look, measures), align: block.align })
    }
    case 'point':
      return pointPieces(writing, block, number)
    case 'address':
      return addressLines(writing, block.lines).flatMap((runs, at) =>
        textPieces(runs, place, { size, above: at === 0 ? size * 0.8 : 0 }),
      )
    case 'fields':
      return fieldPieces(writing, block)
    case 'rows': {
      const rows = read.rows.get(block.id)
      const own = filled.rows[block.id]
      if (!rows || !own) return []
      return rowsPieces({ columns: rows.columns, filled: own, heading: block.heading, none: block.none }, measures)
    }
    case 'code':
      return codePieces(writing, block)
    case 'picture':
      return picturePieces(writing, block)
    case 'table':
      return [gap(size * 0.6), ...tablePieces(writing, block)]
    case 'line':
      return [
        {
          height: 1,
          above: size * 0.8,
          draw: (y) => [{ ...lineAt(frame.left, y, frame.width, 0.6), ...coloured(measures, 'lines') }],
        },
        gap(size * 0.3),
      ]
    case 'room':
      return Array.from({ length: block.lines }, () => ({
        height: handLine,
        above: 0,
        draw: (y: number) => [lineAt(frame.left, y + handLine, frame.width, 0.4)],
      }))
    case 'signatures':
      return [signatures(writing, block.of)]
    case 'turn':
      return [{ height: 0, above: 0, turns: true, draw: () => [] }]
  }
}

/** So far are lines apart on which people write by hand, in points. */
const handLine = 24

const lineAt = (x: number, y: number, width: number, thick: number): LineItem => ({
  kind: 'line',
  x,
  y,
  width,
  thick,
  tone: 'grey',
})

function lookOf(look: 'title' | 'heading' | 'small' | undefined, measures: Measures): TextLook {
  const { size } = measures
  const own = coloured(measures, 'words')
  switch (look) {
    case 'title':
      return { size: size * 1.9, bold: true, ...own, above: size * 1.2, keeps: true }
    case 'heading':
      return { size: size * 1.25, bold: true, ...own, above: size * 1.1, keeps: true }
    case 'small':
      return { size: Math.max(6, size * 0.85), tone: 'grey', above: size * 0.35 }
    case undefined:
      return { size, above: size * 0.6 }
  }
}

/** The lines of an address, without those in which nothing stands. */
export const addressLines = (writing: Writing, lines: readonly (readonly Inline[])[]): Run[][] =>
  lines.flatMap((line) => {
    const runs = runsOf(writing, line)
    return runs && runs.some(({ words }) => words.trim()) ? [runs] : []
  })

function pointPieces(writing: Writing, { of, numbered }: Extract<Block, { kind: 'point' }>, number: number): Piece[] {
  const { frame, size } = writing.measures
  const runs = runsOf(writing, of)
  if (!runs) return []
  const inset = size * 1.7
  const mark = numbered ? `${number}.` : '–'
  const pieces = textPieces(runs, { x: frame.left + inset, width: frame.width - inset }, { size, above: size * 0.35 })
  const sign = textOf(mark, { x: frame.left, width: inset }, { size })
  return pieces.map((piece, at) => (at > 0 ? piece : { ...piece, draw: (y) => [...sign.draw(y), ...piece.draw(y)] }))
}

function signatures({ measures: { frame, size } }: Writing, of: readonly string[]): Piece {
  const between = size * 3
  const width = Math.min((frame.width - between * (of.length - 1)) / of.length, 200)
  const own = Math.max(6, size * 0.85)
  const texts = of.map((words, at) => {
    const x = frame.left + at * (width + between)
    return { x, text: textOf(words, { x, width }, { size: own, tone: 'grey' }) }
  })
  const over = size * 3.4
  return {
    height: over + Math.max(...texts.map(({ text }) => text.height)) + 2,
    above: size,
    draw: (y) => texts.flatMap(({ x, text }) => [lineAt(x, y + over, width, 0.6), ...text.draw(y + over + 2)]),
  }
}
