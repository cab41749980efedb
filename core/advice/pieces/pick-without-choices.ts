import { fieldPiece, placeName } from '../piece'

/** A pick with nothing to pick from can never be filled. */
export const pickWithoutChoices = fieldPiece('must-settle', (field, table) => {
  if (!(field.kind === 'pick' && (field.choices ?? []).length === 0)) return undefined
  return {
    head: `${placeName(table, field)} has no choices`,
    text: 'Staff could never fill it. Write the words they may pick from.',
  }
})
