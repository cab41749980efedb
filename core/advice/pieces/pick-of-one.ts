import { fieldPiece, placeName } from '../piece'

/** A pick of one word decides nothing. */
export const pickOfOne = fieldPiece('worth-a-look', (field, table) => {
  if (!(field.kind === 'pick' && field.choices?.length === 1)) return undefined
  return {
    head: `${placeName(table, field)} has one choice only`,
    text: 'There is nothing to pick. Add the other words, or leave the field out.',
  }
})
