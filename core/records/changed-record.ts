import type { Book } from '../book'
import type { Now, Value } from '../kinds'
import type { Values } from './check-record'
import { formLayout } from './form-layout'
import { type FormText, isUntouched, type Typed } from './form-text'
import type { CheckedForm } from './read-form'

export interface ChangedRow {
  readonly ref: string | null
  readonly rev: number | null
  readonly values: Record<string, Value>
  readonly removed?: boolean
}

export interface ChangedRecord {
  readonly values: Record<string, Value>
  readonly children: { readonly link: string; readonly rows: ChangedRow[] }[]
  /** For each row sent, where it stands in the form: link id and place. */
  readonly places: readonly { readonly link: string; readonly sent: number; readonly at: number }[]
}

/** What has to be sent: the changed values of a stored record, or all of a new one; and the rows that changed. */
export function changedRecord(
  book: Book,
  tableId: string,
  before: FormText | undefined,
  form: FormText,
  checked: CheckedForm,
  now: Now,
): ChangedRecord {
  const places: { link: string; sent: number; at: number }[] = []
  const children = formLayout(book, tableId).insets.flatMap((inset) => {
    const link = inset.link.id
    const was = new Map((before?.insets[link] ?? []).map((row) => [row.ref, row]))
    const rows: ChangedRow[] = []
    form.insets[link]?.forEach((row, at) => {
      if (isUntouched(book, inset, row, now) || (row.ref === null && row.removed)) return
      const values = changedValues(
        checked.rows[link]?.[at]?.values ?? {},
        row.ref === null ? undefined : was.get(row.ref)?.text,
        row.text,
      )
      if (!row.removed && row.ref !== null && Object.keys(values).length === 0) return
      places.push({ link, sent: rows.length, at })
      rows.push({ ref: row.ref, rev: row.rev, values, ...(row.removed && { removed: true }) })
    })
    return rows.length > 0 ? [{ link, rows }] : []
  })
  return { values: changedValues(checked.values, before?.text, form.text), children, places }
}

const changedValues = (values: Values, before: Typed | undefined, typed: Typed): Record<string, Value> =>
  Object.fromEntries(Object.entries(values).filter(([id]) => !before || (before[id] ?? '') !== (typed[id] ?? '')))
