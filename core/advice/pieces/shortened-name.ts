import { fieldPiece, placeName } from '../piece'

const words: Readonly<Record<string, string>> = {
  qty: 'Quantity',
  amt: 'Amount',
  desc: 'Description',
  descr: 'Description',
  addr: 'Address',
  tel: 'Phone',
  dob: 'Date of birth',
  dept: 'Department',
  cust: 'Customer',
  inv: 'Invoice',
  avg: 'Average',
  ref: 'Reference',
}
const whole = (name: string) => (Object.hasOwn(words, name.toLowerCase()) ? words[name.toLowerCase()] : undefined)

/** Shortened words save letters once and cost guesses for years. */
export const shortenedName = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    whole(field.name) !== undefined &&
    !table.fields.some((other) => other.name.toLowerCase() === whole(field.name)!.toLowerCase())
  ))
    return undefined
  return {
    head: `${placeName(table, field)} is shortened`,
    text: 'New staff have to guess. There is room for the whole word.',
    mends: [
      {
        say: `Call it ${whole(field.name)}`,
        edits: () => [{ kind: 'changeField', field: field.id, to: { name: whole(field.name)! } }],
      },
    ],
  }
})
