import { letterWidths } from './letter-widths'

/**
 * Advance widths of the shipped typefaces in thousandths of their size, so that what fits is known without a window:
 * letters from `first` on, signs, and from `furtherFirst` on Greek and Cyrillic ones in the other typeface.
 */
export interface LetterWidths {
  readonly first: number
  readonly furtherFirst: number
  readonly regular: WidthsOfWeight
  readonly bold: WidthsOfWeight
}

interface WidthsOfWeight {
  readonly letters: readonly number[]
  readonly further: readonly number[]
  readonly signs: Readonly<Record<string, number>>
  /** Of figures that are all equally wide, as they stand in columns. */
  readonly figure: number
}

const { first, furtherFirst, ...weights }: LetterWidths = letterWidths
const wide = 1000
const average = 600

export type Weight = 'regular' | 'bold'

/** The typefaces that the widths are of: that of everything, and the one for letters that it doesn't have. */
export const typefaceNames = ['Atkinson Hyperlegible Next', 'Noto Sans'] as const

/** How wide a text is at a size, in the unit of the size. Letters that aren't in the table count as wide ones. */
export function textWidth(text: string, size: number, weight: Weight = 'regular'): number {
  const { letters, further, signs } = weights[weight]
  let sum = 0
  for (const letter of text) {
    const code = letter.codePointAt(0)!
    sum += letters[code - first] ?? further[code - furtherFirst] ?? signs[letter] ?? (code >= 0x1100 ? wide : average)
  }
  return (sum * size) / 1000
}

/** The same with figures that are all equally wide, so that those of numbers stand under each other. */
export function evenWidth(text: string, size: number, weight: Weight = 'regular'): number {
  const { letters, figure } = weights[weight]
  let sum = textWidth(text, size, weight)
  for (const letter of text) {
    const code = letter.charCodeAt(0)
    if (code >= 0x30 && code <= 0x39) sum += ((figure - (letters[code - first] ?? figure)) * size) / 1000
  }
  return sum
}

/** Whether the typeface of everything has a letter, by the table of its widths. */
export const isOwn = (code: number): boolean =>
  weights.regular.letters[code - first] !== undefined || weights.regular.signs[String.fromCodePoint(code)] !== undefined

export const isFurther = (code: number): boolean => weights.regular.further[code - furtherFirst] !== undefined

/** As much of a text as fits, with three points where some is left out. */
export function clipped(
  text: string,
  size: number,
  most: number,
  weight: Weight = 'regular',
  widthOf: typeof textWidth = textWidth,
): string {
  if (widthOf(text, size, weight) <= most) return text
  const letters = [...text]
  while (letters.length > 1 && widthOf(`${letters.join('')}…`, size, weight) > most) letters.pop()
  return `${letters.join('').trimEnd()}…`
}
