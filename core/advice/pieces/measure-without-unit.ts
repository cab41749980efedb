import { fieldPiece, placeName } from '../piece'

/** A number without its unit is read differently by everybody. */
export const measureWithoutUnit = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    ['whole', 'exact', 'measured'].includes(field.kind) &&
    !field.unit &&
    /^(weight|height|length|width|depth|distance|area|volume|duration|temperature|size|diameter)$/i.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} has no unit`,
    text: 'One will type kilos, another grams. Write the unit beside the box.',
  }
})
