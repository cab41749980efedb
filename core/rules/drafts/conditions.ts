import type { Book, Table } from '../../book'
import { type Condition, writeSentence } from './sentences'

/** A condition as an expression and in words, or what it still lacks. */
export const writeCondition = (book: Book, table: Table, condition: Condition) =>
  writeSentence(book, table, { kind: 'compare', ...condition })

/** Conditions that all hold, as one expression; nothing where there is none that can be written. */
export function conditionsSource(book: Book, table: Table, conditions: readonly Condition[]): string | undefined {
  const sources = conditions.flatMap((condition) => {
    const made = writeCondition(book, table, condition)
    return 'source' in made ? [made.source] : []
  })
  return sources.length > 0 ? sources.join(' AND ') : undefined
}
