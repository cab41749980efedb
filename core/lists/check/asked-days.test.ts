import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { plainLook } from '../../kinds'
import { runs } from '@/tests/support/runs'
import { answeredDays, daysBeside, readDays, sayDays } from './asked-days'

const today = '2027-03-12'
const now = { moment: `${today}T09:30` }
const law = (answers: fc.Arbitrary<string>, holds: (answer: string) => void) =>
  fc.assert(fc.property(answers, holds), runs(300))
const read = (typed: string) => {
  const found = readDays(typed, plainLook, now)
  return found.ok ? found.value : found.problem.kind
}

test.each([
  ['this month', 'this month'],
  ['Last  Year', 'last year'],
  ['2027', '2027'],
  ['2027-02', '2027-02'],
  ['February 2027', '2027-02'],
  ['feb. 2027', '2027-02'],
  ['2/2027', '2027-02'],
  ['today', '2027-03-12'],
  ['1 Mar 2027 to 7 Mar 2027', '2027-03-01/2027-03-07'],
  ['7 Mar 2027 to 1 Mar 2027', 'list-days-the-wrong-way'],
  ['31 Feb 2027', 'no-such-day'],
  ['13/2027', 'not-date'],
  ['some day', 'not-date'],
])('days as people write them: %s', (typed, answer) => {
  expect(read(typed)).toBe(answer)
})

test.each([
  ['this month', 'March 2027', 'April 2027', 'February 2027'],
  ['last quarter', '1 Oct 2026 to 31 Dec 2026', '1 Jan 2027 to 31 Mar 2027', '1 Jul 2026 to 30 Sep 2026'],
  ['2027', '2027', '2028', '2026'],
  ['2027-03-12', '12 Mar 2027', '13 Mar 2027', '11 Mar 2027'],
  ['this week', '8 Mar 2027 to 14 Mar 2027', '15 Mar 2027 to 21 Mar 2027', '1 Mar 2027 to 7 Mar 2027'],
])('days beside others: %s', (answer, said, after, before) => {
  const say = (one: string) => sayDays(one, today, plainLook)
  expect(say(answer)).toBe(said)
  expect(say(daysBeside(answer, 1, today, plainLook))).toBe(after)
  expect(say(daysBeside(answer, -1, today, plainLook))).toBe(before)
})

describe('whatever days they are', () => {
  const day = fc.date({ min: new Date('1900-01-01T00:00Z'), max: new Date('2100-12-31T00:00Z'), noInvalidDate: true })
  const iso = day.map((one) => one.toISOString().slice(0, 10))
  const answers = fc.oneof(
    iso,
    iso.map((one) => one.slice(0, 7)),
    iso.map((one) => one.slice(0, 4)),
    fc.tuple(iso, iso).map((two) => two.sort().join('/')),
    fc.constantFrom('this week', 'last month', 'next quarter', 'this year', 'last day'),
  )

  test('what is said can be typed, and means the same days', () => {
    law(answers, (answer) => {
      const typed = readDays(sayDays(answer, today, plainLook), plainLook, now)
      expect(typed.ok && answeredDays(typed.value, today, plainLook)).toEqual(answeredDays(answer, today, plainLook))
    })
  })

  test('the days after begin where these end, and the days before them end where these begin', () => {
    law(answers, (answer) => {
      const days = (one: string) => answeredDays(one, today, plainLook)
      const [after, before] = ([1, -1] as const).map((by) => days(daysBeside(answer, by, today, plainLook)))
      expect([after?.from, before?.until]).toEqual([days(answer)?.until, days(answer)?.from])
    })
  })
})

test('what is no day means none', () => {
  for (const answer of ['', 'this', '2027-02-30', '2027-03-12/2027-03-01', '2027/2028', "' OR 1=1"])
    expect(answeredDays(answer, today, plainLook)).toBe(undefined)
})
