import { type Book, type Field, fieldOf, linkOf, tableOf } from '../../book'
import { typeOfField } from '../../expressions'
import type { KindName } from '../../kinds'
import { keyOfRef } from '../../records'

const shapes: Partial<Record<KindName, RegExp>> = {
  whole: /^-?\d{1,15}$/,
  exact: /^-?\d{1,18}(?:\.\d{1,10})?$/,
  measured: /^-?\d+(?:\.\d+)?$/,
  money: /^-?\d{1,12}(?:\.\d{1,4})?$/,
  mark: /^\d{1,3}$/,
  date: /^\d{4}-\d\d-\d\d$/,
  time: /^\d\d:\d\d$/,
  dateTime: /^\d{4}-\d\d-\d\d(?:T\d\d:\d\d)?$/,
  tick: /^[01]$/,
}

/** Whether a stored text could be a value of a kind. */
export const isValue = (kind: KindName, value: string) => shapes[kind]?.test(value) ?? value !== ''

/** Whether a text could be the reference of a record that a link field leads to. */
export function isRefFor(book: Book, field: Field, ref: string): boolean {
  const leaves = keyLeaves(book, linkOf(book, field.id).one)
  // A database would take the figures that a text begins with for the number.
  return keyOfRef(ref, leaves.length)?.every((part, place) => couldBeKey(book, leaves[place]!, part)) ?? false
}

/** The fields whose values a key is made of, those of the records that it leads to among them. */
export const keyLeaves = (book: Book, tableId: string): Field[] => {
  const table = tableOf(book, tableId)
  return table.key.flatMap((id) => {
    const field = fieldOf(table, id)
    return field.kind === 'link' ? keyLeaves(book, linkOf(book, id).one) : [field]
  })
}

function couldBeKey(book: Book, field: Field, part: string): boolean {
  const type = typeOfField(field, book.look)?.is
  return type === 'exact' ? /^-?\d{1,20}(?:\.\d+)?$/.test(part) : isValue(field.kind, part)
}
