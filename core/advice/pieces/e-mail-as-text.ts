import { hintedKind } from '../../kinds'
import { fieldPiece, placeName } from '../piece'

const wanted = (name: string) =>
  ({ email: 'an e-mail address', phone: 'a phone number', web: 'a web address' })[hintedKind(name) as 'email']

/** Kinds of their own catch what is mistyped. */
export const eMailAsText = fieldPiece('worth-a-look', (field, table) => {
  if (!(field.kind === 'line' && ['email', 'phone', 'web'].includes(hintedKind(field.name) ?? ''))) return undefined
  return {
    head: `${placeName(table, field)} is plain text`,
    text: `As ${wanted(field.name)} it is checked while it is typed, and can be pressed to use it.`,
    mends: [
      {
        say: `Make it ${wanted(field.name)}`,
        edits: () => [{ kind: 'changeField', field: field.id, to: { kind: hintedKind(field.name)! } }],
      },
    ],
  }
})
