import { fieldPiece, placeName } from '../piece'

/** Whoever sees the record sees the password. */
export const passwordKept = fieldPiece('must-settle', (field, table) => {
  if (!(/\b(password|passcode|passwort|pin code|pin)$/i.test(field.name) && field.kind !== 'tick')) return undefined
  return {
    head: `${placeName(table, field)} keeps a password`,
    text: 'Everybody who sees the record can read it. Don’t keep passwords in records.',
    mends: [{ say: 'Remove it', edits: () => [{ kind: 'removeField', field: field.id }] }],
  }
})
