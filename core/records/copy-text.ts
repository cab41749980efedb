import { type Book, type Field, isUnique, type Table, tableOf } from '../book'
import { isTyped, type Now } from '../kinds'
import { formLayout } from './form-layout'
import { type FormText, formTextOf, newRowText, type RowText, type StoredForm, type Typed } from './form-text'

/**
 * The form of a new record that begins with what another one holds, its rows too: all but what is given or worked
 * out, and what no two records may have the same.
 */
export function copyText(book: Book, tableId: string, stored: StoredForm, now: Now): FormText {
  const table = tableOf(book, tableId)
  const fresh = formTextOf(book, tableId, undefined, now)
  const from = formTextOf(book, tableId, stored, now)
  const kept = table.fields.filter((field) => canBeCopied(table, field))
  const insets = formLayout(book, tableId).insets.map((inset): [string, RowText[]] => {
    const own = inset.fields.filter((field) => canBeCopied(inset.table, field))
    const start = newRowText(book, inset, now)
    const rows = from.insets[inset.link.id] ?? []
    return [
      inset.link.id,
      rows.map((row) => ({
        ...start,
        text: { ...start.text, ...only(own, row.text) },
        labels: only(own, row.labels),
      })),
    ]
  })
  return {
    text: { ...fresh.text, ...only(kept, from.text) },
    labels: only(kept, from.labels),
    insets: Object.fromEntries(insets),
  }
}

const canBeCopied = (table: Table, field: Field) => isTyped(field) && !isUnique(table, field)

const only = (fields: readonly Field[], text: Typed): Record<string, string> =>
  Object.fromEntries(fields.flatMap(({ id }) => (text[id] === undefined ? [] : [[id, text[id]]])))
