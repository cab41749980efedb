import type { Table } from '../../book'
import type { BookPiece } from '../piece'
import { oncePer } from '../../words'

/** What a table keeps, as one text; nothing where that is too little to say anything. */
const factsIn = oncePer((table: Table): string => {
  const facts = table.fields
    .filter((field) => field.kind !== 'link' && !table.key.includes(field.id))
    .map((field) => `${field.name.toLowerCase()} ${field.kind}`)
  return facts.length < 4 ? '' : facts.sort().join('\n')
})

/** Two tables that keep the same facts are often one with a kind. */
export const tablesOfTheSameFacts: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const tables = book.tables.filter((table) => table.role === undefined)
    const byFacts = new Map<string, Table>()
    return tables.flatMap((table) => {
      const key = factsIn(table)
      if (key === '') return []
      const twin = byFacts.get(key)
      byFacts.set(key, table)
      return twin
        ? [
            {
              about: table.id,
              head: `${twin.name} and ${table.name} have the same fields`,
              text: 'If they are kinds of the same, one table with a choice for the kind is easier to search and to keep.',
              mends: [
                {
                  say: `Merge ${table.name} into ${twin.name}`,
                  edits: () => [{ kind: 'mergeTables', from: table.id, into: twin.id } as const],
                },
              ],
            },
          ]
        : []
    })
  },
}
