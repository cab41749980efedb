import type { AdvicePiece } from '../piece'

/** Without a key, two records can't be told apart for good and nothing can link to them. */
export const tableWithoutKey: AdvicePiece = {
  weight: 'must-settle',
  find: (book) =>
    book.tables
      .filter((table) => table.key.length === 0)
      .map((table) => ({
        about: table.id,
        head: `${table.name} has no key`,
        text: 'Choose one field, or several together, that tell its records apart for good.',
      })),
}
