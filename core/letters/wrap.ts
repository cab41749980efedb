import LineBreaker from 'linebreak'
import { evenWidth, type Weight } from './letters'

interface Piece {
  readonly words: string
  /** Whether a new line begins after it, room or not. */
  readonly ends: boolean
}

/** Texts without anything to break at are most of those that stand in tables. */
const isOneWord = (text: string) => /^[\p{L}\p{N}.,:+%£$€]*$/u.test(text)

/** Where a text may go on in a new line, or must (UAX #14), by its letters; its end is the last. */
export function breaksOf(text: string): { readonly position: number; readonly required: boolean }[] {
  if (isOneWord(text)) return text === '' ? [] : [{ position: text.length, required: false }]
  const breaker = new LineBreaker(text)
  const found: { position: number; required: boolean }[] = []
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak())
    found.push({ position: next.position, required: next.required })
  return found
}

/** Ends of lines that a text has at its end. */
export const endings = /[\r\n\u2028\u2029\v\f]+$/

/** A text cut where it may go on in a new line. */
function piecesOf(text: string): Piece[] {
  let from = 0
  return breaksOf(text).map(({ position, required }) => {
    const words = text.slice(from, position).replace(endings, '')
    from = position
    return { words, ends: required }
  })
}

const letters = new Intl.Segmenter('en', { granularity: 'grapheme' })

/** A word that is wider than a line, cut into as few as hold it; a letter alone may be wider still. */
function cut(word: string, width: number, size: number, weight: Weight): string[] {
  const found: string[] = []
  let line = ''
  for (const { segment } of letters.segment(word)) {
    if (line && evenWidth(line + segment, size, weight) > width) {
      found.push(line)
      line = ''
    }
    line += segment
  }
  return line ? [...found, line] : found
}

/** A text with what no paper shows taken out: marks of direction, joints and the like; a tab is a space. */
export const asPrinted = (text: string): string =>
  /^[\x20-\x7e]*$/.test(text) ? text : text.replace(/(?!\u200d)\p{Cf}/gu, '').replace(/[^\P{Cc}\n\r]/gu, ' ')

/** So much wider than the room a line may come out, of rounding alone. */
const hair = 0.01

/**
 * A text as lines that are no wider than some room; a word that is wider is cut. Spaces at a line's end hang over. Nothing
 * of the text is lost but those.
 */
export function wrap(text: string, width: number, size: number, weight: Weight = 'regular'): string[] {
  if (!/[\n\r\u2028\u2029\v\f]/.test(text) && evenWidth(text, size, weight) <= width + hair) return [text]
  const lines: string[] = []
  let line = ''
  const fits = (words: string) => evenWidth(words.trimEnd(), size, weight) <= width + hair
  const end = () => {
    lines.push(line.trimEnd())
    line = ''
  }
  for (const { words, ends } of piecesOf(text)) {
    if (!fits(line + words) && line) end()
    if (fits(line + words)) line += words
    else {
      const parts = cut(words.trimEnd(), width, size, weight)
      lines.push(...parts.slice(0, -1))
      line = (parts.at(-1) ?? '') + words.slice(words.trimEnd().length)
    }
    if (ends) end()
  }
  if (line || lines.length === 0) end()
  return lines
}

/** How wide the widest part is that wrapping leaves whole. */
export function widestWord(text: string, size: number, weight: Weight = 'regular'): number {
  return piecesOf(text).reduce((most, { words }) => Math.max(most, evenWidth(words.trimEnd(), size, weight)), 0)
}
