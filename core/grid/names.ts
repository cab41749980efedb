import { type Book, type Field, tableOf } from '../book'
import { unmatchedWords } from '../kinds'
import { type CellText, type GridRow, withCells } from './grid'

/** Words in the cells of a link that name no record yet. */
export interface OpenName {
  readonly field: Field
  readonly words: string
  /** So many rows have them. */
  readonly rows: number
}

const linksOf = (book: Book, tableId: string) => tableOf(book, tableId).fields.filter(({ kind }) => kind === 'link')

/** Every name that stands in links and isn't known to be a record's, once, those of most rows first. */
export function openNames(book: Book, tableId: string, rows: readonly GridRow[]): readonly OpenName[] {
  return linksOf(book, tableId).flatMap((field) => {
    const counts = new Map<string, number>()
    for (const row of rows) {
      const words = unmatchedWords(row.text[field.id] ?? '')
      if (words !== undefined) counts.set(words, (counts.get(words) ?? 0) + 1)
    }
    return [...counts].sort(([, a], [, b]) => b - a).map(([words, count]) => ({ field, words, rows: count }))
  })
}

/** What words name, by the link's field and the words. */
export type Named = (field: string, words: string) => CellText | undefined

/** The rows that have words in a link which name a record, with that record. */
export function withNames(book: Book, tableId: string, rows: readonly GridRow[], named: Named): readonly GridRow[] {
  const links = linksOf(book, tableId)
  return rows.flatMap((row) => {
    const cells = new Map<string, CellText>()
    for (const { id } of links) {
      const words = unmatchedWords(row.text[id] ?? '')
      const meant = words === undefined ? undefined : named(id, words)
      if (meant) cells.set(id, meant)
    }
    return cells.size > 0 ? [withCells(row, cells)] : []
  })
}
