import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { asPrinted, evenWidth } from '../../letters'
import type { Drawing } from '../../lists'
import { expectNothingOnAnother, oddLetter, oddPaper, textsOn } from '@/tests/support/page-laws'
import { runs } from '@/tests/support/runs'
import { ReportLayer, type ReportLook, type ReportWords } from '../lay-report'
import { type Item, type Page, shadeNames, shades } from '../page'
import { ticksOf } from './plot'

const words: ReportWords = {
  title: 'Visits',
  asked: [],
  book: 'Emberly',
  day: '12 Mar 2027',
  who: 'Made for Averil',
  none: 'None.',
}
const look: ReportLook = { paper: { size: 'a4', margin: 18 }, letters: 9, rows: 'lines', room: 'usual' }

function pagesOf(drawing: Drawing, more: Partial<ReportLook> = {}) {
  const pages: Page[] = []
  const columns = [{ id: 'name', heading: 'Name', align: 'start', whole: false } as const]
  const layer = new ReportLayer(columns, [['x']], { ...look, ...more }, { ...words, chart: drawing }, (page) =>
    pages.push(page),
  )
  layer.part({ kind: 'row', cells: ['x'] })
  layer.end()
  return { pages, frame: layer.measures.frame, size: layer.measures.size }
}

const write = (value: number) => value.toFixed(2)
const name = fc.array(oddLetter, { maxLength: 30 }).map((all) => all.join(''))
const value = fc.oneof(
  { weight: 5, arbitrary: fc.integer({ min: -500, max: 100_000 }).map((one) => one / 100) },
  fc.constant(null),
  fc.constant(0),
)
const drawing: fc.Arbitrary<Drawing> = fc
  .record({
    kind: fc.constantFrom('bars' as const, 'stacked' as const, 'lines' as const, 'shares' as const, 'scatter' as const),
    places: fc.array(name, { minLength: 1, maxLength: 60, size: 'max' }),
    names: fc.array(name, { minLength: 1, maxLength: 7 }),
    values: fc.infiniteStream(value),
  })
  .map(({ kind, places, names, values }) => {
    const some = [...values.take(places.length * (names.length + 1))]
    const own = kind === 'scatter' || kind === 'shares' ? names.slice(0, 1) : names
    const cut = (at: number) => some.slice(at * places.length, (at + 1) * places.length)
    return {
      ...{ kind, places, of: 'total of price', along: 'town', write },
      series: own.map((one, at) => ({ name: one, values: cut(at) })),
      ...(kind === 'scatter' && { across: cut(names.length), writeAcross: write }),
    }
  })

const rightOf = (item: Item): number => {
  if (item.kind === 'path') return Math.max(...item.points.map(([x]) => x))
  if (item.kind === 'text') return item.x + evenWidth(item.words.trimEnd(), item.size, item.bold ? 'bold' : 'regular')
  return item.x + item.width
}
const leftOf = (item: Item): number => (item.kind === 'path' ? Math.min(...item.points.map(([x]) => x)) : item.x)
const footOf = (item: Item): number =>
  item.kind === 'path'
    ? Math.max(...item.points.map(([, y]) => y))
    : item.kind === 'tint'
      ? item.y + item.height
      : item.y

