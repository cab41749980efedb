import { fieldPiece, placeName } from '../piece'

const few = 50

/** Must be different among few possible values leaves room for few records. */
export const noTwoOfFew = fieldPiece('must-settle', (field, table) => {
  if (!field.unique || field.kind !== 'whole' || field.least === undefined || field.most === undefined) return undefined
  const values = Number(field.most) - Number(field.least) + 1
  if (values > few) return undefined
  return {
    head: `${placeName(table, field)} leaves room for ${values} records`,
    text: 'Each must be different, but there are only so many values. Then no record can be added any more.',
    mends: [
      {
        say: 'Allow the same value twice',
        edits: () => [{ kind: 'changeField', field: field.id, to: { unique: null } }],
      },
    ],
  }
})
