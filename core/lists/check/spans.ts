import type { Span } from '../../book'
import { dayNumber, daysIn, type Look, shifted, two } from '../../kinds'

/** Days from the first, to before the second; canonical dates. */
export interface Days {
  readonly from: string
  readonly until: string
}

const later = (day: string, count: number, unit: 'DAY' | 'MONTH' | 'YEAR') => shifted(day, count, unit) ?? day
/** Monday is nought. Days are counted from the first of March of year nought, which was a Wednesday. */
const weekday = (day: string) => (((dayNumber(day) + 2) % 7) + 7) % 7
const firstOf = { Monday: 0, Sunday: 6, Saturday: 5 } as const

/** The first day of the stretch of the calendar that a day lies in. */
function begins(day: string, unit: Span['unit'], weekStart: Look['weekStart']): string {
  const [year, month] = [day.slice(0, 4), Number(day.slice(5, 7))]
  switch (unit) {
    case 'day':
      return day
    case 'week':
      return later(day, -((weekday(day) - firstOf[weekStart] + 7) % 7), 'DAY')
    case 'month':
      return `${day.slice(0, 7)}-01`
    case 'quarter':
      return `${year}-${two(month - ((month - 1) % 3))}-01`
    case 'year':
      return `${year}-01-01`
  }
}

function moved(day: string, unit: Span['unit'], count: number): string {
  switch (unit) {
    case 'day':
      return later(day, count, 'DAY')
    case 'week':
      return later(day, count * 7, 'DAY')
    case 'month':
      return later(day, count, 'MONTH')
    case 'quarter':
      return later(day, count * 3, 'MONTH')
    case 'year':
      return later(day, count, 'YEAR')
  }
}

/** The stretch of the calendar that a day lies in. */
export function calendarDays(day: string, unit: Span['unit'], { weekStart }: Pick<Look, 'weekStart'>): Days {
  const from = begins(day, unit, weekStart)
  return { from, until: moved(from, unit, 1) }
}

/**
 * The days that a stretch means on a day. "Last month" is the whole one of the calendar before; "the last 30 days" end
 * with today, "the next 7 days" begin with it.
 */
export function daysOf({ which, unit, count }: Span, today: string, look: Look): Days {
  if (count !== undefined && which !== 'this') {
    const tomorrow = later(today, 1, 'DAY')
    return which === 'last'
      ? { from: later(moved(today, unit, -count), 1, 'DAY'), until: tomorrow }
      : { from: today, until: moved(today, unit, count) }
  }
  const start = begins(today, unit, look.weekStart)
  const from = which === 'this' ? start : moved(start, unit, which === 'last' ? -1 : 1)
  return { from, until: moved(from, unit, 1) }
}

/** The days of one that is written "2027-03", "2027" or "2027-03-12"; undefined where it is none of them. */
export function daysWritten(written: string): Days | undefined {
  const match = /^(\d{4})(?:-(\d\d))?(?:-(\d\d))?$/.exec(written)
  if (!match) return undefined
  const [, year, month, day] = match
  if (Number(year) < 1 || (month && (Number(month) < 1 || Number(month) > 12))) return undefined
  if (day && (Number(day) < 1 || Number(day) > daysIn(Number(year), Number(month)))) return undefined
  const from = `${year!}-${month ?? '01'}-${day ?? '01'}`
  return { from, until: later(from, 1, day ? 'DAY' : month ? 'MONTH' : 'YEAR') }
}
