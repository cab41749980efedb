import type { BookPiece } from '../piece'

/** A pick list that nothing picks from is forgotten. */
export const listNobodyPicksFrom: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const used = new Set(book.links.map((link) => link.one))
    return book.tables
      .filter((table) => table.role === 'pick-list' && !used.has(table.id))
      .map((table) => ({
        about: table.id,
        head: `Nothing picks from ${table.name}`,
        text: 'Tie it to the table that should, or take it out.',
        mends: [{ say: 'Take it out', edits: () => [{ kind: 'removeTable', table: table.id } as const] }],
      }))
  },
}
