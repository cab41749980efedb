import { fieldPiece, placeName } from '../piece'

/** A choice without words can never be filled. */
export const choiceWithoutWords = fieldPiece('must-settle', (field, table) => {
  if (!(field.kind === 'choice' && (field.choices ?? []).length === 0)) return undefined
  return {
    head: `${placeName(table, field)} has no choices`,
    text: 'Staff could never fill it. Write the words they may choose from.',
  }
})
