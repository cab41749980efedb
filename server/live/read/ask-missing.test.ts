import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import type { List } from '@/core/book'
import { missableFields, sayGap } from '@/core/lists'
import { fieldWith, tableOf } from '@/core/book'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { field } from '@/tests/support/edits'
import { runs } from '@/tests/support/runs'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import { askMissing } from '..'
import type { Live } from '../live'

let db: Catalogue
let live: Live
beforeAll(async () => {
  db = await testCatalogue('missing')
  const account = await testAccount(db, 'Averil')
  const id = await testBook(db, account, 'Bills', [
    { kind: 'addTable', id: 'bill', name: 'Bill', keyField: 'bill-key' },
    ...field('bill', 'count', 'Count', 'whole'),
    ...field('bill', 'day', 'Day', 'date'),
    ...field('bill', 'code', 'Code', 'code'),
    ...field('bill', 'state', 'State', 'choice', {
      choices: ['new', 'it\\’s sent', "paid 'up'"].map((word, at) => ({ id: `w${at}`, word })),
    }),
    ...field('bill', 'note', 'Note', 'line'),
  ])
  live = await opened(db, account, id)
})

const list: List = {
  id: 'list',
  table: 'bill',
  columns: [{ id: 'c', shows: { kind: 'field', place: { way: [], field: 'note' } } }],
  asks: [],
  order: [],
}
async function gapsOf(fieldId: string, of: List = list): Promise<string[]> {
  const found = await askMissing({ db, live }, of, { given: {}, now: { moment: '2027-03-12T10:00' } }, fieldId)
  if ('faults' in found) throw new Error(JSON.stringify(found.faults))
  return found.gaps.map((gap) => sayGap(live.book, fieldWith(live.book, fieldId).field, gap))
}
const table = () => `\`${live.schema}\`.bill`
async function fill(column: string, values: readonly (string | number | null)[]) {
  await run(db, `DELETE FROM ${table()}`)
  for (const [at, value] of values.entries())
    await run(db, `INSERT INTO ${table()} (bill_number, ${column}, note) VALUES (?, ?, ?)`, [
      at + 1,
      value,
      at % 2 === 0 ? 'even' : 'odd',
    ])
}

test('it can be told of numbers, days, codes and choices', () => {
  expect(missableFields(tableOf(live.book, 'bill')).map(({ name }) => name)).toEqual([
    'Bill number',
    'Count',
    'Day',
    'Code',
    'State',
  ])
})

test('every number between the least and the greatest is there or missing, and never both', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.option(fc.integer({ min: -6, max: 30 }), { nil: null }), { maxLength: 12 }),
      async (all) => {
        await fill('count', all)
        const found = await askMissing({ db, live }, list, { given: {}, now: { moment: '2027-03-12T10:00' } }, 'count')
        if ('faults' in found) throw new Error('faults')
        const missing = found.gaps.flatMap(({ from, to, count }) => {
          expect(Number(to) - Number(from) + 1).toBe(count)
          return Array.from({ length: count }, (_, at) => Number(from) + at)
        })
        const there = all.filter((one) => one !== null)
        const whole = there.length === 0 ? [] : range(Math.min(...there), Math.max(...there))
        expect([...missing, ...new Set(there)].sort((a, b) => a - b)).toEqual(whole)
      },
    ),
    { ...runs(40), endOnFailure: true },
  )
})

const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, at) => from + at)

test('days are told over ends of months and leap years, codes by how they begin, and under a condition', async () => {
  await fill('day', ['2028-02-27', '2028-03-02', '2028-03-03'])
  expect(await gapsOf('day')).toEqual(['28 Feb 2028 to 1 Mar 2028 (3)'])
  await fill('code', ['A-007', 'A-010', 'B-1', 'B-3', 'plain', 'A-0011'])
  expect(await gapsOf('code')).toEqual(['A-008 to A-009 (2)', 'B-2'])
  await fill('count', [1, 2, 3, 5])
  expect(await gapsOf('count')).toEqual(['4'])
  const odd = { kind: 'compare', place: { way: [], field: 'note' }, how: 'is', with: [{ value: 'odd' }] } as const
  expect(await gapsOf('count', { ...list, where: odd })).toEqual(['3 to 4 (2)'])
  await fill('count', [])
  expect(await gapsOf('count')).toEqual([])
})

test('words of a choice that no record has are missing, whatever letters are in them', async () => {
  await fill('state', ['new', "paid 'up'"])
  expect(await gapsOf('state')).toEqual(['it\\’s sent'])
  await fill('state', [])
  expect(await gapsOf('state')).toHaveLength(3)
})
