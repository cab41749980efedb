import { isOwn, isFurther, evenWidth, type Weight } from './letters'

/** A stretch of a text in one typeface, and how far from the text's beginning it stands. */
export interface Stretch {
  /** `none`: a letter by itself whose width is only guessed, so that whatever is drawn for it moves nothing else. */
  readonly face: 'own' | 'further' | 'none'
  readonly words: string
  readonly from: number
}

const graphemes = new Intl.Segmenter('en', { granularity: 'grapheme' })

const codeOf = (letter: string) => letter.codePointAt(0) ?? 0

function faceOf(grapheme: string): Stretch['face'] {
  const codes = [...grapheme].map((letter) => codeOf(letter))
  if (codes.every(isOwn)) return 'own'
  return codes.every(isFurther) ? 'further' : 'none'
}

/** A text cut into stretches of one typeface each. */
export function stretchesOf(text: string, size: number, weight: Weight = 'regular'): Stretch[] {
  if ([...text].every((letter) => isOwn(codeOf(letter)))) return [{ face: 'own', words: text, from: 0 }]
  const found: { face: Stretch['face']; words: string; from: number }[] = []
  let from = 0
  for (const { segment } of graphemes.segment(text)) {
    const face = faceOf(segment)
    const last = found.at(-1)
    if (last && face !== 'none' && last.face === face) last.words += segment
    else found.push({ face, words: segment, from })
    from += evenWidth(segment, size, weight)
  }
  return found
}