describe('a chart on paper', () => {
  test('that stands alone has no pages beside it, however many columns its list has, and says nothing of rows', () => {
    const pages: Page[] = []
    const columns = Array.from({ length: 30 }, (_, at) => ({
      ...{ id: `c${at}`, heading: `A long heading ${at}`, align: 'end', whole: true },
    })) as ConstructorParameters<typeof ReportLayer>[0]
    const alone: Drawing = {
      ...{ kind: 'bars', places: ['Ash'], of: 'visits', along: 'town', write },
      series: [{ name: 'Done', values: [1] }],
    }
    const wish = { ...look, chart: 'alone', folded: true } as const
    const layer = new ReportLayer(columns, [], wish, { ...words, chart: alone }, (page) => pages.push(page))
    layer.end()
    expect(pages).toHaveLength(1)
    expect(layer.fitted).toMatchObject({ beside: 1, headings: [], folded: { lines: 1, isWished: false } })
  })

  test('says how much isn’t drawn, and nothing where all is', () => {
    const some: Drawing = {
      ...{ kind: 'bars', places: ['Ash', 'Otterby'], of: 'visits', along: 'town', write },
      series: ['Done', 'Booked'].map((own) => ({ name: own, values: [1, 2] })),
    }
    const said = (more: Drawing['more']) =>
      textsOn(pagesOf({ ...some, ...(more && { more }) }).pages[0]!)
        .map(({ words: one }) => one)
        .filter((one) => one.includes('drawn'))
    expect(said({ places: 3, series: 2 })).toEqual([
      'The first 2 are drawn, 3 more are not. The first 2 of 4 have a shade each; the others are not drawn.',
    ])
    expect(said({ places: 0, series: 0 })).toEqual([])
    expect(said(undefined)).toEqual([])
  })

  test('stands within the margins, nothing of it on anything else, on any paper', () => {
    fc.assert(
      fc.property(drawing, oddPaper, fc.integer({ min: 6, max: 14 }), (one, { turned, ...paper }, letters) => {
        const { pages, frame } = pagesOf(one, { paper: { ...paper, ...(turned && { turned }) }, letters })
        for (const page of pages) {
          for (const item of page.items) {
            expect(leftOf(item)).toBeGreaterThanOrEqual(frame.left - 3)
            expect(rightOf(item)).toBeLessThanOrEqual(frame.left + frame.width + 3)
            expect(footOf(item)).toBeLessThanOrEqual(frame.bottom + 0.5)
          }
          expectNothingOnAnother(textsOn(page), 0.5)
        }
      }),
      runs(150),
    )
  })

  test('names every place with its numbers, as they are written', () => {
    fc.assert(
      fc.property(drawing, (one) => {
        if (one.kind === 'lines' || one.kind === 'scatter') return
        const said = pagesOf(one).pages.flatMap((page) => textsOn(page).map((text) => text.words))
        const letters = (texts: readonly string[]) => texts.map((text) => text.replace(/\s+/g, '')).join('')
        const all = letters(said)
        for (const place of one.places) for (const part of asPrinted(place).split(/\s+/)) expect(all).toContain(part)
        if (one.kind !== 'bars') return
        const expected = one.series.flatMap(({ values }) => values.flatMap((own) => (own === null ? [] : [write(own)])))
        for (const own of new Set(expected))
          expect(said.filter((text) => text === own).length).toBeGreaterThanOrEqual(
            expected.filter((text) => text === own).length,
          )
      }),
      runs(60),
    )
  })

  test('bars are as long as their numbers, from nought, to either side', () => {
    const { pages } = pagesOf({
      ...{ kind: 'bars', places: ['a', 'b', 'c'], of: 'price', along: 'town', write },
      series: [{ name: 'price', values: [10, -5, 20] }],
    })
    const bars = pages[0]!.items.flatMap((item) => (item.kind === 'tint' ? [item] : []))
    expect(bars[2]!.width / bars[0]!.width).toBeCloseTo(2, 6)
    expect(bars[1]!.width / bars[0]!.width).toBeCloseTo(0.5, 6)
    expect(bars[1]!.x + bars[1]!.width).toBeCloseTo(bars[0]!.x, 6)
  })

  test('a stack is as long as its parts, and has their sum beside it', () => {
    const { pages } = pagesOf({
      ...{ kind: 'stacked', places: ['a'], of: 'price', along: 'town', write },
      series: [
        { name: 'one', values: [10] },
        { name: 'two', values: [null] },
        { name: 'three', values: [30] },
      ],
    })
    const bars = pages[0]!.items.flatMap((item) =>
      item.kind === 'tint' && item.height > 5 && item.width > 20 ? [item] : [],
    )
    expect(bars.map(({ tone }) => tone)).toEqual(['first', 'third'])
    expect(bars[1]!.x).toBeCloseTo(bars[0]!.x + bars[0]!.width, 6)
    expect(textsOn(pages[0]!).map((text) => text.words)).toContain('40.00')
  })

  test('no line is drawn across what isn’t known', () => {
    const { pages } = pagesOf({
      ...{ kind: 'lines', places: ['a', 'b', 'c', 'd', 'e'], of: 'price', along: 'month', write },
      series: [{ name: 'price', values: [1, 2, null, 3, 4] }],
    })
    const paths = pages[0]!.items.flatMap((item) => (item.kind === 'path' ? [item.points.length] : []))
    expect(paths).toEqual([2, 2])
  })

  test('it is left out, or stands alone, where that is wished', () => {
    const one: Drawing = {
      ...{ kind: 'bars', places: ['Otterby'], of: 'price', along: 'town', write },
      series: [{ name: 'price', values: [10] }],
    }
    const said = (more: Partial<ReportLook>) =>
      pagesOf(one, more).pages.flatMap((page) => textsOn(page).map((text) => text.words))
    expect(said({})).toEqual(expect.arrayContaining(['Otterby', 'Name', 'x']))
    expect(said({ chart: 'none' })).not.toContain('Otterby')
    expect(said({ chart: 'alone' })).toContain('Otterby')
    expect(said({ chart: 'alone' })).not.toContain('Name')
  })
})

test.each<readonly [number[], number[]]>([
  [
    [3, 7, 10],
    [0, 2, 4, 6, 8, 10],
  ],
  [[0], [0, 1]],
  [
    [-5, 12],
    [-5, 0, 5, 10, 15],
  ],
  [
    [0.12, 0.4],
    [0, 0.1, 0.2, 0.3, 0.4],
  ],
  [
    [1, 2],
    [0, 1, 2],
  ],
])('round numbers along %j', (values, ticks) => {
  expect(ticksOf(values)).toEqual(ticks)
})

test('shades next to each other differ as greys, and all from the paper', () => {
  const grey = (hex: string) => {
    const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255)
    return 0.2126 * r + 0.7152 * g + 0.0722 * b
  }
  const greys = shadeNames.map((one) => grey(shades[one]))
  for (const [at, one] of greys.entries()) {
    expect(one).toBeLessThan(0.87)
    const next = greys[at + 1]
    if (next !== undefined) expect(Math.abs(one - next)).toBeGreaterThan(0.18)
  }
})
