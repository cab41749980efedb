import * as z from 'zod'
import { mostRows } from '@/core/grid'
import type { Problems } from '@/core/records'
import type { Problem } from '@/core/words'
import { Row } from './save-request'
import type { Warning } from './save-problems'

/** Rows of one table as a grid sends them: new ones, and changed ones with the revision that was seen. */
export const RowsRequest = z.strictObject({
  table: z.string().max(40),
  rows: z
    .array(Row.omit({ removed: true, seen: true }))
    .min(1)
    .max(mostRows),
  /** All of them or none, or those that are right while the others are told. */
  keep: z.enum(['all', 'right']),
  /** Rules that warned, and whose words were read. */
  despite: z.array(z.string().max(40)).max(1000).optional(),
})
export type RowsRequest = z.infer<typeof RowsRequest>

/** A row that isn't saved, by its place in what was sent, and why: by field, or "" of the row as a whole. */
export interface RefusedRow {
  readonly at: number
  readonly problems: Problems
}

export type RowsOutcome =
  | {
      readonly kind: 'saved'
      /** What each of those goes by that are saved. */
      readonly saved: readonly { readonly at: number; readonly ref: string }[]
      readonly refused: readonly RefusedRow[]
    }
  /** Nothing is saved. */
  | { readonly kind: 'refused'; readonly refused: readonly RefusedRow[]; readonly whole: readonly Problem[] }
  | { readonly kind: 'warned'; readonly warnings: readonly Warning[] }
  | { readonly kind: 'waits' }
