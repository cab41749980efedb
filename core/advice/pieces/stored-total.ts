import { linksTo, tableOf } from '../../book'
import { inSentence, plural } from '../../words'
import type { BookPiece } from '../piece'

/** A total kept beside its parts can disagree with them. */
export const storedTotal: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    return book.tables.flatMap((table) => {
      const total = table.fields.find(
        (field) =>
          ['money', 'exact', 'measured', 'whole'].includes(field.kind) &&
          /^(total|sum|balance|grand total|total (amount|price|cost)|number of (lines|rows|items))$/i.test(field.name),
      )
      if (!total) return []
      const parts = linksTo(book, table.id)
        .map((link) => tableOf(book, link.many))
        .find((child) =>
          child.fields.some(
            (field) => ['money', 'exact'].includes(field.kind) && /amount|price|cost|total/i.test(field.name),
          ),
        )
      return parts
        ? [
            {
              about: total.id,
              head: `${table.name} → ${total.name} can disagree with its ${plural(inSentence(parts.name))}`,
              text: 'Somebody changes a row and forgets the total. Lists and bills can add the rows up each time.',
              mends: [
                { say: `Remove ${total.name}`, edits: () => [{ kind: 'removeField', field: total.id } as const] },
              ],
            },
          ]
        : []
    })
  },
}
