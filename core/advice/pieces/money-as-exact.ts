import { hintedKind } from '../../kinds'
import { fieldPiece, placeName } from '../piece'

/** An exact number adds up rightly, but doesn't say that it is money. */
export const moneyAsExact = fieldPiece('worth-a-look', (field, table) => {
  if (field.kind !== 'exact' || field.unit || hintedKind(field.name) !== 'money') return undefined
  return {
    head: `${placeName(table, field)} sounds like money`,
    text: 'As an exact number it is shown without the book’s currency, and may have more or fewer decimals than that has.',
    mends: [{ say: 'Make it money', edits: () => [{ kind: 'changeField', field: field.id, to: { kind: 'money' } }] }],
  }
})
