import { tableOf } from '../../book'
import { unaskedFor } from '../../needs'
import type { BookPiece } from '../piece'

/** What no need asks for costs staff time with every record. */
export const nobodyAskedForIt: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    if (book.needs.length === 0 || !book.needs.some((need) => need.metBy.length > 0)) return []
    return unaskedFor(book)
      .filter(({ whole }) => whole)
      .map(({ table }) => ({
        about: table,
        head: `No need asks for ${tableOf(book, table).name}`,
        text: 'Write down what it is for, or tick it for a need that it meets; else staff fill it for nobody.',
      }))
  },
}
