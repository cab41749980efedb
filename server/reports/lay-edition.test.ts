import { beforeAll, expect, test } from 'vitest'
import type { List, Report } from '@/core/book'
import { type LaidVisits, laidVisits, list, pagesOf, place, report } from '@/tests/support/laid-visits'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Live } from '../live/live'
import { layReport, wordsOf } from './lay-edition'

let db: Catalogue
let live: Live
let laying: LaidVisits['laying']
beforeAll(async () => {
  ;({ db, live, laying } = await laidVisits('layedition'))
})

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

test('columns that go on beside are offered in two lines a row instead, with what that comes to', async () => {
  const narrow: Report = { ...report, letters: 14, paper: { size: { width: 92, height: 200 }, margin: 18 } }
  const asked = async (own: Report) => {
    const laid = await layReport(
      laying({ report: own }),
      () => undefined,
      () => Promise.resolve(),
    )
    return { ...laid, pages: (await pagesOf(laying({ report: own }))).length }
  }
  const beside = await asked(narrow)
  expect(beside.fitted).toMatchObject({ beside: 2, folded: { lines: 1, isWished: false } })
  const offered = beside.otherwise.find(({ what }) => what === 'folded')
  const folded = await asked({ ...narrow, folded: true })
  expect(offered).toEqual({ what: 'folded', pages: folded.pages, fitted: { ...folded.fitted, lacking: [] } })
  expect(folded.fitted).toMatchObject({ beside: 1, folded: { lines: 2, isWished: true } })
  expect(folded.otherwise.find(({ what }) => what === 'unfolded')?.pages).toBe(beside.pages)
})

test('where what stands above isn’t what it comes to, it is said why, and what it adds up to', async () => {
  await run(db, `UPDATE \`${live.schema}\`.house SET floors = house_number`)
  const floors = { id: 'floors', shows: { kind: 'field' as const, place: place('house_floors', 'visit__house') } }
  const columns = [...list.columns, floors]
  const figures: List['figures'] = [...list.figures!, { column: 'floors', name: 'total' }]
  const own: List = { ...list, columns, figures }
  const said = (await pagesOf(laying({ list: own }))).flat()
  const notes = said.filter((words) => words.includes('add up to'))
  // Three hundred visits in each town, in one house of one, two and three floors; all of their prices are shown.
  const of = (sum: string) => `Floors: each house counts once; the rows above add up to ${sum}.`
  expect(notes).toEqual([of('600'), of('300'), of('900'), of('1,800')])
  const all = said.indexOf('All, 900 visits')
  expect(said.slice(all + 1, all + 3)).toEqual(['409,504.50', '6'])

  const { groups: _groups, ...bare } = list
  const some = (await pagesOf(laying({ list: { ...bare, first: 3 } }))).flat()
  expect(some.filter((words) => words.includes('add up to'))).toEqual([
    'Price: not all of it is shown; the rows above add up to 6.06.',
  ])
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

test('letters that no typeface on paper has are named; those that one of them has are not', async () => {
  const wish = laying({ report: { ...report, name: 'Odd 漢 ế' } })
  const { fitted } = await layReport(
    wish,
    () => undefined,
    () => Promise.resolve(),
  )
  expect(fitted.lacking).toEqual(['漢'])
})

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
