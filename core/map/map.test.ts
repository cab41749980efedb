import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import {
  type Box,
  align,
  bowsOf,
  dependencies,
  drawMap,
  mapCards,
  mapLines,
  overlap,
  tableOfField,
  planPaper,
  readable,
  sayDependency,
  spaceOut,
  tablesNear,
  textWidth,
  traceOf,
} from '.'
import { clipped } from './letters'

const { book } = emberlyDesign()
const all = new Set(dependencies(book).map(({ kind }) => kind))

test('a field’s trace goes as far as facts do, both ways', () => {
  const trace = traceOf(book, 'visit__bill-total', all)
  const said = trace.on.map((one) => sayDependency(book, one))
  expect(said[0]).toMatch(/^Visit → Bill total is worked out from /)
  expect(said).toContain('Work line → Price each is copied from Service item → List price')
  expect(trace.of.map(({ to }) => to)).toContain('visit__still-owed')
  const price = traceOf(book, 'service-item__list-price', all)
  expect(price.of.map(({ to }) => to)).toContain('visit__bill-total')
  expect(price.on).toEqual([])
})

test('each kind can be left out of a trace', () => {
  const typed = traceOf(book, 'visit__bill-total', new Set(['workedOut']))
  expect(new Set(typed.on.map(({ kind }) => kind))).toEqual(new Set(['workedOut']))
  expect([...all].sort()).toEqual(['borrowed', 'copied', 'gathered', 'link', 'rule', 'workedOut'])
})

test('the lens counts ties', () => {
  expect(tablesNear(book, 'fuel', 0)).toEqual(new Set(['fuel']))
  expect(tablesNear(book, 'fuel', 1)).toEqual(new Set(['fuel', 'appliance-model']))
  expect(tablesNear(book, 'fuel', 2).has('appliance')).toBe(true)
})

const boxes = new Map<string, Box>([
  ['a', { x: 0, y: 0, width: 100, height: 50 }],
  ['b', { x: 130, y: 40, width: 60, height: 50 }],
  ['c', { x: 400, y: 100, width: 100, height: 90 }],
])

test('cards are lined up on a side or a middle, and spaced out between the outermost', () => {
  expect([...align(boxes, 'left').values()].map(({ x }) => x)).toEqual([0, 0, 0])
  expect([...align(boxes, 'right')].map(([id, { x }]) => x + boxes.get(id)!.width)).toEqual([500, 500, 500])
  expect([...align(boxes, 'top').values()].map(({ y }) => y)).toEqual([0, 0, 0])
  const spaced = spaceOut(boxes, 'across')
  expect([spaced.get('a')!.x, spaced.get('b')!.x, spaced.get('c')!.x]).toEqual([0, 220, 400])
  expect(spaced.get('b')!.y).toBe(40)
  expect(spaceOut(new Map(), 'down').size).toBe(0)
})

test('a map comes onto one page, or onto as many as it takes to read it, and no further', () => {
  const whole = { x: 0, y: 0, width: 1300, height: 900 }
  const one = planPaper(whole, { paper: 'a4', upright: false, pages: 'one' })
  expect(one.pages).toHaveLength(1)
  expect(one.smallest).toBeLessThan(readable)
  const several = planPaper(whole, { paper: 'a4', upright: false, pages: 'readable' })
  expect(several.smallest).toBeGreaterThanOrEqual(readable)
  expect(several.pages.length).toBeLessThanOrEqual(4)
  expect(planPaper(whole, { paper: 'a3', upright: false, pages: 'readable' }).pages).toHaveLength(1)
  // Every bit of it is on some page, and neighbours share a strip.
  const covered = (x: number, y: number) =>
    several.pages.some(
      ({ view }) => x >= view.x && x <= view.x + view.width && y >= view.y && y <= view.y + view.height,
    )
  for (let x = 0; x <= 1300; x += 50) for (let y = 0; y <= 900; y += 50) expect(covered(x, y)).toBe(true)
  const [left, right] = several.pages
  if (several.columns > 1) expect(left!.view.x + left!.view.width - right!.view.x).toBeCloseTo(several.shared, 6)
})

test('a small map isn’t blown up, however large the paper', () => {
  const plan = planPaper({ x: 0, y: 0, width: 200, height: 100 }, { paper: 'a1', upright: true, pages: 'one' })
  expect(plan.pages[0]!.view.width).toBeCloseTo(((594 - 20) * 96) / 25.4, 3)
})

test('letters have their widths, and what is too long is cut with three points', () => {
  expect(textWidth('ii', 10)).toBeLessThan(textWidth('WW', 10) / 3)
  expect(textWidth('Name', 13, 'bold')).toBeGreaterThan(textWidth('Name', 13))
  expect(clipped('Way of paying', 13, 1000)).toBe('Way of paying')
  const cut = clipped('Way of paying', 13, 60)
  expect(cut).toMatch(/^Way of?.*…$/)
  expect(textWidth(cut, 13)).toBeLessThanOrEqual(60)
})

test('bows come to the rows that they are about, their words clear of cards and of each other', () => {
  const reading = { detail: 'fields', sense: 'office' } as const
  const [cards, lines] = [mapCards(book, reading), mapLines(book, reading)]
  const map = drawMap({ cards, lines, spots: {}, resized: false })
  const avoid = map.labels.map(({ box }) => box)
  const bows = bowsOf(dependencies(book), cards, map.boxes, (field) => tableOfField(book, field), avoid)
  expect(bows.length).toBeGreaterThan(40)
  const words = bows.flatMap(({ label }) => label?.box ?? [])
  const all = [...map.boxes.values(), ...avoid]
  const onCards = words.filter((box) => all.some((other) => overlap(box, other)))
  // Where everything is drawn at once some find no room; few do.
  expect(onCards.length).toBeLessThan(words.length / 8)
  for (const { dependency, tip } of bows) {
    const box = map.boxes.get(tableOfField(book, dependency.to)!)!
    expect([box.x, box.x + box.width]).toContain(tip.x)
    expect(tip.y).toBeGreaterThan(box.y)
    expect(tip.y).toBeLessThan(box.y + box.height)
  }
})
