import { expect, test } from 'vitest'
import { table } from '@/tests/support/tables'
import { made } from '@/tests/support/made'
import { emptyBook, tableOf } from '../book'
import { plainLook } from '../kinds'
import { wordProblem } from '../words'
import { checkRecord, readTyped } from '.'
import { startValues } from './check-record'

const german = { ...plainLook, numberStyle: '1.234,50', dateStyle: 'day-month-year' } as const
const book = made(
  emptyBook('Test', german),
  ...table(
    'Job',
    ['Subject line', { must: true }],
    'Due on date',
    ['Height exact', { least: '2', most: '14' }],
    'Done tick',
    ['Booked on date', { startsAs: 'today' }],
  ),
)
const checked = (values: Record<string, string | null>) => {
  const result = checkRecord(book, 'job', values)
  return result.ok
    ? result.value
    : Object.fromEntries(Object.entries(result.problem).map(([id, problem]) => [id, wordProblem(problem)]))
}

test('canonical values are read in the plain style, whatever the book shows', () => {
  expect(checked({ job_subject: 'Sweep', job_height: '6.5', 'job_due-on': '2027-03-12' })).toEqual({
    job_subject: 'Sweep',
    job_height: '6.50',
    'job_due-on': '2027-03-12',
  })
})

test('every problem is told at once, bounds in the style the book shows', () => {
  expect(checked({ job_subject: ' ', job_height: '15.5', 'job_due-on': '2027-02-30' })).toEqual({
    job_subject: 'Subject must be filled.',
    job_height: 'This must be 14,00 or less.',
    'job_due-on': 'There is no “2027-02-30”: February 2027 ends on the 28th.',
  })
})

test('only what was sent is checked; numbers the book gives are not taken', () => {
  expect(checked({ job_height: null, 'job-key': '7' })).toEqual({ job_height: null })
})

test('a blank tick is a no', () => {
  expect(checked({ job_done: null })).toEqual({ job_done: '0' })
})

test('a new record starts with what its fields say', () => {
  expect(startValues(book, 'job', { moment: '2027-03-12T09:30' })).toMatchObject({
    'job_booked-on': '2027-03-12',
    job_done: '0',
    job_subject: null,
  })
})

test('a sum is read as what it comes to where a number is asked for, and is plain text where it isn’t', () => {
  const job = tableOf(book, 'job')
  const read = (id: string, typed: string) =>
    readTyped(
      book,
      job,
      job.fields.find((field) => field.id === id)!,
      typed,
    )
  expect(read('job_height', '3*2,5')).toEqual({ ok: true, value: '7.50' })
  expect(read('job_height', '7/2*10')).toMatchObject({ ok: false, problem: { kind: 'above' } })
  expect(read('job_height', '3*')).toMatchObject({ ok: false, problem: { kind: 'not-number' } })
  expect(read('job_subject', '3*2,5')).toEqual({ ok: true, value: '3*2,5' })
})
