import indefinite from 'indefinite'
import pluralize from 'pluralize'
import { irregularPlurals, unchanging } from './irregular'

/** Small helpers for sentences. English only, as the product is. */

const irregular = new Map(
  Object.entries(irregularPlurals).flatMap(([many, one]) => (many === one ? [] : [[one, many] as const])),
)

/** @example plural('Service item') // => 'Service items' */
export function plural(noun: string): string {
  // "Way of paying" becomes "Ways of paying".
  const [head, rest] = noun.split(/ (?=of |for |at |in )(.*)/s)
  if (head && rest) return `${plural(head)} ${rest}`
  const last = /[\p{L}]+$/u.exec(noun)?.[0] ?? ''
  if (unchanging.has(last.toLowerCase())) return noun
  const known = irregular.get(last.toLowerCase())
  // "Lost child" becomes "Lost children", "Child" becomes "Children".
  if (known) return noun.slice(0, -last.length) + (/^\p{Lu}/u.test(last) ? capital(known) : known)
  // A name in capitals, or one that ends with a figure, gets its s and nothing else.
  if (!/\p{Ll}$/u.test(last) || /s$/i.test(last)) return /(s|x|z)$/i.test(noun) ? `${noun}es` : `${noun}s`
  return noun.slice(0, -last.length) + pluralize.plural(last)
}

/** @example counted(3, 'visit') // => '3 visits' */
export const counted = (count: number, noun: string) =>
  `${count.toLocaleString('en-GB')} ${count === 1 ? noun : plural(noun)}`

/** @example listed(['a', 'b', 'c']) // => 'a, b and c' */
export function listed(words: readonly string[], joint = 'and'): string {
  if (words.length < 2) return words.join('')
  return `${words.slice(0, -1).join(', ')} ${joint} ${words.at(-1)}`
}

/** Lower-cases the first letter in running text, but leaves "VAT rate" and names in capitals alone. */
export const inSentence = (name: string) =>
  /^\p{Lu}\p{Ll}/u.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name

/** @example aOrAn('appliance') // => 'an appliance' @example aOrAn('unit') // => 'a unit' */
export const aOrAn = (noun: string) =>
  saidOtherwise.has((/^[\p{L}]+/u.exec(noun)?.[0] ?? '').toLowerCase()) ? `a ${noun}` : indefinite(noun)

/** Words whose first sound is another one here than where the package comes from. */
const saidOtherwise = new Set(['ewe', 'ewes', 'ewer', 'herb', 'herbs', 'herbal', 'herbalist'])

/** @example capital('boat type') // => 'Boat type' */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** A name without what blanks and capitals make of it: equal for names that are loosely the same. */
export const looseForm = (words: string) => words.trim().replace(/\s+/g, ' ').toLocaleLowerCase()

/** Whether two names differ in nothing but blanks and capitals. */
export const looselySame = (a: string, b: string): boolean => looseForm(a) === looseForm(b)
