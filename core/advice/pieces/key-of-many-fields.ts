import type { TablePiece } from '../piece'

/** A key of four fields is typed wrong. */
export const keyOfManyFields: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    if (table.key.length < 4) return []
    return [
      {
        about: table.id,
        head: `The key of ${table.name} has ${table.key.length} parts`,
        text: 'Every link to it carries them all. A running number is one.',
      },
    ]
  },
}
