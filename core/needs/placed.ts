import type { Book } from '../book'
import { singular, oncePer } from '../words'
import type { NamedPhrase, Reading } from './reading'

/** Under what it is kept that a phrase of a need needs no place in the design. */
export const noPlaceFor = (need: string, words: string): string => `words/${need}/${words.toLowerCase()}`.slice(0, 300)

/** What a need names and the design has no place for, each once, as it is written. */
export function unplaced(book: Book, reading: Reading, at: number): NamedPhrase[] {
  const need = book.needs[at]!
  const known = vocabularyOf(book)
  const decided = decidedIn(book)
  const own = (phrasesOf(reading).get(at) ?? []).filter(
    ({ words, place }) => !place.some((word) => known.has(word)) && !decided.has(noPlaceFor(need.id, words)),
  )
  const first = new Map(own.map((one) => [one.place.join(' '), one] as const).reverse())
  return own.filter((one) => first.get(one.place.join(' ')) === one)
}

const phrasesOf = oncePer((reading: Reading): ReadonlyMap<number, readonly NamedPhrase[]> => {
  const found = new Map<number, NamedPhrase[]>()
  for (const phrase of reading.phrases) {
    const { need } = phrase.evidence
    const own = found.get(need)
    if (own) own.push(phrase)
    else found.set(need, [phrase])
  }
  return found
})

const decidedIn = oncePer((book: Book): ReadonlySet<string> => new Set(book.dismissed.map(({ what }) => what)))

/** Every word in the names of tables, fields, choices and units, in how links read, and in what was decided about words. */
const vocabularyOf = oncePer((book: Book): ReadonlySet<string> => {
  const names = [
    ...book.tables.flatMap((table) => [
      table.name,
      ...(table.words ?? []).map(({ word }) => word),
      ...table.fields.flatMap((field) => [
        field.name,
        field.unit ?? '',
        ...(field.choices ?? []).map(({ word }) => word),
      ]),
    ]),
    ...book.links.flatMap(({ label, back }) => [label ?? '', back ?? '']),
    // A proposal that was ignored, or accepted under another name: its words were looked at.
    ...book.dismissed.flatMap(({ what }) => (/^(table|field|kept|same)\//.test(what) ? what.split('/').slice(1) : [])),
  ]
  const words = names.flatMap((name) => name.toLowerCase().split(/[^\p{L}\p{N}-]+/u))
  return new Set(words.flatMap((word) => (word ? [word, singular(word)] : [])))
})
