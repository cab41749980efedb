import { type Book, type Field, type Table, tableOf } from '../book'
import { displayOf } from '../expressions'
import { type Now, showValue, type Value } from '../kinds'
import { startValues, type Values } from './check-record'
import { formLayout, type Inset } from './form-layout'
import type { ListRow } from './list-row'

/** What stands in the boxes of one record's form, by field id. A link holds the reference of its record, a file its hash. */
export type Typed = Readonly<Record<string, string>>

export interface RowText {
  /** Null for a row not yet saved. */
  readonly ref: string | null
  /** What a row goes by in its form that was new there, or whose key has been changed there, also once it is saved. */
  readonly mark?: string
  readonly rev: number | null
  readonly text: Typed
  /** What linked records are known by, and the names of files. */
  readonly labels: Typed
  readonly removed: boolean
}

export interface FormText {
  readonly text: Typed
  readonly labels: Typed
  /** The inset rows, by link id. */
  readonly insets: Readonly<Record<string, readonly RowText[]>>
}

export interface StoredForm {
  readonly row: ListRow
  readonly children: Readonly<Record<string, readonly ListRow[]>>
}

// What people know a linked record or a file by stands beside it, in the labels.
const textOf = (book: Book, field: Field, value: Value) =>
  field.kind === 'link' || field.kind === 'file' ? (value ?? '') : showValue(value, displayOf(book, field), book.look)

/** What the boxes of a record show. */
export const typedFrom = (book: Book, table: Table, values: Values): Record<string, string> =>
  Object.fromEntries(table.fields.map((field) => [field.id, textOf(book, field, values[field.id] ?? null)]))

/** The form of a record as it is stored, or of a new one as it starts. */
export function formTextOf(book: Book, tableId: string, stored: StoredForm | undefined, now: Now): FormText {
  const table = tableOf(book, tableId)
  const insets = formLayout(book, tableId).insets.map((inset): [string, RowText[]] => [
    inset.link.id,
    (stored?.children[inset.link.id] ?? []).map((row) => rowTextOf(book, inset.table, row)),
  ])
  return {
    text: typedFrom(book, table, stored?.row.values ?? startValues(book, tableId, now)),
    labels: { ...stored?.row.labels },
    insets: Object.fromEntries(insets),
  }
}

const rowTextOf = (book: Book, table: Table, row: ListRow): RowText => ({
  ref: row.ref,
  rev: row.rev,
  text: typedFrom(book, table, row.values),
  labels: { ...row.labels },
  removed: false,
})

/** A further row of an inset, as it starts. */
export const newRowText = (book: Book, inset: Inset, now: Now): RowText => ({
  ref: null,
  rev: null,
  text: typedFrom(book, inset.table, startValues(book, inset.table.id, now)),
  labels: {},
  removed: false,
})

/** Whether nobody has typed anything into a new row yet. */
export function isUntouched(book: Book, inset: Inset, row: RowText, now: Now): boolean {
  const start = newRowText(book, inset, now)
  return row.ref === null && inset.fields.every((field) => (row.text[field.id] ?? '') === (start.text[field.id] ?? ''))
}
