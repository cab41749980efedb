import { tableOf } from '../../book'
import { carrierOf, linksOfTables } from '../named-fields'
import type { BookPiece } from '../piece'

/** A direct link beside a way through another can disagree with it. */
export const directRepeatsIndirect: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const up = linksOfTables(book)
    return book.links.flatMap((link) => {
      for (const step of up.get(link.many) ?? []) {
        if (step === link || step.one === link.one || step.one === link.many) continue
        const last = (up.get(step.one) ?? []).find((next) => next.one === link.one && next.many !== next.one)
        const table = tableOf(book, link.many)
        const field = carrierOf(table, link)
        if (!last || !field || table.role === 'joining' || table.key.includes(field.id)) continue
        const [a, b, c] = [link.many, step.one, link.one].map((id) => tableOf(book, id).name) as [
          string,
          string,
          string,
        ]
        // A name of its own says that something else is meant.
        if (field.name.toLowerCase() !== c.toLowerCase()) continue
        return [
          {
            about: field.id,
            head: `${a} is linked to ${c} in two ways`,
            text: `Directly, and through ${b}. They can disagree. If the direct one means something else, give it a name that says what.`,
            mends: [
              {
                say: `Remove the direct link`,
                edits: () => [{ kind: 'removeField', field: field.id } as const],
              },
            ],
          },
        ]
      }
      return []
    })
  },
}
