import { fieldPiece, placeName } from '../piece'

/** Two facts in one field can’t be asked for one by one. */
export const twoFactsInOne = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    ['line', 'passage'].includes(field.kind) &&
    /\w ?(\/| and | & |, )\w/i.test(field.name) &&
    !/(terms and conditions|health and safety|bed and breakfast|and so on|drop|either)/i.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} holds two values`,
    text: 'They can’t be sorted, found or printed one without the other. Make a field of each.',
  }
})
