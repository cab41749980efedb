import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { evenWidth } from '../letters'
import { expectNothingOnAnother, oddLetter, oddPaper, textsOn } from '@/tests/support/page-laws'
import { runs } from '@/tests/support/runs'
import { around, ReportLayer, type ReportLook, type ReportWords } from './lay-report'
import type { Page } from './page'
import type { PaperColumn, PaperPart } from './table'

const words: ReportWords = {
  title: 'Visits by town',
  asked: ['Each visit, by day.'],
  book: 'Emberly Flue Care',
  day: '12 Mar 2027',
  who: 'Made for Averil Teal',
  none: 'Nothing is like that.',
}
const look: ReportLook = { paper: { size: 'a4', margin: 18 }, letters: 9, rows: 'lines', room: 'usual' }

function laid(
  columns: readonly PaperColumn[],
  parts: readonly PaperPart[],
  more: Partial<ReportLook> = {},
  said = words,
) {
  const pages: Page[] = []
  const sample = parts.flatMap((part) => (part.kind === 'row' ? [part.cells] : [])).slice(0, 300)
  const layer = new ReportLayer(columns, sample, { ...look, ...more }, said, (page) => pages.push(page))
  parts.forEach((part) => layer.part(part))
  layer.end()
  return { pages, layer }
}
const linesOf = (page: Page) => textsOn(page).map(({ words: said }) => said)

const column = (id: string, whole = false): PaperColumn => ({
  id,
  heading: `The ${id}`,
  align: whole ? 'end' : 'start',
  whole,
})
const columns = [column('visit'), column('premises'), column('price', true)]
const row = (at: number): PaperPart => ({ kind: 'row', cells: [`V-${at}`, `${at} Quay Lane, Otterby`, `${at}.50`] })
const rows = (many: number) => Array.from({ length: many }, (_, at) => row(at + 1))
const group = (level: number, name: string): PaperPart => ({ kind: 'group', level, words: name })
const sum = (level: number | undefined, name: string): PaperPart => ({
  kind: 'sum',
  ...(level !== undefined && { level }),
  words: name,
  cells: ['', '', '99.00'],
})

describe('pages break as a typesetter would', () => {
  test('a heading never stands alone at the foot of a page: its first two rows are with it', () => {
    // However full the page is when the next group begins.
    for (let many = 20; many < 60; many++) {
      const parts = [group(0, 'Otterby'), ...rows(many), group(0, 'Saltmere'), ...rows(5)]
      const { pages } = laid(columns, parts)
      const page = pages.findIndex((one) => linesOf(one).includes('Saltmere'))
      const after = linesOf(pages[page]!)
      expect(
        after
          .slice(after.indexOf('Saltmere'))
          .filter((one) => /^V-/.test(one))
          .slice(0, 2),
      ).toEqual(['V-1', 'V-2'])
    }
  })

  test('what a group comes to stands with its last row', () => {
    for (let many = 20; many < 70; many++) {
      const { pages } = laid(columns, [
        group(0, 'Otterby'),
        ...rows(many),
        sum(0, 'Otterby, all'),
        sum(undefined, 'All'),
      ])
      const last = linesOf(pages.at(-1)!)
      expect(last).toEqual(expect.arrayContaining([`V-${many}`, 'Otterby, all', 'All']))
    }
  })

  test('on the next page the columns have their headings again, and the group says that it goes on', () => {
    const { pages } = laid(columns, [group(0, 'Otterby'), group(1, 'March'), ...rows(200)])
    expect(pages.length).toBeGreaterThan(3)
    for (const page of pages.slice(1))
      expect(linesOf(page)).toEqual(
        expect.arrayContaining(['The visit', 'The price', 'Otterby, continued', 'March, continued']),
      )
    expect(linesOf(pages[0]!).filter((one) => one.includes('continued'))).toEqual([])
  })

  test('each outermost group begins a page where that is wished, and no page is empty', () => {
    const parts = ['Otterby', 'Saltmere', 'Ash'].flatMap((name) => [group(0, name), ...rows(3), sum(0, `${name}, all`)])
    const { pages } = laid(columns, parts, { apart: true })
    expect(pages.map((page) => linesOf(page).find((one) => /^(Otterby|Saltmere|Ash)$/.test(one)))).toEqual([
      'Otterby',
      'Saltmere',
      'Ash',
    ])
  })

  test('a row higher than a page goes on where a line ends, and nothing of it is lost', () => {
    const long = Array.from({ length: 3000 }, (_, at) => `word${at}`).join(' ')
    const { pages } = laid(columns, [group(0, 'Otterby'), { kind: 'row', cells: ['V-1', long, '1.00'] }, row(2)])
    expect(pages.length).toBeGreaterThan(2)
    const all = pages
      .flatMap(linesOf)
      .filter((one) => one.startsWith('word'))
      .join(' ')
    expect(all).toBe(long)
  })
})

