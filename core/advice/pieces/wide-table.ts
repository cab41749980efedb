import type { TablePiece } from '../piece'

/** A table of forty facts is usually two or three things. */
export const wideTable: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    if (table.fields.length <= 40) return []
    return [
      {
        about: table.id,
        head: `${table.name} has ${table.fields.length} fields`,
        text: 'That is seldom one table. Look for fields that are about something else, or that come more than once.',
      },
    ]
  },
}
