import { findTable } from '../../book'
import { carrierOf, linksOfTables } from '../named-fields'
import type { BookPiece } from '../piece'

/** Two links with names that don’t say how they differ. */
export const sameTieTwice: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    return book.tables.flatMap((table) => {
      const links = linksOfTables(book).get(table.id) ?? []
      return links.flatMap((link) => {
        const field = carrierOf(table, link)
        const target = findTable(book, link.one)
        const twin = links.find((other) => other !== link && other.one === link.one)
        if (!field || !target || !twin || !/ \d$/.test(field.name)) return []
        return [
          {
            about: field.id,
            head: `What is ${table.name} → ${field.name}?`,
            text: `There are two links to ${target.name}. Name each for what it means: ordered by, sent to.`,
          },
        ]
      })
    })
  },
}
