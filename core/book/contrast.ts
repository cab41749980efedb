/** As much as words need to be read by anybody, also where they are printed in grey (WCAG 2.2, 1.4.3). */
export const leastContrast = { words: 4.5, lines: 1.5 } as const

const white = '#ffffff'

const channels = (colour: string): number[] => [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16))

const written = (values: readonly number[]): string =>
  `#${values.map((value) => Math.round(value).toString(16).padStart(2, '0')).join('')}`

/** How bright a colour is, from 0 to 1: relative luminance as WCAG 2.2 defines it. */
const luminance = (colour: string): number => {
  const [red = 0, green = 0, blue = 0] = channels(colour)
    .map((value) => value / 255)
    .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

/** How much two colours stand out from each other, from 1 to 21: the contrast ratio of WCAG 2.2. */
export function contrastBetween(one: string, other: string): number {
  const [bright = 0, dark = 0] = [luminance(one), luminance(other)].sort((a, b) => b - a)
  return (bright + 0.05) / (dark + 0.05)
}

/** How much a colour stands out from white paper. */
export const contrastOnPaper = (colour: string): number => contrastBetween(colour, white)

/** A colour with so much of another in it, from 0 to 1. */
export const mixed = (colour: string, other: string, share: number): string =>
  written(channels(colour).map((value, at) => value + ((channels(other)[at] ?? 0) - value) * share))

/** A colour with as little of another in it as makes something true of it; the other one where nothing does. */
export function mixedUntil(colour: string, other: string, isSo: (mix: string) => boolean): string {
  for (let share = 0; share < 100; share++) {
    const mix = mixed(colour, other, share / 100)
    if (isSo(mix)) return mix
  }
  return other
}

/** The same colour, as dark as it has to be to stand out so much from white paper. */
export const darkEnough = (colour: string, least: number): string =>
  mixedUntil(colour, '#000000', (mix) => contrastOnPaper(mix) >= least)
