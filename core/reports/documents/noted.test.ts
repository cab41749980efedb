import { expect, test } from 'vitest'
import { tableOf } from '../../book'
import { Designing } from '@/tests/support/derived-design'
import { field } from '@/tests/support/edits'
import { frozenBy, notable, notedAs, notedIn } from './noted'

const design = new Designing().do(
  { kind: 'addTable', id: 'job', name: 'Job', keyField: 'job-key' },
  ...field('job', 'fee', 'Fee', 'money'),
  ...field('job', 'billed', 'Billed on', 'date'),
  ...field('job', 'sent', 'Sent at', 'dateTime'),
)
design
  .derived('job', 'due', 'Due', 'workedOut', '"Billed on" + INTERVAL \'14\' DAY')
  .derived('job', 'total', 'Total', 'workedOut', 'Fee * 2', '"Billed on" IS NOT NULL')
  .derived('job', 'other', 'Other', 'workedOut', 'Fee * 3', '"Sent at" IS NOT NULL')
const { book } = design
const job = tableOf(book, 'job')
const wish = (notes?: string) => ({ table: 'job', handed: { ...(notes && { notes }) } })

test('handing out is noted in days that are typed, and in no others', () => {
  expect(notable(job).map(({ id }) => id)).toEqual(['billed', 'sent'])
  expect(notedIn(book, wish('billed')).field?.name).toBe('Billed on')
  expect(notedIn(book, wish())).toEqual({})
  for (const other of ['due', 'fee', 'gone'])
    expect(notedIn(book, wish(other))).toEqual({ problem: { kind: 'document-notes-gone', table: 'Job' } })
})

test('a day is noted as a day, and a moment as one', () => {
  const now = { moment: '2027-03-12T10:15' }
  expect(notedAs({ kind: 'date' }, now)).toBe('2027-03-12')
  expect(notedAs({ kind: 'dateTime' }, now)).toBe('2027-03-12T10:15')
})

test('what freezes by a field is named', () => {
  expect(frozenBy(book, job, 'billed').map(({ name }) => name)).toEqual(['Total'])
  expect(frozenBy(book, job, 'sent').map(({ name }) => name)).toEqual(['Other'])
  expect(frozenBy(book, job, 'fee')).toEqual([])
})
