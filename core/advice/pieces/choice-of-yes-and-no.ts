import { fieldPiece, placeName } from '../piece'

/** Yes and no are a tick. */
export const choiceOfYesAndNo = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.kind === 'choice' &&
    field.choices?.length === 2 &&
    field.choices.every(({ word }) => /^(yes|no|y|n|true|false)$/i.test(word.trim()))
  ))
    return undefined
  return {
    head: `${placeName(table, field)} is a choice of yes or no`,
    text: 'A tick is one press, and counts and filters read it as yes or no.',
    mends: [{ say: 'Make it a tick', edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'tick' } }] }],
  }
})
