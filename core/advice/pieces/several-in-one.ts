import { rowsOf } from '../mends'
import { fieldPiece, placeName } from '../piece'

/** A field for several values can’t be searched or counted by one. */
export const severalInOne = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    ['line', 'passage', 'phone', 'email'].includes(field.kind) &&
    /^(phones?|phone numbers|telephone numbers|e-?mails|e-?mail addresses|addresses|names|children|members|authors|contacts|keywords|tags|dates|photos)$/i.test(
      field.name,
    ) &&
    !/^phone$/i.test(field.name)
  ))
    return undefined
  return {
    head: `${placeName(table, field)} holds several values in one`,
    text: 'One can’t be found, changed or counted without the others. Give them rows of their own.',
    mends: [{ say: 'Give them rows of their own', edits: (freshId) => rowsOf(table, field, freshId) }],
  }
})