test('columns that don’t fit side by side go on on a page beside, the first column on each, row by row at one height', () => {
  const many = Array.from({ length: 14 }, (_, at) => column(`c${at}`, true))
  const parts = Array.from({ length: 60 }, (_, at): PaperPart => ({
    kind: 'row',
    cells: many.map((_, place) => `${1000 * at + place},000,000.00`),
  }))
  const { pages, layer } = laid(many, parts)
  const { sets } = layer.fit
  expect(sets.length).toBeGreaterThan(1)
  expect(sets.every(({ columns: [first] }) => first === 0)).toBe(true)
  expect(sets.flatMap(({ columns: places }) => places.slice(1))).toEqual(many.map((_, at) => at).slice(1))
  expect(pages.length % sets.length).toBe(0)
  const heights = (page: Page) =>
    textsOn(page)
      .filter(({ words: said }) => /,000,000\.00$/.test(said))
      .map(({ y }) => y)
  const [one, beside] = [new Set(heights(pages[0]!)), new Set(heights(pages[1]!))]
  expect([...beside]).toEqual([...one])
})

test('rows that stand in two lines have all their columns on one page, headings and sums alike', () => {
  const many = Array.from({ length: 10 }, (_, at) => column(`c${at}`, true))
  const cells = (row: number) => many.map((_, place) => `${row}${place},000,000.00`)
  const parts = [1, 2, 3].map((at): PaperPart => ({ kind: 'row', cells: cells(at) }))
  const all: PaperPart = { kind: 'sum', words: 'All', cells: many.map((_, at) => (at === 7 ? '777.00' : '')) }
  const { pages, layer } = laid(many, [...parts, all], { folded: true })
  expect(laid(many, parts).layer.fitted.beside).toBeGreaterThan(1)
  expect(layer.fitted).toMatchObject({ beside: 1, folded: { lines: 2, isWished: true }, smaller: 0 })
  expect(pages).toHaveLength(1)
  const texts = textsOn(pages[0]!)
  const at = (said: string) => texts.find((one) => one.words === said)!
  const right = ({ x, words: said, size, bold }: (typeof texts)[number]) =>
    x + evenWidth(said, size, bold ? 'bold' : 'regular')
  const [first, second] = layer.fit.sets
  expect([...first!.columns, ...second!.columns]).toEqual(many.map((_, place) => place))
  for (const row of [1, 2, 3]) {
    const heights = cells(row).map((said) => at(said).y)
    expect(new Set(heights.slice(0, second!.columns[0])).size).toBe(1)
    expect(heights[second!.columns[0]!]).toBeCloseTo(heights[0]! + layer.measures.lead, 3)
    // Numbers stand under numbers, and those under what they are called and come to.
    expect(right(at(cells(row)[7]!))).toBeCloseTo(right(at('777.00')), 3)
    expect(right(at(cells(row)[7]!))).toBeCloseTo(right(at('The c7')), 3)
  }
  expect(at('All').y).toBeLessThan(at('777.00').y)
})

test('a second line in which nothing stands isn’t there', () => {
  const parts = [1, 2, 3].map((at): PaperPart => ({
    kind: 'row',
    cells: [`V-${at}`, 'Quay Lane', at === 2 ? '' : '9.50'],
  }))
  const { pages, layer } = laid(columns, parts, { folded: true })
  const heights = textsOn(pages[0]!).flatMap(({ words: said, y }) => (/^V-/.test(said) ? [y] : []))
  const [, second = 0, third = 0] = heights
  expect(second - heights[0]! - (third - second)).toBeCloseTo(layer.measures.lead, 3)
})

test('the head and the foot of a page say which it is of how many', () => {
  const { layer } = laid(columns, rows(3))
  const said = (at: number, pages?: number) =>
    around(layer.measures, words, at, pages).flatMap((item) => (item.kind === 'text' ? [item.words] : []))
  expect(said(1, 4)).toEqual([
    'Visits by town',
    'Emberly Flue Care · 12 Mar 2027',
    'Made for Averil Teal',
    'Page 2 of 4',
  ])
  expect(said(0)).toEqual(['Emberly Flue Care · 12 Mar 2027 · Made for Averil Teal', 'Page 1'])
})

