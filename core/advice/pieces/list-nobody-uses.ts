import type { BookPiece } from '../piece'

/** a word list that nothing uses is forgotten. */
export const listNobodyUses: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const used = new Set(book.links.map((link) => link.one))
    return book.tables
      .filter((table) => table.role === 'word-list' && !used.has(table.id))
      .map((table) => ({
        about: table.id,
        head: `Nothing uses ${table.name}`,
        text: 'Link it to the table that should use it, or remove it.',
        mends: [{ say: 'Remove it', edits: () => [{ kind: 'removeTable', table: table.id } as const] }],
      }))
  },
}
