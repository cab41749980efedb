import { hintedKind } from '../../kinds'
import { fieldPiece, placeName } from '../piece'

// Only names that can hardly mean words: a size may be "large".
const certain =
  /\b(price|cost|fee|fare|salary|wage|deposit|quantity|how many|number of|weight|height|mileage|capacity|amount|total|in stock)\b/i

/** Text can’t be added up and sorts 10 before 9. */
export const numberAsText = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.kind === 'line' &&
    ['whole', 'exact', 'money'].includes(hintedKind(field.name) ?? '') &&
    certain.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} is text, but sounds like a number`,
    text: 'Text can’t be added up, and “10” would sort before “9”.',
    mends: [
      {
        say: 'Make it a number',
        edits: () => [{ kind: 'changeField', field: field.id, to: { kind: hintedKind(field.name)! } }],
      },
    ],
  }
})
