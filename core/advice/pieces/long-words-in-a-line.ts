import { fieldPiece, placeName } from '../piece'

/** A line of hundreds of characters is a passage. */
export const longWordsInALine = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.kind === 'line' &&
    ((field.length ?? 0) > 200 ||
      /^(notes?|description|remarks?|comments?|instructions|directions|history)$/i.test(field.name))
  ))
    return undefined
  return {
    head: `${placeName(table, field)} is a single line`,
    text: 'Longer words run out of sight. A passage shows them all.',
    mends: [
      { say: 'Make it a passage', edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'passage' } }] },
    ],
  }
})
