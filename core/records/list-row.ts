import type { Value } from '../kinds'

/** Where a page ends: the values of the sorting columns in its last row, as the database returned them. */
export type Cursor = readonly (string | number | null)[]

/** One row: canonical values by field id, the words for linked records and files, and what it is known by. */
export interface ListRow {
  readonly ref: string
  readonly label: string
  readonly values: Readonly<Record<string, Value>>
  readonly labels: Readonly<Record<string, string>>
  readonly rev: number
  readonly changedAt: string
  readonly changedBy: string | null
  /** Where the page after this row starts. */
  readonly cursor: Cursor
}
