import { type Book, type Field, type Table, tableOf } from '../book'
import { isTyped, type Now, type Value } from '../kinds'
import type { Problem } from '../words'
import { type Problems, readTyped, type Values } from './check-record'
import { formLayout } from './form-layout'
import { type FormText, isUntouched, type Typed } from './form-text'

export interface CheckedForm {
  readonly values: Values
  readonly problems: Problems
  /** By link id, then one entry a row in order. */
  readonly rows: Readonly<Record<string, readonly { readonly values: Values; readonly problems: Problems }[]>>
  /** By link id: rows of which there must be one, and isn't. */
  readonly lacks: Problems
  readonly sound: boolean
}

/** Reads what is typed; no rule is asked yet. */
export function readForm(book: Book, tableId: string, form: FormText, now: Now): CheckedForm {
  const table = tableOf(book, tableId)
  const { insets } = formLayout(book, tableId)
  const own = { ...readFields(book, table, table.fields, form.text, now), lacks: lackingRows(book, table, form, now) }
  const rows = Object.fromEntries(
    insets.map((inset) => [
      inset.link.id,
      (form.insets[inset.link.id] ?? []).map((row) =>
        row.removed || isUntouched(book, inset, row, now)
          ? { values: {}, problems: {} }
          : readFields(book, inset.table, inset.fields, row.text, now),
      ),
    ]),
  )
  return { ...own, rows, sound: isSound(own, rows) }
}

/** The rows of which a record must have one, where its form shows none that will be saved. */
function lackingRows(book: Book, table: Table, form: FormText, now: Now): Problems {
  const lacking = formLayout(book, table.id).insets.filter(
    (inset) =>
      inset.link.least === 1 &&
      (form.insets[inset.link.id] ?? []).every((row) => row.removed || isUntouched(book, inset, row, now)),
  )
  return Object.fromEntries(
    lacking.map((inset) => [inset.link.id, { kind: 'needs-one', table: table.name, child: inset.table.name }] as const),
  )
}

function readFields(
  book: Book,
  table: Table,
  fields: readonly Field[],
  text: Typed,
  now: Now,
): { values: Values; problems: Problems } {
  const values: Record<string, Value> = {}
  const problems: Record<string, Problem> = {}
  for (const field of fields) {
    if (!isTyped(field)) continue
    const read = readTyped(book, table, field, text[field.id] ?? '', now)
    if (read.ok) values[field.id] = read.value
    else problems[field.id] = read.problem
  }
  return { values, problems }
}

export const isSound = ({ problems, lacks }: Pick<CheckedForm, 'problems' | 'lacks'>, rows: CheckedForm['rows']) =>
  [problems, lacks, ...Object.values(rows).flatMap((all) => all.map((row) => row.problems))].every(
    (part) => Object.keys(part).length === 0,
  )
