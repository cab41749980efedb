import { type Book, linksTo } from '../book'
import { sayLimit } from '../pairings'

/** A limit on how many rows hang on one record, as a sentence; set in Pairings. */
export interface LimitRule {
  readonly id: string
  /** The two tables of its pair. */
  readonly pair: readonly [string, string]
  readonly sentence: string
}

/** The limits of what hangs on one table's records. */
export const limitRules = (book: Book, tableId: string): LimitRule[] =>
  linksTo(book, tableId).flatMap((link) =>
    (link.limits ?? []).map((limit) => ({
      id: limit.id,
      pair: [link.one, otherEnd(book, link.many, link.one)] as const,
      sentence: sayLimit(book, link, limit),
    })),
  )

/** A joining table's tie is answered for the pair that it joins. */
function otherEnd(book: Book, many: string, one: string): string {
  const table = book.tables.find(({ id }) => id === many)
  const far = table?.role === 'joining' && book.links.find((link) => link.many === many && link.one !== one)
  return far ? far.one : many
}

export const allLimitRules = (book: Book): LimitRule[] => book.tables.flatMap((table) => limitRules(book, table.id))
