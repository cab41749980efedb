import * as z from 'zod'
import { fail } from '../../words'
import { setKeys } from '../build-steps'
import { limits } from '../limits'
import { contrastOnPaper, leastContrast } from '../contrast'
import { Letterhead, Picture } from '../report'
import { bookId } from '../steps'
import { type EditKind, orNothing } from './edit-kind'

const typed = z.string().max(4000).optional()

const ChangeLetterhead = z.strictObject({
  kind: z.literal('changeLetterhead'),
  /** As it is to be; blank for none. */
  to: z.strictObject({
    name: typed,
    lines: typed,
    foot: typed,
    logo: Picture.optional(),
    colours: Letterhead.shape.colours,
  }),
})

type Words = Exclude<keyof Letterhead, 'logo' | 'colours'>

const most: Readonly<Record<Words, number>> = {
  name: limits.nameLength,
  lines: limits.letterheadLength,
  foot: limits.letterheadLength,
}
const keys = ['name', 'lines', 'foot'] as const

/** Without what no paper can hold: control characters, but for new lines between those of an address. */
const tidied = (text: string, key: Words) =>
  text
    .normalize('NFC')
    .replace(key === 'lines' ? /[^\n\P{Cc}]|\p{Cf}/gu : /\p{Cc}|\p{Cf}/gu, ' ')
    .trim()

/** What stands on everything that the office prints. */
export const changeLetterhead: EditKind<z.infer<typeof ChangeLetterhead>> = {
  schema: ChangeLetterhead,
  steps(book, { to }) {
    const parts = keys.map((key) => [key, tidied(to[key] ?? '', key)] as const)
    const long = parts.find(([key, text]) => text.length > most[key])
    if (long) return fail({ kind: 'too-long', limit: most[long[0]], length: long[1].length })
    const filled = parts.filter(([, text]) => text !== '')
    const words = Object.fromEntries(filled)
    const { logo, colours = {} } = to
    const pale = (['words', 'lines'] as const).find((what) => {
      const colour = colours[what]
      return colour !== undefined && contrastOnPaper(colour) < leastContrast[what]
    })
    if (pale) return fail({ kind: 'colour-pale', what: pale })
    const hasColours = Object.values(colours).some((colour) => colour !== undefined)
    const isBlank = filled.length === 0 && !logo && !hasColours
    const letterhead = isBlank ? undefined : { ...words, ...(logo && { logo }), ...(hasColours && { colours }) }
    return orNothing(setKeys(book, bookId, { letterhead }))
  },
  say: () => 'Change the letterhead',
}
