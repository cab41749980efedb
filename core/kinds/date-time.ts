import { fail, ok } from '../words'
import { readClock, readDay, showDay } from './calendar'
import { boundChecks, boundWords, wholeDay, wholeMinute } from './decimal'
import type { FieldKind } from './kind'
import type { Look } from './look'
import { compareCanonical, quoteText } from './text'

const show = (value: string, look: Look) => `${showDay(value.slice(0, 10), look)}, ${value.slice(11, 16)}`

/** A day and a time of day by the office clock, to the minute. */
export const dateTime: FieldKind = {
  title: 'Date and time',
  short: 'datetime',
  holds: 'a day and a time together',
  control: 'date-time',
  align: 'start',
  span: () => 4,
  uses: ['least', 'most', 'startsAs'],
  starts: {},
  read(typed, _settings, look, now) {
    const text = typed.trim()
    if (text.toLowerCase() === 'now' && now) return ok(now.moment.slice(0, 16))
    // The time must look like one: in "12 Mar 2027" the year is no half past eight.
    const parts = /^(.*\S)[,\sT]+(\d{1,2}(?:[:.h]\d{2}\s*(?:am|pm)?|\s*(?:am|pm)))$/i.exec(text)
    const refused = fail({ kind: 'not-date-time', text, example: show('2027-03-12T09:30', look) })
    if (!parts) return refused
    const day = readDay(parts[1]!.replace(/,$/, ''), look, now)
    const clock = readClock(parts[2]!)
    if (!day.ok) return day.problem.kind === 'no-such-day' ? day : refused
    return clock.ok ? ok(`${day.value}T${clock.value}`) : clock
  },
  show: (value, _settings, look) => show(value, look),
  compare: compareCanonical,
  columnType: () => ({ is: 'moment' }),
  checks: (settings) => [
    wholeDay,
    wholeMinute,
    ...boundChecks(settings, (value) => quoteText(value.replace('T', ' '))),
  ],
  load: (stored) => String(stored).slice(0, 16).replace(' ', 'T'),
  store: (value) => value.replace('T', ' '),
  specimen: ({ least }) => least ?? '2027-03-12T09:30',
  summary: (settings, look) => `Date and time${boundWords(settings, (value) => show(value, look))}`,
}
