import type { BookPiece } from '../piece'

/** In a book of several tables, one that nothing leads to is often a missed tie. */
export const tableTiedToNothing: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    if (book.tables.length < 2) return []
    const tied = new Set(book.links.flatMap((link) => [link.one, link.many]))
    return book.tables
      .filter((table) => !tied.has(table.id))
      .map((table) => ({
        about: table.id,
        head: `${table.name} is linked to nothing`,
        text: 'No list can show it together with the other tables. Answer its pairs, or ignore this if it is meant to be on its own.',
      }))
  },
}
