import { type Book, type Field, type Table, tableOf } from '../book'
import { isTyped, type Now, showValue, type Value } from '../kinds'
import { faceOf } from '../expressions'
import type { ListRow } from './list-row'
import type { Problem } from '../words'
import { brokenInForm, type LinkedValues } from './live-values'
import { type Problems, readTyped, startValues, type Values } from './check-record'
import { formLayout, type Inset } from './form-layout'

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
  field.kind === 'link' || field.kind === 'file' ? (value ?? '') : showValue(value, faceOf(book, field), book.look)

const typedFrom = (book: Book, table: Table, values: Values): Record<string, string> =>
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
function isUntouched(book: Book, inset: Inset, row: RowText, now: Now): boolean {
  const start = newRowText(book, inset, now)
  return row.ref === null && inset.fields.every((field) => (row.text[field.id] ?? '') === (start.text[field.id] ?? ''))
}

export interface CheckedForm {
  readonly values: Values
  readonly problems: Problems
  /** By link id, then one entry a row in order. */
  readonly rows: Readonly<Record<string, readonly { readonly values: Values; readonly problems: Problems }[]>>
  /** By link id: rows of which there must be one, and isn't. */
  readonly lacks: Problems
  readonly sound: boolean
}

/** What a form's rules may ask beyond what is typed. */
export interface Around {
  readonly stored?: StoredForm | undefined
  readonly linked?: LinkedValues
}

/**
 * Reads the whole form by the same code as the server and asks its rules, as far as they can be told here.
 * Rows taken out and rows nobody touched are let be.
 */
export function checkForm(book: Book, tableId: string, form: FormText, now: Now, around: Around = {}): CheckedForm {
  const checked = readForm(book, tableId, form, now)
  if (book.rules.length === 0) return checked
  const { stored, linked = () => undefined } = around
  const broken = brokenInForm({ book, tableId, form, checked, stored, linked, now })
  // What can't be read says so first; a rule is asked of what can.
  const own = { ...checked, problems: { ...broken.own, ...checked.problems } }
  const rows = Object.fromEntries(
    Object.entries(checked.rows).map(([link, all]) => [
      link,
      all.map((row, at) => ({ ...row, problems: { ...broken.rows[link]?.[at], ...row.problems } })),
    ]),
  )
  return { ...own, rows, sound: isSound(own, rows) }
}

const isSound = ({ problems, lacks }: Pick<CheckedForm, 'problems' | 'lacks'>, rows: CheckedForm['rows']) =>
  [problems, lacks, ...Object.values(rows).flatMap((all) => all.map((row) => row.problems))].every(
    (part) => Object.keys(part).length === 0,
  )

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
