import type { Book } from '@/core/book'
import { unmatchedWords } from '@/core/kinds'
import type { Inset, RowText } from '@/core/records'
import { findNames, type NamesFound } from '../find-names'

const linksOf = ({ fields, link }: Inset) => fields.filter(({ kind, id }) => kind === 'link' && id !== link.field)

/** Finds the records that the words in pasted links name, each words asked once. */
export function findNamed(base: string, book: Book, inset: Inset, rows: readonly RowText[]): Promise<NamesFound> {
  const wanted = linksOf(inset).flatMap((field) => {
    const words = rows.flatMap((row) => unmatchedWords(row.text[field.id] ?? '') ?? [])
    return [...new Set(words)].map((said) => ({ field, words: said }))
  })
  return findNames(base, book, wanted)
}

/** Rows with the records that their words name, where the words still stand. */
export const withNamed = (inset: Inset, rows: readonly RowText[], named: NamesFound['named']): readonly RowText[] =>
  rows.map((row) =>
    linksOf(inset).reduce((changed, { id }) => {
      const words = unmatchedWords(row.text[id] ?? '')
      const found = words === undefined ? undefined : named(id, words)
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
