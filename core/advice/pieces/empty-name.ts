import { fieldPiece, placeName } from '../piece'

/** Names that could mean anything are filled with anything. */
export const emptyName = fieldPiece('worth-a-look', (field, table) => {
  if (
    !/^(data|info|information|misc|miscellaneous|other|others|value|stuff|various|text|field ?\d*|column ?\d*|thing|item ?\d+|new field|untitled)$/i.test(
      field.name,
    )
  )
    return undefined
  return {
    head: `${placeName(table, field)} could mean anything`,
    text: 'Staff will put anything in it, and nobody will find it again. Name what it holds.',
  }
})
