import { tableOf } from '../../book'
import type { BookPiece } from '../piece'

/** Each points to one of the other: usually many to many was meant, or one to one. */
export const linkedBothWays: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    return book.links.flatMap((link, at) =>
      book.links
        .slice(at + 1)
        .filter((other) => link.one !== link.many && other.one === link.many && other.many === link.one)
        .map(() => {
          const [a, b] = [tableOf(book, link.one).name, tableOf(book, link.many).name]
          return {
            about: link.many,
            head: `${a} and ${b} point to each other`,
            text: `If each may have several of the other, tie them once, each with many. If the two links mean different things, let their names say so.`,
          }
        }),
    )
  },
}
