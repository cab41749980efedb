import type { TablePiece } from '../piece'

/** A table that keeps nothing but its own number says nothing about the thing. */
export const tableWithKeyOnly: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    if (table.role !== undefined || !table.fields.every((field) => field.kind === 'running')) return []
    return [
      {
        about: table.id,
        head: `${table.name} keeps nothing yet`,
        text: 'It has a key and nothing else. Add the fields the office needs to know about it.',
      },
    ]
  },
}
