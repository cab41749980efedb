import { hintedKind } from '../../kinds'
import { fieldPiece, placeName } from '../piece'

/** A measured number rounds in binary; money must come out to the penny. */
export const moneyAsMeasured = fieldPiece('must-settle', (field, table) => {
  if (field.kind !== 'measured' || hintedKind(field.name) !== 'money') return undefined
  return {
    head: `${placeName(table, field)} is money kept as a measured number`,
    text: 'Measured numbers are rounded; sums may be a penny out.',
    mends: [{ say: 'Make it money', edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'money' } }] }],
  }
})
