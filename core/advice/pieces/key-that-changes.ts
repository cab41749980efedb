import { numberAsKey } from '../../book'
import type { TablePiece } from '../piece'

/** Names, phones and e-mails change; a key never may. */
export const keyThatChanges: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    if (table.role !== undefined || table.key.length !== 1) return []
    const key = table.fields.find((field) => field.id === table.key[0])
    const changes =
      key &&
      (['email', 'phone', 'passage'].includes(key.kind) ||
        (key.kind === 'line' && /name|address|title/i.test(key.name)))
    if (!changes) return []
    return [
      {
        about: table.id,
        head: `The key of ${table.name} may change`,
        text: `People marry and move; then ${key.name} is wrong for good, or every link to it breaks. A running number never changes.`,
        mends: [
          {
            say: 'Number its records instead',
            edits: (freshId: () => string) => numberAsKey(table, freshId),
          },
        ],
      },
    ]
  },
}
