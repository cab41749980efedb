import { buffer } from 'node:stream/consumers'
import ExcelJS from 'exceljs'
import { beforeAll, expect, test } from 'vitest'
import type { List, Way } from '@/core/book'
import { type AskedBook, askedRecords, fillWith, walkOf } from '@/tests/support/asked-records'
import { csvOfList, jsonOfList, sqlOfList, tabsOfList, xlsxOfList } from '..'
import { selectRowsIn } from '../unit'

const house: Way = [{ to: 'one', field: 'visit__house' }]
const paid: Way = [{ to: 'rows', link: 'visit--payment' }]
const own = (field: string) => ({ kind: 'field', place: { way: [], field } }) as const
const list: List = {
  id: 'list',
  table: 'visit',
  columns: [
    { id: 'town', heading: 'Town', shows: { kind: 'field', place: { way: house, field: 'house_town' } } },
    { id: 'day', shows: own('visit_day') },
    { id: 'price', shows: own('visit_price') },
    { id: 'paid', shows: { kind: 'several', place: { way: paid, field: 'payment_amount' }, as: 'together' } },
    { id: 'count', shows: { kind: 'gathered', way: paid, name: 'count' } },
  ],
  asks: [],
  order: [{ column: 'day' }],
  figures: [{ column: 'price', name: 'total' }, { column: 'count' }],
}

const visit = (ref: string, day: string | null, price: string | null) => ({
  ref,
  values: { 'visit-key': ref, visit_day: day, visit_price: price },
  links: { visit__house: '1' },
})

let asked: AskedBook
beforeAll(async () => {
  asked = await askedRecords('out')
  await fillWith(asked, {
    person: [],
    paper: [],
    'house-person': [],
    house: [{ ref: '1', values: { 'house-key': '1', house_town: '=1+1 "Ash"' }, links: {} }],
    visit: [visit('1', '2027-03-01', '12.50'), visit('2', '2027-03-02', '999999999999.99'), visit('3', null, null)],
    payment: ['1', '1'].map((of, at) => ({
      ref: String(at + 1),
      values: { 'payment-key': String(at + 1), payment_amount: at === 0 ? '0.10' : '-2.50' },
      links: { payment__visit: of },
    })),
  })
})

const whole = async (parts: AsyncGenerator<string>) => {
  let text = ''
  for await (const part of parts) text += part
  return text
}

async function sheetsOf(of: List, rows?: number) {
  const workbook = new ExcelJS.Workbook()
  await workbook.xlsx.load((await buffer(await xlsxOfList(walkOf(asked, of), rows))) as never)
  return workbook.worksheets
}

const rowsIn = (sheet: ExcelJS.Worksheet | undefined) => {
  const rows: unknown[][] = []
  sheet?.eachRow((row) => rows.push((row.values as unknown[]).slice(1)))
  return rows
}

test('a spreadsheet has numbers, days and totals as such, and text that looks like a formula as text', async () => {
  const [sheet, about] = await sheetsOf(list)
  expect(rowsIn(sheet)).toEqual([
    ['Town', 'Day', 'Price', 'Payments → Amount', 'Payments'],
    ['=1+1 "Ash"', undefined, undefined, undefined, 0],
    ['=1+1 "Ash"', new Date('2027-03-01'), 12.5, '0.10, -2.50', 2],
    ['=1+1 "Ash"', new Date('2027-03-02'), 999999999999.99, undefined, 0],
    ['All', undefined, { formula: 'SUM(C2:C4)', result: 1000000000012.49 }, undefined, 2],
  ])
  expect(sheet?.getColumn(3).numFmt).toBe('#,##0.00')
  expect(sheet?.getCell('B3').numFmt).toBe('dd/mm/yyyy')
  expect(rowsIn(about)[1]).toEqual([expect.stringMatching(/^Each visit/)])
})

test('a total that is not the sum of what stands above it is no formula', async () => {
  const [firstOnly] = await sheetsOf({ ...list, first: 2 })
  expect(rowsIn(firstOnly).at(-1)![2]).toBe(1000000000012.49)
})

test('what has no room on one sheet goes on to another, and nothing is lost', async () => {
  const [one, two, about] = await sheetsOf(list, 3)
  expect([rowsIn(one).length, rowsIn(two).length, about?.name]).toEqual([3, 3, 'About'])
  expect(rowsIn(two)[0]).toEqual(rowsIn(one)[0])
  expect(rowsIn(two).at(-1)![2]).toBe(1000000000012.49)
})

test('a list without records is a sheet with its headings', async () => {
  const [sheet] = await sheetsOf({ ...list, figures: undefined, where: none })
  expect(rowsIn(sheet)).toEqual([['Town', 'Day', 'Price', 'Payments → Amount', 'Payments']])
})

const none: List['where'] = {
  kind: 'compare',
  place: { way: [], field: 'visit_day' },
  how: 'is',
  with: [{ value: '2001-01-01' }],
}

test('as JSON each record has its values by their headings, several of them as an array', async () => {
  const twice: List = { ...list, columns: [...list.columns, { ...list.columns[4]!, id: 'again' }] }
  expect(JSON.parse(await whole(jsonOfList(walkOf(asked, twice))))[1]).toEqual({
    Town: '=1+1 "Ash"',
    Day: '2027-03-01',
    Price: 12.5,
    'Payments → Amount': [0.1, -2.5],
    Payments: 2,
    'Payments 2': 2,
  })
  expect(JSON.parse(await whole(jsonOfList(walkOf(asked, { ...list, where: none }))))).toEqual([])
})

test('with tabs between them cells keep quotes of their own, and no formula is run', async () => {
  const text = await whole(tabsOfList(walkOf(asked, list)))
  expect(text.split('\r\n')[2]).toBe('"\'=1+1 ""Ash"""\t2027-03-01\t12.50\t0.10, -2.50\t2')
  expect((await whole(csvOfList(walkOf(asked, list)))).split('\r\n')).toHaveLength(5)
})

test('the statements that are shown are ones that the database answers', async () => {
  const sql = sqlOfList(walkOf(asked, { ...list, groups: [{ place: { way: house, field: 'house_town' } }] }))
  expect(sql).toMatch(/^-- The records\nSELECT/)
  const statements = sql.split(/;\n/).filter((one) => one.trim())
  expect(statements.length).toBeGreaterThanOrEqual(4)
  for (const statement of statements) {
    const marks = statement.split('?').length - 1
    await expect(
      selectRowsIn(
        asked,
        statement,
        Array.from({ length: marks }, () => 1),
      ),
    ).resolves.toBeDefined()
  }
})
