import { fieldPiece, placeName } from '../piece'

/** Two people may have one name. */
export const noTwoAlikeNames = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.unique === true &&
    /^(name|full name|last name|surname|first name)$/i.test(field.name) &&
    /person|member|customer|client|contact|patient|pupil|student|staff|employee|technician|volunteer|tenant|owner|guest|child|parent/i.test(
      table.name,
    )
  ))
    return undefined
  return {
    head: `Two people may be called the same in ${placeName(table, field)}`,
    text: 'One day a second record with the same name can’t be entered. Allow the same name twice; the key says which is which.',
    mends: [
      {
        say: 'Allow the same name twice',
        edits: () => [{ kind: 'changeField', field: field.id, to: { unique: null } }],
      },
    ],
  }
})
