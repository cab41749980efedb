import { numberAsKey } from '../../book'
import type { TablePiece } from '../piece'

/** Without a key, two records can’t be told apart for good and nothing can link to them. */
export const tableWithoutKey: TablePiece = {
  scope: 'table',
  weight: 'must-settle',
  find: (table) => {
    if (table.key.length > 0) return []
    return [
      {
        about: table.id,
        head: `${table.name} has no key`,
        text: 'Nothing would tell one record from another for good, and nothing could link to them.',
        mends: [
          {
            say: 'Number its records',
            edits: (freshId: () => string) => numberAsKey(table, freshId),
          },
        ],
      },
    ]
  },
}
