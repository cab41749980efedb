import { contrastBetween, leastContrast, mixed, mixedUntil } from './contrast'
import type { FormLook } from './form-look'

/** What is written in each theme, and what it is written on; the faintest words that stand in a form last. */
const themes = {
  light: { paper: '#ffffff', ink: '#1d2422', faint: '#5f6a62' },
  dark: { paper: '#1b211f', ink: '#eef1ee', faint: '#9aa69f' },
} as const

export interface FormColours {
  readonly words: string
  readonly ground: string
}

/** What is wrong with the colours of forms: headings that can't be read, or a ground on which nothing can. */
export function lookFaults({ colours = {} }: FormLook): readonly ('words' | 'ground')[] {
  const { words, ground } = colours
  const { paper, faint } = themes.light
  const isDim = ground !== undefined && contrastBetween(faint, ground) < leastContrast.words
  const isPale =
    words !== undefined && [paper, ground ?? paper].some((on) => contrastBetween(words, on) < leastContrast.words)
  // On a ground that is too dark nothing can be read whatever it is written in.
  return isDim ? ['ground'] : isPale ? ['words'] : []
}

/** The same look with colours that can be read. */
export function readableLook(look: FormLook): FormLook {
  const { words, ground } = look.colours ?? {}
  const { paper, faint } = themes.light
  const on = ground && mixedUntil(ground, paper, (mix) => contrastBetween(faint, mix) >= leastContrast.words)
  const dark =
    words &&
    mixedUntil(words, '#000000', (mix) =>
      [paper, on ?? paper].every((under) => contrastBetween(mix, under) >= leastContrast.words),
    )
  return { ...look, colours: { ...(dark && { words: dark }), ...(on && { ground: on }) } }
}

/**
 * The colours of forms in both themes. They are chosen for white paper; in the dark, the ground is a breath of the same
 * colour and headings are as much lighter as they have to be to be read on it.
 */
export function coloursOf(look: FormLook): Readonly<Record<keyof typeof themes, FormColours>> {
  const { words, ground } = look.colours ?? {}
  const { light, dark } = themes
  const night = ground
    ? mixedUntil(
        mixed(dark.paper, ground, 0.16),
        dark.paper,
        (mix) => contrastBetween(dark.faint, mix) >= leastContrast.words,
      )
    : dark.paper
  const bright = words
    ? mixedUntil(words, '#ffffff', (mix) =>
        [dark.paper, night].every((under) => contrastBetween(mix, under) >= leastContrast.words),
      )
    : dark.ink
  return {
    light: { words: words ?? light.ink, ground: ground ?? light.paper },
    dark: { words: bright, ground: night },
  }
}
