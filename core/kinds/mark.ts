import { fail, ok } from '../words'
import type { FieldKind } from './kind'

const scaleOf = (scale: number | undefined) => scale ?? 5

/** A score on a scale from 1 up. */
export const mark: FieldKind = {
  title: 'Mark',
  short: 'mark',
  holds: 'a score on a scale, such as 1 to 5',
  control: 'mark',
  align: 'start',
  span: () => 3,
  uses: ['scale', 'startsAs'],
  starts: { scale: 5 },
  read(typed, { scale }) {
    const text = typed.trim()
    const score = /^\d{1,3}$/.test(text) ? Number(text) : 0
    return score >= 1 && score <= scaleOf(scale)
      ? ok(String(score))
      : fail({ kind: 'not-mark', text, scale: scaleOf(scale) })
  },
  show: (value) => value,
  compare: (a, b) => Number(a) - Number(b),
  columnType: () => ({ is: 'whole', bytes: 1, unsigned: true }),
  checks: ({ scale }) => [{ name: 'scale', sql: (column) => `${column} BETWEEN 1 AND ${scaleOf(scale)}` }],
  load: String,
  store: (value) => Number(value),
  specimen: ({ scale }) => String(Math.max(1, scaleOf(scale) - 1)),
  summary: ({ scale }) => `Mark from 1 to ${scaleOf(scale)}`,
}
