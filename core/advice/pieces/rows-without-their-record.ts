import { findField, mustHold, tableOf } from '../../book'
import { aOrAn, capital, inSentence } from '../../words'
import type { BookPiece } from '../piece'

/** Rows that go with a record should never be without one. */
export const rowsWithoutTheirRecord: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    return book.links.flatMap((link) => {
      if (link.onRemove !== 'remove') return []
      const found = findField(book, link.field)
      if (!found || mustHold(found.table, found.field)) return []
      const one = tableOf(book, link.one)
      return [
        {
          about: found.field.id,
          head: `${capital(aOrAn(inSentence(found.table.name)))} may be linked to no ${inSentence(one.name)}`,
          text: `It is removed with its ${inSentence(one.name)}, so it is part of it; without one nobody would ever see it again.`,
          mends: [
            { say: 'It must have one', edits: () => [{ kind: 'changeLink', link: link.id, must: true } as const] },
          ],
        },
      ]
    })
  },
}
