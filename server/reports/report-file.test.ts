import ExcelJS from 'exceljs'
import { beforeAll, expect, test } from 'vitest'
import type { List } from '@/core/book'
import { type LaidVisits, laidVisits, list, place, report } from '@/tests/support/laid-visits'
import type { Catalogue } from '../catalogue'
import { select } from '../database'
import type { Live } from '../live/live'
import { reportFile } from '.'
import { type Laying } from './lay-edition'

let db: Catalogue
let live: Live
let laying: LaidVisits['laying']
beforeAll(async () => {
  ;({ db, live, laying } = await laidVisits('reportfile'))
})

test('as a spreadsheet its groups are levels of an outline, and sums are formulas that come to what the database says', async () => {
  const { name, file } = await reportFile(
    laying({ report: { ...report, paper: { size: 'a5', margin: 20, turned: true } } }),
    'xlsx',
  )
  const workbook = new ExcelJS.Workbook()
  await workbook.xlsx.read(file)
  const sheet = workbook.worksheets[0]!
  expect([name, sheet.name]).toEqual(['Visits', 'Visits'])
  expect(sheet.pageSetup).toMatchObject({
    orientation: 'landscape',
    paperSize: 11,
    fitToWidth: 1,
    printTitlesRow: '1:1',
  })
  const rows = Array.from({ length: sheet.rowCount }, (_, at) => sheet.getRow(at + 1))
  const group = rows.findIndex((row) => row.getCell(1).value === 'Ash')
  expect(rows.slice(group, group + 3).map(({ outlineLevel }) => outlineLevel)).toEqual([0, 1, 1])
  const sumAt = rows.findIndex((row) => row.getCell(1).value === 'Ash, 300 visits')
  const { formula, result } = rows[sumAt]!.getCell(3).value as { formula: string; result: number }
  expect(formula).toBe(`SUBTOTAL(9,C${group + 1}:C${sumAt})`)
  const above = rows.slice(group + 1, sumAt).reduce((sum, row) => sum + Number(row.getCell(3).value), 0)
  expect(above).toBeCloseTo(result, 6)
  const last = rows.at(-1)!.getCell(3).value as { formula: string; result: number }
  expect(last.formula).toBe(`SUBTOTAL(9,C2:C${rows.length - 1})`)
  expect(rows[group + 1]!.getCell(2).value).toBeInstanceOf(Date)
})

async function textOf(wish: Laying, as: 'csv' | 'html'): Promise<string> {
  const { file } = await reportFile(wish, as)
  const parts: Buffer[] = []
  for await (const part of file) parts.push(part as Buffer)
  return Buffer.concat(parts).toString('utf8')
}

test('as CSV it has the columns of the paper in their order, its groups before them', async () => {
  const lines = (await textOf(laying({ report: { ...report, order: ['price'], without: ['day'] } }), 'csv'))
    .trim()
    .split(/\r?\n/)
  expect(lines[0]).toBe('Town,Price,Visit number')
  expect(lines).toHaveLength(901)
  const [own] = await select<{ town: string; price: string }>(
    db,
    `SELECT h.town, v.price FROM \`${live.schema}\`.visit v JOIN \`${live.schema}\`.house h ON h.house_number = v.house WHERE v.visit_number = 7`,
  )
  expect(lines).toContain(`${own!.town},${own!.price},7`)
})

test('as a web page it has every record once and what groups come to, and nothing that is written runs in it', async () => {
  const odd = { name: '<script>alert(1)</script> & "co"', opening: 'First <b>\nsecond' }
  const page = await textOf(laying({ report: { ...report, ...odd } }), 'html')
  expect(page).not.toMatch(/<script|<b>|https?:/)
  expect(page).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;co&quot;')
  expect(page).toContain('First &lt;b&gt;<br>second')
  expect(page.match(/<tr><td>\d+<\/td>/g)).toHaveLength(900)
  const [all] = await select<{ total: string }>(
    db,
    `SELECT FORMAT(SUM(price), 2) AS total FROM \`${live.schema}\`.visit`,
  )
  expect(page).toContain(`<td class="n">${all!.total}</td>`)
  const none = await textOf(laying({ list: { ...list, where: nobody } }), 'html')
  expect(none).toContain('No visit is like that.')
})

const nobody: List['where'] = { kind: 'compare', place: place('visit-key'), how: 'is', with: [{ value: '0' }] }
