import { type Book, tableOf } from '@/core/book'
import { isTyped, kindOf, type Now, showValue } from '@/core/kinds'
import { type FormText, formTextOf, type StoredForm } from '@/core/records'

/** What stands in a form while it is arranged: a record; where there is none yet, an example of each kind. */
export function textToShow(book: Book, tableId: string, stored: StoredForm | undefined, now: Now): FormText {
  const text = formTextOf(book, tableId, stored, now)
  if (stored) return text
  const examples = tableOf(book, tableId)
    .fields.filter((field) => isTyped(field) && field.kind !== 'link' && field.kind !== 'file')
    .map((field): [string, string] => [
      field.id,
      text.text[field.id] || showValue(kindOf(field.kind).specimen(field), field, book.look),
    ])
  return { ...text, text: { ...text.text, ...Object.fromEntries(examples) } }
}
