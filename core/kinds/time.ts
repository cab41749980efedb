import { readClock } from './calendar'
import { boundChecks, boundWords, wholeMinute } from './decimal'
import type { FieldKind } from './kind'
import { compareCanonical, quoteText } from './text'

/** A time of day, to the minute. */
export const time: FieldKind = {
  title: 'Time',
  short: 'time',
  holds: 'a time of day',
  control: 'time',
  align: 'start',
  span: () => 2,
  uses: ['least', 'most', 'startsAs'],
  starts: {},
  read: (typed) => readClock(typed),
  show: (value) => value,
  compare: compareCanonical,
  columnType: () => ({ is: 'time' }),
  // MariaDB's TIME also holds durations, up to 838 hours.
  checks: (settings) => [
    { name: 'clock', sql: (column) => `${column} BETWEEN '00:00:00' AND '23:59:59'` },
    wholeMinute,
    ...boundChecks(settings, quoteText),
  ],
  load: (stored) => String(stored).slice(0, 5),
  store: (value) => value,
  specimen: ({ least }) => least ?? '09:30',
  summary: (settings) => `Time${boundWords(settings, (value) => value)}`,
}
