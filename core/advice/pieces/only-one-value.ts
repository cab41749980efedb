import { fieldPiece, placeName } from '../piece'

/** A number that can have one value only needs no entry. */
export const onlyOneValue = fieldPiece('worth-a-look', (field, table) => {
  if (!(field.least !== undefined && field.least === field.most)) return undefined
  return {
    head: `${placeName(table, field)} can only ever be ${field.least}`,
    text: 'Then nobody needs to type it. Widen the bounds or remove the field.',
  }
})
