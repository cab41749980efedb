import { fail, ok, type Result } from '../words'
import { dayNumber, daysIn, shifted, two } from './days'
import type { Now } from './kind'
import type { Look } from './look'

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
export const monthNames: readonly string[] = [
  ...['January', 'February', 'March', 'April', 'May', 'June', 'July'],
  ...['August', 'September', 'October', 'November', 'December'],
]
/** The day after so many days. Years 1000 to 9999. */
export const addDays = (day: string, count: number): string => shifted(day, count, 'DAY')!

/** Shows a day with the month in letters, so that nobody mixes up day and month. */
export function showDay(day: string, look: Look): string {
  if (look.dateStyle === 'year-month-day') return day
  // Cut by place, not split: a list shows hundreds of days at a time.
  const [year, month, date] = [day.slice(0, -6), Number(day.slice(-5, -3)), Number(day.slice(-2))]
  const name = months[month - 1]
  return look.dateStyle === 'day-month-year' ? `${date} ${name} ${year}` : `${name} ${date}, ${year}`
}

// A map, not an object: somebody may type "constructor" into a date.
const nearDays = new Map([
  ['today', 0],
  ['tomorrow', 1],
  ['yesterday', -1],
])

const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const
const units = { d: ['DAY', 1], w: ['DAY', 7], m: ['MONTH', 1], y: ['YEAR', 1] } as const

/** A day told from today: "tomorrow", "+14", "-2 weeks", "+1m"; "fri", the next one after today, or "last fri". */
function toldFrom(today: string, text: string): string | undefined {
  const near = nearDays.get(text)
  if (near !== undefined) return addDays(today, near)
  const away = /^([+-]) ?(\d{1,4})(?: ?(d|days?|w|weeks?|m|months?|y|years?))?$/.exec(text)
  if (away) {
    const [unit, times] = units[(away[3]?.[0] ?? 'd') as keyof typeof units]
    const count = Number(away[2]) * times
    return shifted(today, away[1] === '-' ? -count : count, unit) ?? undefined
  }
  const [, last, name = ''] = /^(last )?([a-z]{3,9})\.?$/.exec(text) ?? []
  const weekday = name ? weekdays.findIndex((one) => one.startsWith(name)) : -1
  if (weekday < 0) return undefined
  const ahead = (weekday - weekdayOf(today) + 7) % 7 || 7
  return addDays(today, last ? (ahead === 7 ? -7 : ahead - 7) : ahead)
}

/** From 0, a Sunday: the first of March of the year nought would have been a Wednesday. */
const weekdayOf = (day: string): number => (dayNumber(day) + 3) % 7

/**
 * Reads a day written in figures in the book's order, with the month's name, or as 2027-03-12.
 * Also told from today where that is known, and without a year: in the current one.
 * A year of two figures is the one that is at most so far ahead: 27 is 2027, and 85 is 1985.
 */
export function readDay(typed: string, look: Look, now?: Now): Result<string> {
  const text = typed.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ')
  const today = now?.moment.slice(0, 10)
  const told = today && toldFrom(today, text)
  if (told) return ok(told)
  const parts = partsOf(text, look, today?.slice(0, 4))
  if (!parts) return fail({ kind: 'not-date', text: typed.trim(), example: showDay('2027-03-12', look) })
  const [year, month, day] = parts
  if (year < 1000 || month < 1 || month > 12 || day < 1 || day > daysIn(year, month)) {
    const ends = month >= 1 && month <= 12 && year >= 1000 && day > 0
    const of = ends && { month: `${monthNames[month - 1]} ${year}`, last: daysIn(year, month) }
    return fail({ kind: 'no-such-day', text: typed.trim(), ...of })
  }
  return ok(`${year}-${two(month)}-${two(day)}`)
}

const farthestAhead = 20

function wholeYear(figures: string | undefined, thisYear: string | undefined): string | undefined {
  if (figures?.length !== 2 || !thisYear) return figures ?? thisYear
  const near = Math.floor(Number(thisYear) / 100) * 100 + Number(figures)
  return String(near > Number(thisYear) + farthestAhead ? near - 100 : near)
}

function partsOf(text: string, look: Look, thisYear?: string): [number, number, number] | undefined {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
  if (iso) return [Number(iso[1]), Number(iso[2]), Number(iso[3])]
  const named =
    /^(?:(\d{1,2})(?:st|nd|rd|th)? )?([a-z]{3,9})\.?(?: (\d{1,2})(?:st|nd|rd|th)?)?(?: '?(\d{4}|\d{2}))?$/.exec(text)
  if (named) {
    const month = months.findIndex((name) => named[2]!.startsWith(name.toLowerCase())) + 1
    // "12 Mar 27" has its day before: the figures behind are its year.
    const [before, behind, last] = [named[1], named[3], named[4]]
    const day = before ?? behind
    const year = wholeYear(before && behind ? (last ? undefined : behind) : last, thisYear)
    const isOnce = !(before && behind && last)
    return month && day && year && year.length === 4 && isOnce ? [Number(year), month, Number(day)] : undefined
  }
  const figures = /^(\d{1,4})[/. -](\d{1,2})(?:[/. -](\d{1,4}))?$/.exec(text)
  if (!figures) return undefined
  if (look.dateStyle === 'year-month-day') {
    return figures[1]!.length === 4 && figures[3]
      ? [Number(figures[1]), Number(figures[2]), Number(figures[3])]
      : undefined
  }
  const year = wholeYear(figures[3], thisYear)
  if (year?.length !== 4) return undefined
  const [first, second] = [Number(figures[1]), Number(figures[2])]
  return look.dateStyle === 'day-month-year' ? [Number(year), second, first] : [Number(year), first, second]
}

/** Reads 9:30, 09.30, 0930, 9 am, 9:30pm to "09:30". */
export function readClock(typed: string): Result<string> {
  const text = typed.trim().toLowerCase()
  const found = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm)?$/.exec(text)
  const refused = fail({ kind: 'not-time', text: typed.trim() })
  if (!found) return refused
  let hour = Number(found[1])
  const minute = Number(found[2] ?? 0)
  if (found[3] && (hour < 1 || hour > 12)) return refused
  if (found[3]) hour = (hour % 12) + (found[3] === 'pm' ? 12 : 0)
  return hour > 23 || minute > 59 ? refused : ok(`${two(hour)}:${two(minute)}`)
}
