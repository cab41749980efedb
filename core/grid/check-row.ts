import type { Book } from '../book'
import type { Now, Value } from '../kinds'
import {
  changedRecord,
  checkForm,
  type FormText,
  formTextOf,
  type LinkedValues,
  liveValues,
  type Problems,
  readForm,
  type StoredForm,
} from '../records'
import type { GridRow } from './grid'

/** What rows are checked with. */
export interface Around {
  readonly book: Book
  readonly tableId: string
  readonly now: Now
  /** Facts of linked records, as far as they are here. */
  readonly linked: LinkedValues
}

export interface CheckedRow {
  /** By field id; "" is said of the row as a whole. */
  readonly problems: Problems
  /** What has to be sent: all values of a new record, of a stored one those that changed. */
  readonly values: Readonly<Record<string, Value>>
  /** What derived fields come to; undefined where that isn't known here. */
  readonly derived: Readonly<Record<string, Value | undefined>>
}

const formOf = ({ text, labels }: GridRow): FormText => ({ text, labels, insets: {} })

/** Checks a row by the same code as a form, and asks its rules as far as they can be told without the rows that hang on it. */
export function checkRow({ book, tableId, now, linked }: Around, row: GridRow): CheckedRow {
  const form = formOf(row)
  const stored: StoredForm | undefined = row.stored && { row: row.stored, children: {} }
  const read = readForm(book, tableId, form, now)
  const checked = checkForm(book, tableId, form, now, { stored, linked, read, alone: true })
  const live = liveValues({ book, tableId, form, checked: read, stored, linked, now, alone: true })
  const before = stored && formTextOf(book, tableId, stored, now)
  const [lack] = stored ? [] : Object.values(checked.lacks)
  return {
    problems: { ...(lack && { '': lack }), ...checked.problems },
    values: changedRecord(book, tableId, before, form, checked, now).values,
    derived: live.own,
  }
}

/** Checks rows, each once: a row is never changed, only replaced. */
export interface RowChecks {
  readonly has: (row: GridRow) => boolean
  readonly of: (row: GridRow) => CheckedRow
}

/** Remembers what rows come to, as long as the facts are those at hand. */
export function rowChecks(around: Around): RowChecks {
  const known = new WeakMap<GridRow, CheckedRow>()
  return {
    has: (row) => known.has(row),
    of(row) {
      const found = known.get(row) ?? checkRow(around, row)
      known.set(row, found)
      return found
    },
  }
}
