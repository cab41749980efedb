import { hintedKind } from '../../kinds'
import { fieldPiece, placeName } from '../piece'

/** A measured number rounds in binary; money must come out to the penny. */
export const moneyAsMeasured = fieldPiece('must-settle', (field, table) => {
  if (!((field.kind === 'measured' || field.kind === 'exact') && hintedKind(field.name.toLowerCase()) === 'money'))
    return undefined
  return {
    head: `${placeName(table, field)} is money kept as ${field.kind === 'measured' ? 'a measured' : 'an exact'} number`,
    text: 'Sums may be a penny out, and it is not shown in the book’s currency.',
    mends: [{ say: 'Make it money', edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'money' } }] }],
  }
})
