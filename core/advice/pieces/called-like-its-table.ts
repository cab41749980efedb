import { fieldPiece, placeName } from '../piece'

/** A fact called like the thing says nothing about it. */
export const calledLikeItsTable = fieldPiece('worth-a-look', (field, table) => {
  if (!(field.kind !== 'link' && table.role === undefined && field.name.toLowerCase() === table.name.toLowerCase()))
    return undefined
  return {
    head: `${placeName(table, field)} is called like its table`,
    text: 'Nobody can tell what it is for. Name it by what it says: name, number, kind.',
  }
})
