import type { Table } from '../../book'
import type { BookPiece } from '../piece'

// Worked out once for each table as it stands.
const keys = new WeakMap<Table, string>()

/** Two tables that keep the same facts are often one with a kind. */
export const tablesOfTheSameFacts: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const tables = book.tables.filter((table) => table.role === undefined)
    const keyOf = (table: Table) => {
      const known = keys.get(table)
      if (known !== undefined) return known
      const facts = factsOf(table)
      const key = facts.length < 4 ? '' : facts.sort().join('\n')
      keys.set(table, key)
      return key
    }
    const factsOf = (table: Table) =>
      table.fields
        .filter((field) => field.kind !== 'link' && !table.key.includes(field.id))
        .map((field) => `${field.name.toLowerCase()} ${field.kind}`)
    const byFacts = new Map<string, Table>()
    return tables.flatMap((table) => {
      const key = keyOf(table)
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
