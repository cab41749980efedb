import { findTable, tableOf } from '../../book'
import { inSentence } from '../../words'
import type { BookPiece } from '../piece'

/** At most one of something is a link of one to one. */
export const limitOfOne: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    return book.links.flatMap((link) => {
      const limit = link.limits?.find(({ most, when }) => most === 1 && !when)
      const many = findTable(book, link.many)
      if (!limit || !many || many.role === 'joining') return []
      const one = tableOf(book, link.one)
      return [
        {
          about: link.field,
          head: `${one.name} has at most one ${inSentence(many.name)}`,
          text: 'That is one to one; said so in Pairings, the database itself keeps to it.',
          mends: [
            {
              say: 'Make it one to one',
              edits: () => [
                {
                  kind: 'limitLink',
                  link: link.id,
                  limits: (link.limits ?? []).filter((other) => other !== limit),
                } as const,
                { kind: 'changeField', field: link.field, to: { unique: true } } as const,
              ],
            },
          ],
        },
      ]
    })
  },
}
