import type { FieldKind } from './kind'
import type { FieldSettings } from './settings'
import { compareCanonical, lineChecks, quoteText, readLine } from './text'

const widthOf = ({ width }: FieldSettings) => width ?? 5

/** True when it is kept as text because it is written in a pattern. */
const isWritten = ({ prefix, yearly, width }: FieldSettings) =>
  Boolean(prefix) || yearly === true || width !== undefined

/** The period a count belongs to: one for ever, or one a year. */
export const runningPeriod = ({ yearly }: FieldSettings, moment: string) => (yearly ? moment.slice(0, 4) : 'ever')

/**
 * Writes the so-many-th number of a period.
 * @example writeRunning(1, { prefix: 'C-', yearly: true, width: 4 }, '2027') // => 'C-2027-0001'
 */
export function writeRunning(count: number, settings: FieldSettings, period: string): string {
  if (!isWritten(settings)) return String(count)
  const year = settings.yearly ? `${period}-` : ''
  return `${settings.prefix ?? ''}${year}${String(count).padStart(widthOf(settings), '0')}`
}

/** The same in SQL, for rows that get their numbers all at once; a yearly count takes the year of the day it is run. */
export function runningSql(settings: FieldSettings, count: string): string {
  if (!isWritten(settings)) return count
  const year = settings.yearly ? `, YEAR(CURRENT_DATE), '-'` : ''
  return `CONCAT(${quoteText(settings.prefix ?? '')}${year}, LPAD(${count}, GREATEST(${widthOf(settings)}, CHAR_LENGTH(${count})), '0'))`
}

/** The count a written number stands for, or 0 where it isn't one of this period. */
export function countOf(value: string, settings: FieldSettings, period: string): number {
  const start = isWritten(settings) ? `${settings.prefix ?? ''}${settings.yearly ? `${period}-` : ''}` : ''
  const digits = value.startsWith(start) ? value.slice(start.length) : ''
  return /^\d{1,15}$/.test(digits) ? Number(digits) : 0
}

/** A number the book gives, one after the other. */
export const running: FieldKind = {
  title: 'Running number',
  short: 'running',
  holds: 'a number the book gives by itself, V-00001, V-00002 …',
  control: 'given',
  align: 'start',
  span: () => 3,
  uses: ['prefix', 'width', 'yearly'],
  starts: {},
  read: (typed) => readLine(typed, 40),
  show: (value) => value,
  compare: (a, b) => a.length - b.length || compareCanonical(a, b),
  columnType: (settings) =>
    isWritten(settings) ? { is: 'text', most: 40 } : { is: 'whole', bytes: 8, unsigned: true },
  checks: (settings) => (isWritten(settings) ? lineChecks : []),
  load: String,
  store: (value) => value,
  specimen: (settings) => writeRunning(418, settings, '2027'),
  summary: (settings) =>
    `Running number, written ${writeRunning(1, settings, '2027')}, given by the book${settings.yearly ? ', from 1 again each year' : ''}`,
}
