import * as z from 'zod'

/** A colour that things on paper are printed in, as CSS writes it: "#14625c". */
export const PaperColour = z.string().regex(/^#[0-9a-f]{6}$/)

/** As much as words need to be read by anybody, also where they are printed in grey (WCAG 2.2, 1.4.3). */
export const leastContrast = { words: 4.5, lines: 1.5 } as const

const channels = (colour: string): number[] => [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16))

/** How bright a colour is, from 0 to 1: relative luminance as WCAG 2.2 defines it. */
const luminance = (colour: string): number => {
  const [red = 0, green = 0, blue = 0] = channels(colour)
    .map((value) => value / 255)
    .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

/** How much a colour stands out from white paper, from 1 to 21: the contrast ratio of WCAG 2.2. */
export const contrastOnPaper = (colour: string): number => 1.05 / (luminance(colour) + 0.05)

/** The same colour, as dark as it has to be to stand out so much. */
export function darkEnough(colour: string, least: number): string {
  for (let share = 100; share > 0; share--) {
    const darker = channels(colour).map((value) => Math.floor((value * share) / 100))
    const found = `#${darker.map((value) => value.toString(16).padStart(2, '0')).join('')}`
    if (contrastOnPaper(found) >= least) return found
  }
  return '#000000'
}
