import { fieldPiece, placeName } from '../piece'

/** An age is wrong a year after it was entered. */
export const ageInsteadOfBirthDate = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    ['whole', 'line', 'exact', 'measured'].includes(field.kind) && /^(age|years old|age in years)$/i.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} will be wrong next year`,
    text: 'Keep the date of birth; the age can always be told from it.',
    mends: [
      {
        say: 'Keep the date of birth instead',
        edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'date', name: 'Date of birth' } }],
      },
    ],
  }
})
