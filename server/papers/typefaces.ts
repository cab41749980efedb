import { join } from 'node:path'
import { type Font, openSync } from 'fontkit'
import { typefaceNames } from '@/core/letters'

/** The typeface of everything, and the one for letters that it doesn't have: Greek, Cyrillic, Vietnamese. */
export const [family, further] = typefaceNames

const packages = join(process.cwd(), 'node_modules', '@expo-google-fonts')
const fileOf = (folder: string, name: string, face: string) =>
  join(packages, folder, face, `${name.replaceAll(' ', '')}_${face}.ttf`)
const facesOf = (folder: string, name: string) => ({
  normal: fileOf(folder, name, '400Regular'),
  bold: fileOf(folder, name, '700Bold'),
  italics: fileOf(folder, name, '400Regular_Italic'),
  bolditalics: fileOf(folder, name, '700Bold_Italic'),
})

/** The files of both typefaces by name, as the PDF library wants them. */
export const typefaces = {
  [family]: facesOf('atkinson-hyperlegible-next', family),
  [further]: facesOf('noto-sans', further),
}

export const isTypeface = (path: string): boolean => path.startsWith(packages)

const opened = new Map<string, Font>()

/** One of the typefaces, opened once. */
export function openTypeface(name: keyof typeof typefaces, face: 'normal' | 'bold'): Font {
  const path = typefaces[name][face]
  const font = opened.get(path) ?? (openSync(path) as Font)
  opened.set(path, font)
  return font
}

const has = (name: keyof typeof typefaces, letter: string) =>
  openTypeface(name, 'normal').hasGlyphForCodePoint(letter.codePointAt(0)!)

/** Whether one of the typefaces has a shape for all that a letter is made of. */
export const hasShape = (letter: string): boolean =>
  [...letter].every((one) => !isSeen.test(one) || has(family, one) || has(further, one))

export interface Dressed {
  readonly svg: string
  /** Letters that neither typeface has. */
  readonly missing: ReadonlySet<string>
}

/** Joiners, accents by themselves and halves of signs have no shape of their own that one could miss. */
const isSeen = /[\p{L}\p{N}\p{P}\p{S}]/u

/**
 * Says of each word with letters that the typeface of everything doesn't have that it is set in the other one: a word
 * of one typeface reads better than one of two.
 */
export function addFontFallback(svg: string): Dressed {
  const missing = new Set<string>()
  const dressed = (word: string) => {
    const lacking = [...word].filter((letter) => !has(family, letter))
    for (const letter of lacking) if (!has(further, letter) && isSeen.test(letter)) missing.add(letter)
    const helps = lacking.some((letter) => has(further, letter))
    return helps ? `<tspan font-family="${further}">${word}</tspan>` : word
  }
  const texts = svg.replace(/<text\b[^>]*>[^]*?<\/text>/g, (text) =>
    text.replace(/>([^<]+)</g, (_, words: string) => `>${words.replace(/[^\s]+/g, dressed)}<`),
  )
  return { svg: texts, missing }
}
