import { fieldPiece, placeName } from '../piece'

/** A number that is never computed with loses its leading zeros. */
export const codeAsNumber = fieldPiece('must-settle', (field, table) => {
  if (!(
    ['whole', 'exact', 'measured'].includes(field.kind) &&
    /\b(post ?code|zip|phone|mobile|fax|iban|isbn|barcode|licence|license|registration|account) ?(number|no|code)?$/i.test(
      field.name,
    )
  ))
    return undefined
  return {
    head: `${placeName(table, field)} is a number, but nothing is calculated with it`,
    text: 'As a number it loses the zeros at its front. Keep it as it is written.',
    mends: [
      {
        say: /phone|mobile|fax/i.test(field.name) ? 'Make it a phone number' : 'Make it a code',
        edits: () => [
          {
            kind: 'changeField',
            field: field.id,
            to: { kind: /phone|mobile|fax/i.test(field.name) ? 'phone' : 'code' },
          },
        ],
      },
    ],
  }
})
