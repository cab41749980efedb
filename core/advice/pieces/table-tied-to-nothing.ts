import type { AdvicePiece } from '../piece'

/** In a book of several tables, one that nothing leads to is often a missed tie. */
export const tableTiedToNothing: AdvicePiece = {
  weight: 'worth-a-look',
  find: (book) =>
    book.tables.length < 2
      ? []
      : book.tables
          .filter((table) => !book.links.some((link) => link.one === table.id || link.many === table.id))
          .map((table) => ({
            about: table.id,
            head: `${table.name} is tied to nothing`,
            text: 'No list can bring it together with the other tables. Answer its pairs, or keep it apart on purpose.',
          })),
}
