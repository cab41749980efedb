import { type Book, fieldOf, type Link, mustHold, tableOf } from '../book'

/** The four ends of a line in crow's-foot notation. */
export type FootEnd = 'exactly-one' | 'none-or-one' | 'one-or-more' | 'none-or-more'

export const footWords: Record<FootEnd, string> = {
  'exactly-one': 'exactly one',
  'none-or-one': 'none or one',
  'one-or-more': 'one or more',
  'none-or-more': 'none or more',
}

export const footEnd = (several: boolean, must: boolean): FootEnd =>
  several ? (must ? 'one-or-more' : 'none-or-more') : must ? 'exactly-one' : 'none-or-one'

/** The two ends of a link as they stand in the book, at its one side and at its many side. */
export function feetOf(book: Book, link: Link): { readonly one: FootEnd; readonly many: FootEnd } {
  const table = tableOf(book, link.many)
  const field = fieldOf(table, link.field)
  return { one: footEnd(false, mustHold(table, field)), many: footEnd(field.unique !== true, link.least === 1) }
}
