/** What dates and times are counted in. */
export const dateUnits = ['YEAR', 'MONTH', 'DAY', 'HOUR', 'MINUTE'] as const
export type DateUnit = (typeof dateUnits)[number]

export const two = (part: number) => String(part).padStart(2, '0')

/** One part of a canonical date, time or moment. */
export function datePart(value: string, unit: DateUnit): number {
  const timed = value.includes(':')
  const [date, time] = timed && !value.includes('-') ? ['', value] : [value.slice(0, 10), value.slice(11)]
  const [year, month, day] = date.split('-')
  const [hour, minute] = (time ?? '').split(':')
  return Number({ YEAR: year, MONTH: month, DAY: day, HOUR: hour, MINUTE: minute }[unit])
}

/** Days since the first of March of year nought, by the proleptic Gregorian calendar (Howard Hinnant's days_from_civil). */
export function dayNumber(date: string): number {
  const [y, m, d] = date.slice(0, 10).split('-').map(Number) as [number, number, number]
  const year = m <= 2 ? y - 1 : y
  const era = Math.floor(year / 400)
  const inEra = year - era * 400
  const inYear = Math.floor((153 * (m + (m > 2 ? -3 : 9)) + 2) / 5) + d - 1
  return era * 146097 + inEra * 365 + Math.floor(inEra / 4) - Math.floor(inEra / 100) + inYear
}

const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0
/** How many days a month has. */
export const daysIn = (year: number, month: number) =>
  [31, isLeap(year) ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31][month - 1]!

/** A date or moment so many units later; the last of a shorter month where the day isn't in it; NULL beyond the years 1 to 9999. */
export function shifted(value: string, count: number, unit: DateUnit): string | null {
  const [year, month, day] = value.slice(0, 10).split('-').map(Number) as [number, number, number]
  const time = value.slice(10)
  if (unit === 'YEAR' || unit === 'MONTH') {
    const months = year * 12 + (month - 1) + count * (unit === 'YEAR' ? 12 : 1)
    const [y, m] = [Math.floor(months / 12), (months % 12) + 1]
    if (y < 1 || y > 9999) return null
    return `${String(y).padStart(4, '0')}-${two(m)}-${two(Math.min(day, daysIn(y, m)))}${time}`
  }
  if (unit === 'DAY') return dateOf(dayNumber(value) + count, time)
  const [hour, minute] = time.slice(1).split(':').map(Number) as [number, number]
  const minutes = dayNumber(value) * 1440 + hour * 60 + minute + count * (unit === 'HOUR' ? 60 : 1)
  const rest = ((minutes % 1440) + 1440) % 1440
  return dateOf((minutes - rest) / 1440, `T${two(Math.floor(rest / 60))}:${two(rest % 60)}`)
}

/** The inverse of dayNumber, with a time behind it (civil_from_days). */
function dateOf(days: number, time: string): string | null {
  const era = Math.floor(days / 146097)
  const inEra = days - era * 146097
  const yearInEra = Math.floor(
    (inEra - Math.floor(inEra / 1460) + Math.floor(inEra / 36524) - Math.floor(inEra / 146096)) / 365,
  )
  const inYear = inEra - (365 * yearInEra + Math.floor(yearInEra / 4) - Math.floor(yearInEra / 100))
  const part = Math.floor((5 * inYear + 2) / 153)
  const day = inYear - Math.floor((153 * part + 2) / 5) + 1
  const month = part < 10 ? part + 3 : part - 9
  const year = yearInEra + era * 400 + (month <= 2 ? 1 : 0)
  if (year < 1 || year > 9999) return null
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}${time}`
}

/** Whether a written date, time or moment is one, in canonical form; undefined where it isn't. */
export function readMoment(of: 'DATE' | 'TIME' | 'TIMESTAMP', text: string): string | undefined {
  const match = {
    DATE: /^(\d{4}-\d\d-\d\d)$/,
    TIME: /^(\d\d:\d\d)(?::00)?$/,
    TIMESTAMP: /^(\d{4}-\d\d-\d\d)[ T](\d\d:\d\d)(?::00)?$/,
  }[of].exec(text.trim())
  if (!match) return undefined
  const canonical = of === 'TIMESTAMP' ? `${match[1]!}T${match[2]!}` : match[1]!
  if (of !== 'TIME') {
    const [year, month, day] = canonical.slice(0, 10).split('-').map(Number) as [number, number, number]
    if (year < 1 || month < 1 || month > 12 || day < 1 || day > daysIn(year, month)) return undefined
  }
  const time = of === 'TIME' ? canonical : of === 'TIMESTAMP' ? canonical.slice(11) : '00:00'
  return Number(time.slice(0, 2)) < 24 && Number(time.slice(3)) < 60 ? canonical : undefined
}
