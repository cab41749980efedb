import ExcelJS from 'exceljs'
import { beforeAll, expect, test } from 'vitest'
import type { List, Report } from '@/core/book'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { askedDesign } from '@/tests/support/asked-design'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Live } from '../live/live'
import { dropEdition, editionNow, editionPage, editionPdf, reportFile, startEdition } from '.'
import { type Laid, layReport, type Laying, reportWork, wordsOf } from './lay-edition'
import { BeingOpened, lettingGo } from './work'

let db: Catalogue
let live: Live
const averil = 'averil'

beforeAll(async () => {
  db = await testCatalogue('editions')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Asked', askedDesign))
  const at = (name: string) => `\`${live.schema}\`.${name}`
  await run(db, `INSERT INTO ${at('house')} (house_number, town) VALUES (1, 'Otterby'), (2, 'Ash'), (3, 'Saltmere')`)
  await run(
    db,
    `INSERT INTO ${at('visit')} (visit_number, day, state, price, house)
     SELECT seq, DATE_ADD('2027-01-01', INTERVAL seq DAY), 'done', seq * 1.01, 1 + seq MOD 3 FROM ${at('seq_1_to_900')}`,
  )
})

const place = (field: string, ...way: string[]) => ({
  way: way.map((one) => ({ to: 'one' as const, field: one })),
  field,
})
const list: List = {
  id: 'list',
  table: 'visit',
  name: 'Visits',
  columns: [
    { id: 'number', shows: { kind: 'field', place: place('visit-key') } },
    { id: 'day', shows: { kind: 'field', place: place('visit_day') } },
    { id: 'price', shows: { kind: 'field', place: place('visit_price') } },
  ],
  asks: [],
  order: [{ column: 'number' }],
  groups: [{ place: place('house_town', 'visit__house') }],
  figures: [{ column: 'price', name: 'total' }],
}
const report: Report = {
  id: 'report',
  list: 'list',
  paper: { size: 'a4', margin: 18 },
  letters: 9,
  rows: 'lines',
  room: 'usual',
}
const laying = (more: Partial<Laying> = {}): Laying => ({
  reads: { db, live },
  list,
  report,
  answers: { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [list] },
  who: 'Averil',
  ...more,
})

/** All texts of an edition, page by page. */
async function pagesOf(wish: Laying): Promise<string[][]> {
  const pages: string[][] = []
  await layReport(
    wish,
    () => undefined,
    (some) => {
      for (const { items } of some) pages.push(items.flatMap((item) => (item.kind === 'text' ? [item.words] : [])))
      return Promise.resolve()
    },
  )
  return pages
}

async function finished(id: string) {
  for (;;) {
    const now = editionNow(id, averil, 'book')
    if (now?.laid || now?.problem) return now
    await new Promise((later) => setTimeout(later, 20))
  }
}

test('every record is on paper once, and each group and all of them come to what the database says, to the penny', async () => {
  const said = (await pagesOf(laying())).flat()
  const numbers = said.filter((words) => /^\d+$/.test(words)).map(Number)
  expect([...numbers].sort((a, b) => a - b)).toEqual(Array.from({ length: 900 }, (_, at) => at + 1))
  const sums = await select<{ town: string; total: string; many: number }>(
    db,
    `SELECT h.town, FORMAT(SUM(v.price), 2) AS total, COUNT(*) AS many FROM \`${live.schema}\`.visit v JOIN \`${live.schema}\`.house h ON h.house_number = v.house GROUP BY h.town`,
  )
  expect(sums).toHaveLength(3)
  for (const { town, total, many } of sums) {
    const at = said.indexOf(`${town}, ${many} visits`)
    expect(said[at + 1]).toBe(total)
  }
  const [all] = await select<{ total: string }>(
    db,
    `SELECT FORMAT(SUM(price), 2) AS total FROM \`${live.schema}\`.visit`,
  )
  expect(said.slice(said.indexOf('All, 900 visits')).slice(0, 2)).toEqual(['All, 900 visits', all!.total])
})

