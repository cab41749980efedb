import type { Along, Book, Table } from '../../book'
import { factsOffered, writtenName } from '../../expressions'
import { isDerived, quoteText } from '../../kinds'
import { alongHeading, hasNumbers } from '../check/along'
import type { ReadColumn } from '../check/read-list'

/** A fact that can be joined with others: as it is written, and in words. */
export interface JoinedFact {
  readonly source: string
  readonly words: string
}

/** The facts of a table, and of the single records that it leads to, that can be joined as one text. */
export function joinableFacts(book: Book, table: Table): JoinedFact[] {
  const own = table.fields
    .filter(
      (field) => field.kind !== 'link' && field.kind !== 'file' && (!isDerived(field) || field.source !== undefined),
    )
    .map(({ name }) => ({ source: writtenName(name), words: name }))
  return [...own, ...factsOffered(book, table).map(({ source, words }) => ({ source, words }))]
}

/** What stands between joined facts. */
export const separators = [
  { between: ' ', words: 'a space' },
  { between: ', ', words: 'a comma' },
  { between: ' · ', words: 'a dot' },
  { between: '', words: 'nothing' },
] as const

/** Facts joined as one text, as an expression; those that are blank are left out with what stands before them. */
export function joinSource(sources: readonly string[], between: string): string {
  const parts = sources.map((source) =>
    between === '' ? `COALESCE('' || ${source}, '')` : `COALESCE(${quoteText(between)} || ${source}, '')`,
  )
  const joined = parts.join(' || ')
  return between === '' ? joined : `SUBSTRING(${joined} FROM ${between.length + 1})`
}

/** How a number can be told among those of all others, in words. */
export const alongChoices: readonly { readonly name: Along; readonly words: string }[] = [
  { name: 'share', words: 'its share of all, in percent' },
  { name: 'running', words: 'a running total, in the order of the list' },
  { name: 'rank', words: 'its rank, the greatest first' },
  { name: 'difference', words: 'how much more it is than the one before' },
]

/** The columns that have one number for each record. */
export const numberColumns = (book: Book, columns: readonly ReadColumn[]): readonly ReadColumn[] =>
  columns.filter((column) => hasNumbers(book, column))

/** What stands above such a column unless it is given a name. */
export const sayAlong = (name: Along, column: ReadColumn): string => alongHeading(name, column.heading)
