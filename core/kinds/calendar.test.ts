import fc from 'fast-check'
import { expect, test } from 'vitest'
import { wordProblem } from '../words'
import { addDays, readClock, readDay, showDay } from './calendar'
import { Look } from './look'
import { plainLook } from './plain-look'

const now = { moment: '2027-03-12T09:30' }
const day = fc
  .date({ min: new Date('1000-01-01'), max: new Date('9999-12-30'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10))
const styles = Look.shape.dateStyle.options

test.each(styles)('in the style %s every day reads back as it is shown, and as ISO', (dateStyle) => {
  const look = { ...plainLook, dateStyle }
  fc.assert(
    fc.property(day, (value) => {
      expect(readDay(showDay(value, look), look)).toEqual({ ok: true, value })
      expect(readDay(value, look)).toEqual({ ok: true, value })
    }),
  )
})

test.each<[(typeof styles)[number], string, string]>([
  ['day-month-year', '3/4/2027', '2027-04-03'],
  ['month-day-year', '3/4/2027', '2027-03-04'],
  ['year-month-day', '2027/3/4', '2027-03-04'],
  ['day-month-year', '3.4.2027', '2027-04-03'],
  ['day-month-year', '3 4 2027', '2027-04-03'],
  ['day-month-year', '3/4', '2027-04-03'],
  ['month-day-year', 'March 4th, 2027', '2027-03-04'],
  ['day-month-year', '4th march 2027', '2027-03-04'],
  ['day-month-year', '1 sept 2027', '2027-09-01'],
  ['day-month-year', 'Yesterday', '2027-03-11'],
  // The twelfth of March 2027 is a Friday.
  ['day-month-year', '+14', '2027-03-26'],
  ['day-month-year', '- 3', '2027-03-09'],
  ['year-month-day', '+2 weeks', '2027-03-26'],
  ['day-month-year', '+1m', '2027-04-12'],
  ['day-month-year', '-1 year', '2026-03-12'],
  ['day-month-year', 'Sat', '2027-03-13'],
  ['day-month-year', 'fri', '2027-03-19'],
  ['day-month-year', 'thurs.', '2027-03-18'],
  ['day-month-year', 'last fri', '2027-03-05'],
  ['day-month-year', 'last saturday', '2027-03-06'],
  ['day-month-year', '3/12/26', '2026-12-03'],
  ['month-day-year', '3/12/26', '2026-03-12'],
  ['day-month-year', '12 Mar 47', '2047-03-12'],
  ['day-month-year', "12 Mar '48", '1948-03-12'],
])('%s: “%s” is %s', (dateStyle, typed, value) => {
  expect(readDay(typed, { ...plainLook, dateStyle }, now)).toEqual({ ok: true, value })
})

test('a weekday is the next one after today, and the last one before it', () => {
  const names = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat']
  fc.assert(
    fc.property(day, fc.integer({ min: 0, max: 6 }), (today, weekday) => {
      fc.pre(today > '1001' && today < '9998')
      const read = (typed: string) => readDay(typed, plainLook, { moment: `${today}T09:30` })
      const [next, last] = [read(names[weekday]!), read(`last ${names[weekday]!}`)]
      if (!next.ok || !last.ok) throw new Error('Expected two days.')
      expect(new Date(`${next.value}T00:00Z`).getUTCDay()).toBe(weekday)
      expect(next.value > today && next.value <= addDays(today, 7)).toBe(true)
      expect(last.value).toBe(next.value === addDays(today, 7) ? addDays(today, -7) : addDays(next.value, -7))
    }),
  )
})

test('what is told from today is no day where that isn’t known, or beyond all years', () => {
  for (const typed of ['+14', 'fri', 'tomorrow']) expect(readDay(typed, plainLook).ok).toBe(false)
  expect(readDay('+9999y', plainLook, now).ok).toBe(false)
})

test.each([
  '',
  '+',
  '+1x',
  '+14 15',
  'next fri',
  'mond ay',
  's',
  'lastfri',
  '12',
  '1/2/3',
  '12/13/2027',
  '31 June 2027',
  '29/2/2100',
  '__proto__',
  'constructor',
  '0/1/2027',
  '1 foo 2027',
  '1/1/0999',
  '３/４/2027',
])('“%s” is no day', (typed) => {
  expect(readDay(typed, plainLook, now).ok).toBe(false)
})

test('a day after the end of its month is told where that ends', () => {
  const said = (typed: string) => {
    const read = readDay(typed, plainLook, now)
    return read.ok ? read.value : wordProblem(read.problem)
  }
  expect(said('31 Feb')).toBe('There is no “31 Feb”: February 2027 ends on the 28th.')
  expect(said('32/12/2027')).toBe('There is no “32/12/2027”: December 2027 ends on the 31st.')
  expect(said('1/13/2027')).toBe('There is no such day as “1/13/2027”.')
})

test('days are moved over months, years and leap days, and back', () => {
  expect([addDays('2027-12-31', 1), addDays('2028-02-28', 1), addDays('2027-03-01', -1)]).toEqual([
    '2028-01-01',
    '2028-02-29',
    '2027-02-28',
  ])
  fc.assert(
    fc.property(day, fc.integer({ min: -300, max: 300 }), (value, count) => {
      fc.pre(value > '1001' && value < '9998')
      expect(addDays(addDays(value, count), -count)).toBe(value)
    }),
  )
})

test.each([
  ['9', '09:00'],
  ['9:30', '09:30'],
  ['0930', '09:30'],
  ['9h30', '09:30'],
  ['12 am', '00:00'],
  ['12 pm', '12:00'],
  ['11:59 PM', '23:59'],
  ['24:00', undefined],
  ['9:60', undefined],
  ['13 pm', undefined],
  ['0 am', undefined],
  ['nine', undefined],
])('the time “%s” is %s', (typed, value) => {
  const read = readClock(typed)
  expect(read.ok ? read.value : undefined).toBe(value)
})
