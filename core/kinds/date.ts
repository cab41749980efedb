import { readDay, showDay } from './calendar'
import { boundChecks, boundWords, wholeDay } from './decimal'
import type { FieldKind } from './kind'
import { compareCanonical, quoteText } from './text'

/** A day of the calendar. */
export const date: FieldKind = {
  title: 'Date',
  short: 'date',
  holds: 'a day',
  control: 'date',
  align: 'start',
  span: () => 3,
  uses: ['least', 'most', 'startsAs', 'unique'],
  starts: {},
  read: (typed, _settings, look, now) => readDay(typed, look, now),
  show: (value, _settings, look) => showDay(value, look),
  compare: compareCanonical,
  columnType: () => ({ is: 'date' }),
  checks: (settings) => [wholeDay, ...boundChecks(settings, quoteText)],
  load: (stored) => String(stored).slice(0, 10),
  store: (value) => value,
  specimen: ({ least }) => least ?? '2027-03-12',
  summary: (settings, look) => `Date${boundWords(settings, (value) => showDay(value, look))}`,
}
