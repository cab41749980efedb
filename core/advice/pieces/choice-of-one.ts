import { fieldPiece, placeName } from '../piece'

/** A choice of one word decides nothing. */
export const choiceOfOne = fieldPiece('worth-a-look', (field, table) => {
  if (!(field.kind === 'choice' && field.choices?.length === 1)) return undefined
  return {
    head: `${placeName(table, field)} has one choice only`,
    text: 'There is nothing to choose. Add the other words, or leave the field out.',
  }
})