test('months stand under months, whether a day has one figure or two, also where that makes it wrap', () => {
  const days = ['1 Mar 2027', '12 Mar 2027', '3 Mar 2027, 09:00'].map((day): PaperPart => ({
    kind: 'row',
    cells: [day],
  }))
  const monthAt = (at: number, { pages }: ReturnType<typeof laid>) => {
    const item = textsOn(pages[0]!).find(({ words: said }) => said.startsWith(['1 Mar', '12 Mar', '3 Mar'][at]!))!
    return item.x + evenWidth(item.words.slice(0, item.words.indexOf('M')), item.size)
  }
  const wide = laid([{ id: 'day', heading: 'Day', align: 'day', whole: false }], days)
  expect(monthAt(0, wide)).toBeCloseTo(monthAt(1, wide), 3)
  expect(monthAt(2, wide)).toBeCloseTo(monthAt(1, wide), 3)
})

test('a page knows where on it stands what', () => {
  const parts = [group(0, 'Otterby'), ...rows(3), sum(0, 'Otterby, all')]
  const said = { ...words, opening: 'Dear all', closing: 'Yours', letterhead: { name: 'Emberly', lines: [] } }
  const { pages } = laid(columns, parts, {}, said)
  const [page] = pages
  const order = ['letterhead', 'heading', 'opening', 'columns', 'groups', 'rows', 'groups', 'closing']
  expect(page?.areas.map(({ part }) => part)).toEqual(order)
  const area = page?.areas.find(({ part }) => part === 'closing')
  const at = textsOn(page!).find(({ words: one }) => one === 'Yours')!
  expect(at.y).toBeGreaterThan(area!.from)
  expect(at.y).toBeLessThan(area!.until)
})

test('headings and lines have the office’s colours where it has some, and nothing else has', () => {
  const letterhead = { name: 'Emberly', lines: ['Otterby'], colours: { words: '#7d3b24', lines: '#14625c' } }
  const parts = [group(0, 'Saltmere'), ...rows(2), sum(0, 'Saltmere, all')]
  const { pages, layer } = laid(columns, parts, {}, { ...words, letterhead })
  const [page] = pages
  const coloured = (colour: string | undefined) =>
    textsOn(page!).flatMap((item) => (item.colour === colour ? [item.words] : []))
  expect(coloured('#7d3b24')).toEqual(['Emberly', 'Visits by town', 'Saltmere'])
  expect(coloured(undefined)).toEqual(expect.arrayContaining(['Otterby', 'The visit', 'V-1', 'Saltmere, all']))
  const lines = (items: Page['items']) =>
    items.flatMap((item) => (item.kind === 'line' && item.colour ? [item.colour] : []))
  expect(lines(page!.items)).toEqual(['#14625c'])
  expect(lines(around(layer.measures, words, 1, 2))).toEqual(['#14625c', '#14625c'])
  const plain = laid(columns, parts)
  expect(plain.pages.flatMap(({ items }) => items).filter((item) => 'colour' in item && item.colour)).toEqual([])
})

test('what no paper shows is not there, and moves nothing', () => {
  const shown = (text: string) => linesOf(laid([column('name')], [{ kind: 'row', cells: [text] }]).pages[0]!)
  expect(shown('Otter\u200bby\u202e Mill\u00ad\tBank')).toContain('Otterby Mill Bank')
})

test('all of the office’s own line stands at the foot, however narrow the paper', () => {
  const foot = Array.from({ length: 40 }, (_, at) => `word${at}`).join(' ')
  const said = { ...words, letterhead: { lines: [], foot } }
  const { layer } = laid(columns, rows(3), { paper: { size: { width: 90, height: 300 }, margin: 10 } }, said)
  const lines = around(layer.measures, said, 0, 1).flatMap((item) => (item.kind === 'text' ? [item.words] : []))
  expect(lines.join(' ')).toContain(foot)
})

test('letters that the typefaces may lack are named, from the heading and from the rows', () => {
  const said = { ...words, title: 'Odd 漢' }
  const { layer } = laid([column('name')], [{ kind: 'row', cells: ['Ωmega é 👩‍🚒'] }], {}, said)
  expect(layer.fitted.lacking).toEqual(['漢', '👩‍🚒'])
  expect(laid([column('name')], [{ kind: 'row', cells: ['Ωmega é'] }]).layer.fitted.lacking).toEqual([])
})

test('an empty list says so', () => {
  const { pages } = laid(columns, [sum(undefined, 'All')])
  expect(linesOf(pages[0]!)).toContain('Nothing is like that.')
})