test('what rows come to so far is carried from page to page, to the penny, with groups and without', async () => {
  for (const groups of [list.groups, undefined]) {
    const own: List = { ...list, groups }
    const pages = await pagesOf(laying({ list: own, report: { ...report, carried: true } }))
    expect(pages.length).toBeGreaterThan(5)
    let sum = 0
    const after = (page: readonly string[], words: string) => page[page.indexOf(words) + 1]
    for (const [at, page] of pages.entries()) {
      const isLast = at === pages.length - 1
      const shown = (pence: number) =>
        (pence / 100).toLocaleString('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
      if (at > 0) expect(after(page, 'Brought forward')).toBe(shown(sum))
      const numbers = page.flatMap((words, place) =>
        /^\d+$/.test(words) ? [Number(page[place + 2]?.replace(',', ''))] : [],
      )
      sum = numbers.reduce((total, price) => total + Math.round(price * 100), sum)
      if (isLast) expect(page).not.toContain('Carried forward')
      else expect(after(page, 'Carried forward')).toBe(shown(sum))
    }
    const [all] = await select<{ pence: string }>(db, `SELECT SUM(price) * 100 AS pence FROM \`${live.schema}\`.visit`)
    expect(sum).toBe(Math.round(Number(all!.pence)))
  }
  // Nothing is carried where nothing is added up.
  const { figures: _figures, ...bare } = list
  expect((await pagesOf(laying({ list: bare, report: { ...report, carried: true } }))).flat()).not.toContain(
    'Carried forward',
  )
})

test('a group that begins a page says on later ones which page of it that is', async () => {
  const said = (await pagesOf(laying({ report: { ...report, apart: true } }))).flat()
  expect(said.filter((words) => /^Ash, page \d+$/.test(words)).slice(0, 2)).toEqual(['Ash, page 2', 'Ash, page 3'])
})

test('columns stand on paper in the order that is wished there', async () => {
  const headings = async (more: Partial<Report>) =>
    (await pagesOf(laying({ report: { ...report, ...more } })))[0]!.filter((words) =>
      ['Visit number', 'Day', 'Price'].includes(words),
    )
  expect(await headings({})).toEqual(['Visit number', 'Day', 'Price'])
  expect(await headings({ order: ['price', 'gone', 'number'] })).toEqual(['Price', 'Visit number', 'Day'])
  expect(await headings({ order: ['price'], without: ['price'] })).toEqual(['Visit number', 'Day'])
})

test('a chart names each group with what the database says, before the rows or without them', async () => {
  const drawn: List = { ...list, shown: { as: 'chart', chart: 'bars', of: { column: 'price' } } }
  const sums = await select<{ town: string; total: string }>(
    db,
    `SELECT h.town, FORMAT(SUM(v.price), 2) AS total FROM \`${live.schema}\`.visit v JOIN \`${live.schema}\`.house h ON h.house_number = v.house GROUP BY h.town ORDER BY h.town`,
  )
  const whole = await pagesOf(laying({ list: drawn }))
  const [first] = whole
  const from = first!.indexOf('Total of price by town of its house')
  const chart = first!.slice(from + 1, from + 1 + 2 * sums.length)
  expect(chart).toEqual(sums.flatMap(({ town, total }) => [total, town]))
  expect(whole.flat().filter((words) => /^\d+$/.test(words))).toHaveLength(900)
  const alone = (await pagesOf(laying({ list: drawn, report: { ...report, chart: 'alone' } }))).flat()
  expect(alone).toContain('Total of price by town of its house')
  expect(alone.filter((words) => /^\d+$/.test(words))).toEqual([])
  // Where the list itself is not shown so, the one that fits is drawn.
  const wished = (await pagesOf(laying({ report: { ...report, chart: 'with' } })))[0]!
  expect(wished).toContain('Total of price by town of its house')
  for (const { town, total } of sums)
    expect(wished[wished.indexOf(town) - 1]).toMatch(new RegExp(`^${total} · 33\\.\\d%$`))
  const without = (await pagesOf(laying({ list: drawn, report: { ...report, chart: 'none' } }))).flat()
  expect(without).not.toContain('Total of price by town of its house')
})

test('two groups crossed are a table, each cell what the database says', async () => {
  const crossed: List = {
    ...list,
    groups: [{ place: place('house_town', 'visit__house') }, { place: place('visit_day'), step: 'year' }],
    shown: { as: 'crossed', of: { column: 'price' } },
  }
  const said = (await pagesOf(laying({ list: crossed }))).flat()
  const cells = await select<{ town: string; year: number; total: string }>(
    db,
    `SELECT h.town, YEAR(v.day) AS year, FORMAT(SUM(v.price), 2) AS total FROM \`${live.schema}\`.visit v JOIN \`${live.schema}\`.house h ON h.house_number = v.house GROUP BY h.town, year ORDER BY h.town, year`,
  )
  const years = [...new Set(cells.map(({ year }) => String(year)))].sort()
  expect(years.length).toBeGreaterThan(2)
  for (const town of ['Ash', 'Otterby', 'Saltmere']) {
    const own = cells.filter((cell) => cell.town === town)
    const at = said.indexOf(town)
    expect(said.slice(at + 1, at + 1 + years.length)).toEqual(own.map(({ total }) => total))
  }
  const [all] = await select<{ total: string }>(
    db,
    `SELECT FORMAT(SUM(price), 2) AS total FROM \`${live.schema}\`.visit`,
  )
  expect(said.slice(said.indexOf('All, 900 visits')).at(1 + years.length)).toBe(all!.total)
})

test('all records of an edition are of one moment, whatever is saved while it is laid', async () => {
  let isFirst = true
  const numbers: string[] = []
  await layReport(
    laying(),
    () => undefined,
    async (some) => {
      if (isFirst) {
        isFirst = false
        await run(db, `UPDATE \`${live.schema}\`.visit SET price = price + 1000`)
      }
      for (const { items } of some)
        numbers.push(
          ...items.flatMap((item) => (item.kind === 'text' && /^[\d,]+\.\d\d$/.test(item.words) ? [item.words] : [])),
        )
    },
  )
  await run(db, `UPDATE \`${live.schema}\`.visit SET price = price - 1000`)
  // A cent over each number from 1 to 900, and the sums of three towns and of all.
  expect(numbers).toHaveLength(904)
  const all = numbers.map((words) => Number(words.replaceAll(',', ''))).sort((a, b) => a - b)
  expect(all[899]).toBe(909)
  expect(all.slice(900, 903).reduce((sum, one) => sum + one, 0)).toBeCloseTo(all[903]!, 2)
})

test('an edition is read page by page, by who asked for it alone, and goes when it is no longer wanted', async () => {
  const { id } = await startEdition('book', averil, () => reportWork(laying()))
  const now = await finished(id)
  expect((now.laid as Laid).fitted).toMatchObject({ rows: 900, beside: 1 })
  expect(now.pages).toBeGreaterThan(15)
  const last = await editionPage(id, averil, 'book', now.pages - 1)
  expect(JSON.stringify(last)).toContain(`Page ${now.pages} of ${now.pages}`)
  expect(await editionPage(id, averil, 'book', now.pages)).toBe(undefined)
  for (const [account, book] of [
    ['bram', 'book'],
    [averil, 'another'],
  ] as const) {
    expect(editionNow(id, account, book)).toBe(undefined)
    expect(await editionPage(id, account, book, 0)).toBe(undefined)
    expect(editionPdf(id, account, book, 'Bram')).toBe(undefined)
  }
  await dropEdition(id, 'bram')
  expect(editionNow(id, averil, 'book')).toBeDefined()
  await dropEdition(id, averil)
  expect(editionNow(id, averil, 'book')).toBe(undefined)
})

test('the oldest of one person go, so that what waits never grows', async () => {
  const ids: string[] = []
  for (let at = 0; at < 9; at++) {
    const { id } = await startEdition('book', averil, () => reportWork(laying()))
    await finished(id)
    ids.push(id)
  }
  expect(ids.map((id) => editionNow(id, averil, 'book') !== undefined)).toEqual([
    ...[false, false, false],
    ...[true, true, true, true, true, true],
  ])
  for (const id of ids) await dropEdition(id, averil)
})

test('a list that takes too long, or is stopped, says so in words', async () => {
  const { id } = await startEdition('book', averil, () =>
    reportWork(laying({ reads: { db, live: { ...live, schema: 'nowhere' } } })),
  )
  expect((await finished(id)).problem).toEqual({ kind: 'unexpected' })
  await dropEdition(id, averil)
})

test('a table that is missing while the book is opened is told so', async () => {
  const missing = { db, live: { ...live, schema: 'nowhere' } }
  const { id } = await startEdition('book', averil, () =>
    reportWork(laying({ reads: missing, isOpening: () => Promise.resolve(true) })),
  )
  expect((await finished(id)).problem).toEqual({ kind: 'being-opened', book: live.book.name })
  await dropEdition(id, averil)
})

test('letters that no typeface on paper has are named; those that one of them has are not', async () => {
  const wish = laying({ report: { ...report, name: 'Odd 漢 ế' } })
  const { fitted } = await layReport(
    wish,
    () => undefined,
    () => Promise.resolve(),
  )
  expect(fitted.lacking).toEqual(['漢'])
})

test('the PDF holds the words of its pages, and its title', async () => {
  const { id } = await startEdition('book', averil, () => reportWork(laying()))
  await finished(id)
  const made = editionPdf(id, averil, 'book', 'Averil')
  const parts: Buffer[] = []
  for await (const part of made!.pdf) parts.push(part as Buffer)
  const pdf = Buffer.concat(parts).toString('latin1')
  expect(made!.title).toBe('Visits')
  expect(pdf.startsWith('%PDF-1.7')).toBe(true)
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(editionNow(id, averil, 'book')!.pages)
  await dropEdition(id, averil)
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

test('what was answered stands in the heading: days as they are meant, records as they are called', () => {
  const asks = [
    { id: 'when', words: 'Day', place: place('visit_day'), start: 'this month' },
    { id: 'which', words: 'House', place: place('visit__house') },
    { id: 'state', words: 'State', place: place('visit_state') },
  ]
  const of = (given: Record<string, string>, called: Record<string, string> = {}) =>
    wordsOf(
      laying({ list: { ...list, asks }, answers: { given, now: { moment: '2027-03-12T10:00' }, lists: [] }, called }),
    ).asked.slice(1)
  expect(of({})).toEqual(['Day: March 2027'])
  expect(of({ when: '', which: '1', state: 'done' }, { which: 'Otterby' })).toEqual(['House: Otterby', 'State: done'])
  expect(of({ when: '2027-01-01/2027-01-07' })).toEqual(['Day: 1 Jan 2027 to 7 Jan 2027'])
})

test('what is laid where another was looked at comes in its place, also while that is still being laid', async () => {
  const started = await Promise.all(
    Array.from({ length: 5 }, () => startEdition('book', averil, () => reportWork(laying()), 'one view')),
  )
  const last = await startEdition('book', averil, () => reportWork(laying()), 'one view')
  expect((await finished(last.id)).laid).toBeDefined()
  const others = await startEdition('book', averil, () => reportWork(laying()), 'another view')
  expect((await finished(others.id)).laid).toBeDefined()
  expect(started.map(({ id }) => editionNow(id, averil, 'book'))).toEqual(started.map(() => undefined))
  expect(editionNow(last.id, averil, 'book')).toBeDefined()
  for (const { id } of [last, others]) await dropEdition(id, averil)
})

test('few are laid at once, and each has its turn', async () => {
  let [now, most] = [0, 0]
  const isOpening = async () => {
    most = Math.max(most, ++now)
    await new Promise((later) => setTimeout(later, 30))
    now--
    return false
  }
  const wish = () => reportWork(laying({ isOpening }))
  const all = await Promise.all(Array.from({ length: 5 }, (_, at) => startEdition('book', `person ${at}`, wish)))
  for (const [at, { id }] of all.entries()) {
    const person = `person ${at}`
    while (!editionNow(id, person, 'book')?.laid) await new Promise((later) => setTimeout(later, 20))
    await dropEdition(id, person)
  }
  expect(most).toBeLessThanOrEqual(2)
})

test('while its book is opened a report lets go, and says so', async () => {
  const release = lettingGo({ isOpening: () => Promise.resolve(true) })
  await release()
  await new Promise((later) => setTimeout(later, 1100))
  await expect(release()).rejects.toThrow(BeingOpened)
})
