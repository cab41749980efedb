import { findField, tableOf } from '../../book'
import type { BookPiece } from '../piece'

/** Two tables of which neither can be without the other are one. */
export const oneToOneWithBothMusts: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    return book.links.flatMap((link) => {
      if (link.least !== 1 || link.one === link.many) return []
      const found = findField(book, link.field)
      if (!found?.field.unique || !found.field.must) return []
      const one = tableOf(book, link.one)
      return [
        {
          about: found.table.id,
          head: `${one.name} and ${found.table.name} are never without each other`,
          text: 'Each has exactly one of the other, so they could be one table, with one form to fill.',
          mends: [
            {
              say: `Merge ${found.table.name} into ${one.name}`,
              edits: () => [{ kind: 'mergeTables', from: found.table.id, into: one.id } as const],
            },
          ],
        },
      ]
    })
  },
}
