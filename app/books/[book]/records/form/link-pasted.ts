import { type Book, linkOf, tableOf } from '@/core/book'
import { unmatchedWords } from '@/core/kinds'
import { type Inset, keyOfRef, type RowText } from '@/core/records'
import { looselySame } from '@/core/words'
import type { LinkOption } from '@/ui/controls'
import { searchLinked } from './search-linked'

interface Wish {
  readonly base: string
  readonly bookId: string
  readonly book: Book
  readonly inset: Inset
}

const askedAtOnce = 4

export interface Named {
  /** What words in links name, by the link's field and the words. */
  readonly found: ReadonlyMap<string, LinkOption>
  /** So many names couldn't be looked for. */
  readonly unasked: number
}

const linksOf = ({ fields, link }: Inset) => fields.filter(({ kind, id }) => kind === 'link' && id !== link.field)
const placeOf = (field: string, words: string) => `${field} ${words}`

/** Finds the records that the words in pasted links name, each words asked once. */
export async function findNamed({ base, bookId, book, inset }: Wish, rows: readonly RowText[]): Promise<Named> {
  const wanted = linksOf(inset).flatMap((field) => {
    const words = rows.flatMap((row) => unmatchedWords(row.text[field.id] ?? '') ?? [])
    return [...new Set(words)].map((said) => ({ field, said }))
  })
  const found = new Map<string, LinkOption>()
  let unasked = 0
  const next = wanted.values()
  const work = async () => {
    for (const { field, said } of next) {
      const target = tableOf(book, linkOf(book, field.id).one)
      const answer = await searchLinked(base, bookId, target, said)
      const meant = namedBy(said, answer ?? [])
      if (!answer) unasked++
      if (meant) found.set(placeOf(field.id, said), meant)
    }
  }
  await Promise.all(Array.from({ length: askedAtOnce }, work))
  return { found, unasked }
}

/** Rows with the records that their words name, where the words still stand. */
export const withNamed = (inset: Inset, rows: readonly RowText[], named: Named['found']): readonly RowText[] =>
  rows.map((row) =>
    linksOf(inset).reduce((changed, { id }) => {
      const words = unmatchedWords(row.text[id] ?? '')
      const found = words === undefined ? undefined : named.get(placeOf(id, words))
      if (!found) return changed
      return {
        ...changed,
        text: { ...changed.text, [id]: found.ref },
        labels: { ...changed.labels, [id]: found.label },
      }
    }, row),
  )

/** How many links hold words that name no one record. */
export const countUnclear = (inset: Inset, rows: readonly RowText[]): number =>
  linksOf(inset).flatMap(({ id }) => rows.filter((row) => unmatchedWords(row.text[id] ?? '') !== undefined)).length

/** The only record that goes by just these words, or by this number; nothing is guessed. */
function namedBy(said: string, found: readonly LinkOption[]): LinkOption | undefined {
  const named = found.filter(({ ref, label }) =>
    [label, ...(keyOfRef(ref, 1) ?? [])].some((words) => looselySame(words, said)),
  )
  return named.length === 1 ? named[0] : undefined
}
