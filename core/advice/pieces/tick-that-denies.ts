import { fieldPiece, placeName } from '../piece'

/** Ticking a “not” is read the wrong way round. */
export const tickThatDenies = fieldPiece('worth-a-look', (field, table) => {
  if (!(field.kind === 'tick' && /^(not|no|non|never|un(paid|finished|available|confirmed))\b/i.test(field.name)))
    return undefined
  return {
    head: `${placeName(table, field)} is ticked for a no`,
    text: 'People read “not paid: no” the wrong way round. Name it for the yes.',
  }
})
