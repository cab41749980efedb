import { hintedKind } from '../../kinds'
import { fieldPiece, placeName } from '../piece'

/** Days written as text can’t be sorted, compared or counted between. */
export const dateAsText = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.kind === 'line' &&
    hintedKind(field.name) === 'date' &&
    /\b(date|birthday|deadline|expiry|born)\b/i.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} is text, but sounds like a day`,
    text: 'Text takes “next Tuesday” and “31/2”, and no list can ask for what is due.',
    mends: [{ say: 'Make it a date', edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'date' } }] }],
  }
})
