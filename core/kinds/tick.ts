import { fail, ok } from '../words'
import type { FieldKind } from './kind'
import { compareCanonical } from './text'

const yes = new Set(['1', 'yes', 'y', 'true', 'x', '✓', 'on'])
const no = new Set(['0', 'no', 'n', 'false', '-', '—', 'off'])

/** Yes or no; never blank: an empty box is a no. */
export const tick: FieldKind = {
  title: 'Tick',
  short: 'boolean',
  holds: 'yes or no',
  control: 'tick',
  align: 'start',
  span: () => 3,
  uses: ['startsAs'],
  starts: {},
  read(typed) {
    const text = typed.trim().toLowerCase()
    if (yes.has(text)) return ok('1')
    return no.has(text) ? ok('0') : fail({ kind: 'not-tick', text: typed.trim() })
  },
  show: (value) => (value === '1' ? 'yes' : 'no'),
  compare: compareCanonical,
  columnType: () => ({ is: 'truth' }),
  checks: () => [{ name: 'yes_no', sql: (column) => `${column} IN (0, 1)` }],
  load: (stored) => (Number(stored) ? '1' : '0'),
  store: (value) => Number(value),
  specimen: ({ startsAs }) => startsAs ?? '1',
  summary: () => 'Tick, yes or no',
}
