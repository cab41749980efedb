import type { FieldKind } from './kind'
import { compareCanonical, readLine } from './text'

/**
 * A link to one record of another table. Its value is that record's reference; its columns come from
 * the key it points to (`core/physical`).
 */
export const link: FieldKind = {
  title: 'Link',
  short: 'link',
  holds: 'one record of another table',
  control: 'link',
  align: 'start',
  span: () => 6,
  uses: [],
  starts: {},
  read: (typed) => readLine(typed, 2000),
  show: (value) => value,
  compare: compareCanonical,
  columnType: () => undefined,
  checks: () => [],
  load: String,
  store: (value) => value,
  specimen: () => '',
  summary: () => 'Link',
}
