import { tableOf } from '../../book'
import type { BookPiece } from '../piece'

/** Each points to one of the other: usually many to many was meant, or one to one. */
export const linkedBothWays: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const seen = new Set<string>()
    return book.links.flatMap((link) => {
      seen.add(`${link.one} ${link.many}`)
      if (link.one === link.many || !seen.has(`${link.many} ${link.one}`)) return []
      const [a, b] = [tableOf(book, link.many).name, tableOf(book, link.one).name]
      return [
        {
          about: link.one,
          head: `${a} and ${b} point to each other`,
          text: `If each may have several of the other, link them once, many to many. If the two links mean different things, let their names say so.`,
        },
      ]
    })
  },
}
