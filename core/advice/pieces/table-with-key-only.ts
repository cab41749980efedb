import type { AdvicePiece } from '../piece'

/** A table that keeps nothing but its own number says nothing about the thing. */
export const tableWithKeyOnly: AdvicePiece = {
  weight: 'worth-a-look',
  find: (book) =>
    book.tables
      .filter((table) => table.role === undefined && table.fields.every((field) => field.kind === 'running'))
      .map((table) => ({
        about: table.id,
        head: `${table.name} keeps nothing yet`,
        text: 'It has a key but no facts. Add the fields the office needs to know about it.',
      })),
}
