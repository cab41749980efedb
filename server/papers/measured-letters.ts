import type { LetterWidths } from '@/core/letters'
import { further, family, openTypeface } from './typefaces'

/** Signs that stand on the map beside letters. */
const signs = [...'·–—‘’“”…€→−']
/** What a letter counts as that no typeface has. */
const average = 600

/** Advance widths of both typefaces, in thousandths of their size, as they are in the typefaces' own files. */
export function measured(): LetterWidths {
  const widths = (name: typeof family | typeof further, face: 'normal' | 'bold', codes: readonly number[]) => {
    const font = openTypeface(name, face)
    const of = (code: number) => Math.round((font.glyphForCodePoint(code).advanceWidth * 1000) / font.unitsPerEm)
    return codes.map((code) => (name === family || font.hasGlyphForCodePoint(code) ? of(code) : average))
  }
  const figure = (face: 'normal' | 'bold') => {
    const font = openTypeface(family, face)
    const [glyph] = font.layout('0', { tnum: true }).glyphs
    return Math.round(((glyph?.advanceWidth ?? average) * 1000) / font.unitsPerEm)
  }
  const range = (first: number, last: number) => Array.from({ length: last - first + 1 }, (_, at) => first + at)
  const [letters, others] = [range(0x20, 0x17f), range(0x370, 0x45f)]
  const codes = signs.map((sign) => sign.codePointAt(0)!)
  const signsOf = (face: 'normal' | 'bold') =>
    Object.fromEntries(widths(family, face, codes).map((width, at) => [signs[at]!, width]))
  return {
    first: 0x20,
    furtherFirst: 0x370,
    regular: {
      letters: widths(family, 'normal', letters),
      further: widths(further, 'normal', others),
      signs: signsOf('normal'),
      figure: figure('normal'),
    },
    bold: {
      letters: widths(family, 'bold', letters),
      further: widths(further, 'bold', others),
      signs: signsOf('bold'),
      figure: figure('bold'),
    },
  }
}
