import { fieldPiece, placeName } from '../piece'

/** No two alike among few possible values leaves room for few records. */
export const noTwoOfFew = fieldPiece('must-settle', (field, table) => {
  if (!(field.unique === true && (field.kind === 'tick' || field.kind === 'pick' || field.kind === 'mark')))
    return undefined
  return {
    head: `${placeName(table, field)} leaves room for few records`,
    text: 'No two may be alike, but there are only a few values. Soon no record could be added.',
    mends: [
      { say: 'Let records be alike', edits: () => [{ kind: 'changeField', field: field.id, to: { unique: null } }] },
    ],
  }
})
