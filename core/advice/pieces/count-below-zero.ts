import { fieldPiece, placeName } from '../piece'

/** A count below nothing is a slip of the finger. */
export const countBelowZero = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.kind === 'whole' &&
    field.least === undefined &&
    /^(quantity|how many|number of .*|count|stock|in stock|copies|pieces|persons|guests)$/i.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} may go below zero`,
    text: 'There are never fewer than none of them; say so, and a stray minus is caught.',
    mends: [{ say: 'At least 0', edits: () => [{ kind: 'changeField', field: field.id, to: { least: '0' } }] }],
  }
})
