import { isReserved } from '../../names'
import { plural } from '../../words'
import { physicalNames } from '../../physical'
import type { BookPiece } from '../piece'

/** A table called by a word that databases keep to themselves can't be called so there; lists and joining tables seldom matter. */
export const reservedName: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const names = physicalNames(book)
    return book.tables
      .filter((table) => {
        const name = book.look.naming === 'plural' ? plural(table.name) : table.name
        return table.role === undefined && !table.liveName && isReserved(name)
      })
      .map((table) => {
        const name = names.table(table.id)
        return {
          about: table.id,
          head: `${table.name} can’t be called so in the database`,
          text: `Databases keep the word “${table.name.toLowerCase()}” to themselves. Here it stays ${table.name}; whoever opens the records with another program looks for “${name}”.`,
          mends: [{ say: `Call it ${name} there`, edits: () => [{ kind: 'nameLive', part: table.id, name }] }],
        }
      })
  },
}
