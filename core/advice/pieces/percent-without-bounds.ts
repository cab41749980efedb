import { fieldPiece, placeName } from '../piece'

/** A share of more than a hundred per cent is a slip of the finger. */
export const percentWithoutBounds = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    ['whole', 'exact', 'measured'].includes(field.kind) &&
    (field.unit === '%' || /\bper ?cent(age)?\b|^share$/i.test(field.name)) &&
    (field.least === undefined || field.most === undefined)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} may be any number`,
    text: 'A share lies between 0 and 100; say so, and 750 for 75.0 is noticed right away.',
    mends: [
      {
        say: 'Allow 0 to 100',
        edits: () => [{ kind: 'changeField', field: field.id, to: { least: '0', most: '100' } }],
      },
    ],
  }
})