// Whatever stands in them, in whatever columns, on whatever paper.
const text = fc.string({ unit: oddLetter, maxLength: 60 })
const number = fc.integer({ min: -1e9, max: 1e9 }).map((value) => (value / 100).toFixed(2))
const cases = fc.integer({ min: 1, max: 12 }).chain((many) =>
  fc.record({
    kinds: fc.array(fc.boolean(), { minLength: many, maxLength: many }),
    rows: fc.array(fc.array(fc.tuple(text, number), { minLength: many, maxLength: many }), { maxLength: 60 }),
    every: fc.integer({ min: 1, max: 20 }),
    /** Widths are told by some rows, and hold for all. */
    sampled: fc.integer({ min: 1, max: 60 }),
    look: fc.record({
      paper: oddPaper,
      letters: fc.constantFrom(6, 7.5, 9, 12, 14),
      rows: fc.constantFrom('lines' as const, 'tint' as const, 'none' as const),
      room: fc.constantFrom('tight' as const, 'usual' as const, 'wide' as const),
      apart: fc.option(fc.constant(true as const), { nil: undefined }),
      folded: fc.option(fc.constant(true as const), { nil: undefined }),
    }),
    title: fc.string({ unit: oddLetter, minLength: 1, maxLength: 200 }),
  }),
)

test('nothing is cut off: all stands within the margins, and nothing on anything else', () => {
  fc.assert(
    fc.property(cases, ({ kinds, rows: all, every, sampled, look: wished, title }) => {
      const own = kinds.map((whole, at) => column(`c${at}`, whole))
      const cells = all.map((one) => one.map(([said, value], at) => (kinds[at] ? value : said)))
      const parts = cells.flatMap((one, at): PaperPart[] => [
        ...(at % every === 0 ? [group(0, `Group ${at}`)] : []),
        { kind: 'row', cells: one, adds: ['12.50'] },
        ...(at % every === every - 1 || at === cells.length - 1
          ? [{ ...sum(0, `Sum ${at}`), ...(at % 2 === 0 && { notes: [title, 'Price: rounded.'] }) }]
          : []),
      ])
      const isCarried = kinds.includes(true) && every % 2 === 0
      const carrying = { places: [kinds.indexOf(true)], write: (_at: number, total: string) => total }
      const pages: Page[] = []
      const letterhead = { name: title, lines: [title, 'Otterby'], foot: title }
      const said = { ...words, title, letterhead }
      const layer = new ReportLayer(
        own,
        cells.slice(0, sampled),
        { ...wished, ...(isCarried && { carried: true }) },
        said,
        (page) => pages.push(page),
        carrying,
      )
      parts.forEach((part) => layer.part(part))
      layer.end()
      const { frame, page: sheet } = layer.measures
      // On paper that has room for little more than its head and foot, a line may stand in the margin.
      const isRoomy = frame.bottom - frame.top > 24 * wished.letters
      for (const { items } of pages)
        for (const item of items) {
          if (item.kind !== 'text') continue
          const isOneLetter = [...new Intl.Segmenter('en').segment(item.words)].length === 1
          const right = item.x + evenWidth(item.words, item.size, item.bold ? 'bold' : 'regular')
          expect(item.x).toBeGreaterThanOrEqual(frame.left - 0.1)
          if (!isOneLetter) expect(right).toBeLessThanOrEqual(frame.left + frame.width + 0.1)
          const foot = isRoomy ? frame.bottom - 2.4 * wished.letters : sheet.height
          expect(item.y).toBeLessThanOrEqual(foot + 0.1)
        }
      for (const [at, { items }] of pages.entries()) {
        const beyond = isRoomy ? around(layer.measures, said, at, pages.length) : []
        expectNothingOnAnother(textsOn({ items: [...items, ...beyond] }))
      }
    }),
    runs(250),
  )
})

test('every letter of every cell is on the pages, once', () => {
  fc.assert(
    fc.property(cases, ({ kinds, rows: all, sampled, look: wished }) => {
      const own = kinds.map((whole, at) => ({ ...column(`c${at}`, whole), heading: '' }))
      const cells = all.map((one) => one.map(([said, value], at) => (kinds[at] ? value : said)))
      const pages: Page[] = []
      const said = { ...words, title: '•', asked: [], none: '' }
      const layer = new ReportLayer(own, cells.slice(0, sampled), wished, said, (page) => pages.push(page))
      cells.forEach((one) => layer.part({ kind: 'row', cells: one }))
      layer.end()
      // Where columns go on beside, the first of them is on each page.
      const { sets } = layer.fit
      const repeated = sets
        .slice(1)
        .flatMap(({ columns: [first] }) => (sets[0]!.columns.includes(first!) ? [first!] : []))
      const expected = [...cells.flat(), ...cells.flatMap((one) => repeated.map((at) => one[at]!))]
      const lettersOf = (texts: readonly string[]) =>
        [...texts.join('').replace(/[\s•\u200b\u00ad\u202e]/gu, '')].sort().join('')
      expect(lettersOf(pages.flatMap(linesOf))).toBe(lettersOf(expected))
    }),
    runs(250),
  )
})
