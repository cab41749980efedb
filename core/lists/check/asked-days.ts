import type { Span } from '../../book'
import { dayNumber, type Look, monthNames, type Now, readDay, shifted, showDay, two } from '../../kinds'
import { fail, nth, ok, type Result } from '../../words'
import { type Days, daysOf, daysWritten } from './spans'

/**
 * Days that are asked for, as an answer is kept: a day, a month or a year of ISO 8601 ("2027-03"), two days with a
 * slash between them, the last one among them, or a stretch told from today ("last month").
 */
export type AnsweredDays = string

const spanShape = /^(this|last|next) (day|week|month|quarter|year)$/
const dayShape = /^\d{4}-\d\d-\d\d$/

/** A stretch told from today, where an answer is one. */
export function spanAnswered(answer: AnsweredDays): Span | undefined {
  const [, which, unit] = spanShape.exec(answer) ?? []
  return which && unit ? ({ which, unit } as Span) : undefined
}

/** The days that an answer means on a day; undefined where it means none. */
export function answeredDays(answer: AnsweredDays, today: string, look: Look): Days | undefined {
  const span = spanAnswered(answer)
  if (span) return daysOf(span, today, look)
  const [from = '', last, ...more] = answer.split('/')
  if (last === undefined) return daysWritten(answer)
  const [first, end] = [from, last].map((day) => (dayShape.test(day) ? daysWritten(day) : undefined))
  return first && end && more.length === 0 && first.from <= end.from
    ? { from: first.from, until: end.until }
    : undefined
}

const lastOf = ({ until }: Days) => shifted(until, -1, 'DAY') ?? until

/** Days as shortly as an answer has them: the whole of a month or a year is said by its name. */
function shortest(days: Days): AnsweredDays {
  const last = lastOf(days)
  const [year, month] = [days.from.slice(0, 4), days.from.slice(0, 7)]
  const is = (written: string) => {
    const whole = daysWritten(written)
    return whole?.from === days.from && whole.until === days.until
  }
  return [days.from, month, year].find(is) ?? `${days.from}/${last}`
}

/** "12 Mar 2027", "March 2027", "2027", "1 Mar 2027 to 7 Mar 2027"; what is told from today as the days that it means. */
export function sayDays(answer: AnsweredDays, today: string, look: Look): string {
  const days = answeredDays(answer, today, look)
  if (!days) return answer
  const short = shortest(days)
  if (short.includes('/')) return `${showDay(days.from, look)} to ${showDay(lastOf(days), look)}`
  if (short.length === 10) return showDay(short, look)
  return short.length === 7 ? `${nth(monthNames, Number(short.slice(5)) - 1)} ${short.slice(0, 4)}` : short
}

const words = /^(\p{L}{3,9})\.? (\d{4})$/u
const figures = /^(\d{1,2})[./-](\d{4})$/

/** A month that is written by its name or its number: "March 2027", "3/2027". */
function monthWritten(lower: string): string | undefined {
  const named = words.exec(lower)
  const numbered = figures.exec(lower)
  const [month, year] = named
    ? [monthNames.findIndex((name) => name.toLowerCase().startsWith(named[1] ?? '')) + 1, named[2] ?? '']
    : numbered
      ? [Number(numbered[1]), numbered[2] ?? '']
      : [0, '']
  const whole = `${year}-${two(month)}`
  return daysWritten(whole) && whole
}

/** Reads days as people write them; also with "to" between two of them. */
export function readDays(typed: string, look: Look, now: Now): Result<AnsweredDays> {
  const text = typed.trim().replace(/\s+/g, ' ')
  const lower = text.toLowerCase()
  if (spanShape.test(lower)) return ok(lower)
  if (text.length < 10 && daysWritten(text)) return ok(text)
  const month = monthWritten(lower)
  if (month) return ok(month)
  const [from = '', until, ...more] = text.split(/ to /i)
  if (until === undefined || more.length > 0) return readDay(text, look, now)
  const first = readDay(from, look, now)
  const last = readDay(until, look, now)
  if (!first.ok || !last.ok) return first.ok ? last : first
  return first.value <= last.value ? ok(`${first.value}/${last.value}`) : fail({ kind: 'list-days-the-wrong-way' })
}

/** As many days, months or years further on, or back. */
export function daysBeside(answer: AnsweredDays, by: 1 | -1, today: string, look: Look): AnsweredDays {
  const days = answeredDays(answer, today, look)
  if (!days) return answer
  const short = shortest(days)
  // A quarter is three months on, whatever days they have.
  const months = spanAnswered(answer)?.unit === 'quarter' || isQuarter(days) ? 3 : short.length === 7 ? 1 : 0
  if (months > 0) {
    const from = shifted(days.from, months * by, 'MONTH')
    const until = from && shifted(from, months, 'MONTH')
    return from && until ? shortest({ from, until }) : answer
  }
  if (short.length === 4) return String(Number(short) + by).padStart(4, '0')
  const count = dayNumber(days.until) - dayNumber(days.from)
  const from = shifted(days.from, count * by, 'DAY')
  const until = from && shifted(from, count, 'DAY')
  return from && until ? shortest({ from, until }) : answer
}

const isQuarter = ({ from, until }: Days) => from.endsWith('-01') && shifted(from, 3, 'MONTH') === until
