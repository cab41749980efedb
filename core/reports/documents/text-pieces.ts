import { asPrinted, evenWidth, type Run, type RunLine, wrapRuns } from '../../letters'
import { baseline } from '../layout/blocks'
import type { Item, TextItem } from '../page'
import type { Piece } from './piece'

/** Where text stands, in points: from its left edge, and how wide it may be. */
export interface Place {
  readonly x: number
  readonly width: number
}

export interface TextLook {
  readonly size: number
  readonly bold?: boolean
  readonly tone?: 'grey'
  readonly colour?: string
  readonly align?: 'middle' | 'end' | undefined
  /** Room above its first line. */
  readonly above: number
  /** All of it stands on one page with what comes next. */
  readonly keeps?: boolean
}

const leadOf = (size: number): number => size * 1.36

export const textItem = (
  words: string,
  x: number,
  y: number,
  look: Pick<TextLook, 'size' | 'bold' | 'tone' | 'colour'>,
): TextItem => ({
  kind: 'text',
  x,
  y,
  size: look.size,
  words,
  ...(look.bold && { bold: true as const }),
  ...(look.tone && { tone: look.tone }),
  ...(look.colour !== undefined && { colour: look.colour }),
})

/** Runs as they can be printed; those that come to nothing are out. */
const printed = (runs: readonly Run[]): Run[] =>
  runs.map((run) => ({ ...run, words: asPrinted(run.words) })).filter(({ words }) => words !== '')

/** A line of runs at a height. */
function lineItems(line: RunLine, { x, width }: Place, y: number, look: TextLook): Item[] {
  const free = Math.max(0, width - line.width)
  const from = look.align === 'end' ? free : look.align === 'middle' ? free / 2 : 0
  return line.runs.map((run) =>
    textItem(run.words, x + from + run.x, y, { ...look, bold: look.bold ?? run.bold ?? false }),
  )
}

/** Lines of text, each a piece; the first two and the last two of them stand together. */
export function textPieces(runs: readonly Run[], place: Place, look: TextLook): Piece[] {
  const own = printed(look.bold ? runs.map((run) => ({ ...run, bold: true })) : runs)
  const lines = wrapRuns(own, place.width, look.size)
  const lead = leadOf(look.size)
  return lines.map((line, at) => ({
    height: lead,
    above: at === 0 ? look.above : 0,
    keeps: at === lines.length - 1 ? look.keeps === true : look.keeps === true || at === 0 || at === lines.length - 2,
    draw: (y) => lineItems(line, place, y + baseline({ size: look.size, lead }), look),
  }))
}

/** A text of a few lines as one piece with a height, drawn where it is put. */
export interface Text {
  readonly height: number
  readonly draw: (y: number) => Item[]
}

export function textOf(words: string, place: Place, look: Omit<TextLook, 'above'>): Text {
  const pieces = textPieces([{ words }], place, { ...look, above: 0 })
  const lead = leadOf(look.size)
  return {
    height: pieces.length * lead,
    draw: (y) => pieces.flatMap((piece, at) => piece.draw(y + at * lead)),
  }
}

export const widthOf = (words: string, { size, bold }: Pick<TextLook, 'size' | 'bold'>): number =>
  evenWidth(asPrinted(words), size, bold ? 'bold' : 'regular')
