import type { Book } from '../book'
import { singular } from '../words'
import type { NamedPhrase, Reading } from './reading'

/** Under what it is kept that a phrase of a need needs no place in the design. */
export const noPlaceFor = (need: string, words: string): string => `words/${need}/${words.toLowerCase()}`.slice(0, 300)

/** What a need names and the design has no place for, each once, as it is written. */
export function unplaced(book: Book, { phrases }: Reading, at: number): NamedPhrase[] {
  const need = book.needs[at]!
  const known = vocabularyOf(book)
  const waved = new Set(book.waved.map(({ what }) => what))
  const own = phrases.filter(
    ({ words, place, evidence }) =>
      evidence.need === at && !place.some((word) => known.has(word)) && !waved.has(noPlaceFor(need.id, words)),
  )
  const first = new Map(own.map((one) => [one.place.join(' '), one] as const).reverse())
  return own.filter((one) => first.get(one.place.join(' ')) === one)
}

const vocabularies = new WeakMap<Book, ReadonlySet<string>>()

/** Every word in the names of tables, fields, choices and units, in how links read, and in what was decided about words. */
function vocabularyOf(book: Book): ReadonlySet<string> {
  const found = vocabularies.get(book)
  if (found) return found
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
    ...book.waved.flatMap(({ what }) => (/^(table|field|kept|same)\//.test(what) ? what.split('/').slice(1) : [])),
  ]
  const words = names.flatMap((name) => name.toLowerCase().split(/[^\p{L}\p{N}-]+/u))
  const known = new Set(words.flatMap((word) => (word ? [word, singular(word)] : [])))
  vocabularies.set(book, known)
  return known
}
