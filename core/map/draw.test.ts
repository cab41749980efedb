import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { madeUpMap } from '@/tests/support/random-maps'
import {
  type DrawnMap,
  drawMap,
  type MapCard,
  mapCards,
  type MapLine,
  mapLines,
  mapQuality,
  type MapReading,
  overlap,
  type Spots,
  step,
} from '.'

const { book } = emberlyDesign()
const office: MapReading = { detail: 'fields', sense: 'office', view: 'links' }
const drawn = (cards: readonly MapCard[], lines: readonly MapLine[], spots: Spots = {}, resized = false) =>
  drawMap({ cards, lines, spots, resized })

const wanted = (lines: readonly MapLine[]) =>
  lines.reduce((sum, line) => sum + (line.label ? 1 : 0) + (line.back ? 1 : 0), 0)
const quality = (lines: readonly MapLine[], map: DrawnMap) =>
  mapQuality(map.boxes, map.routes, map.labels, wanted(lines))

const readings = (['names', 'keys', 'fields', 'kinds'] as const).flatMap((detail) =>
  (['office', 'logical', 'physical'] as const).flatMap((sense) =>
    (['links', 'made-from'] as const).map((view): MapReading => ({ detail, sense, view })),
  ),
)

test.each(readings)('the demo is drawn clean: $detail, $sense, $view', (reading) => {
  const [cards, lines] = [mapCards(book, reading), mapLines(book, reading)]
  const map = drawn(cards, lines)
  expect(quality(lines, map)).toMatchObject({
    cardOverlaps: 0,
    labelOverlaps: 0,
    feetOverlaps: 0,
    linesOverCards: 0,
    unplaced: 0,
  })
  // Streams run both ways between many of the same cards.
  expect(quality(lines, map).crossings).toBeLessThanOrEqual(reading.view === 'links' ? 1 : 3)
  expect(drawn(cards, lines)).toEqual(map)
})

describe('whatever the cards and wherever they are put', () => {
  const spot = fc.record({ x: fc.integer({ min: -3000, max: 3000 }), y: fc.integer({ min: -3000, max: 3000 }) })
  test('cards don’t lie on each other, lines leave from sides, keep off cards and share no stretch while there is room for their ends', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 18 }),
        fc.integer({ min: 0, max: 30 }),
        fc.nat(1000),
        fc.array(spot),
        (count, ties, seed, spots) => {
          const { cards, lines } = madeUpMap(count, ties, seed)
          const known = Object.fromEntries(spots.slice(0, count).map((one, at) => [`t${at}`, one]))
          const map = drawn(cards, lines, known)
          const boxes = [...map.boxes.values()]
          expect(boxes).toHaveLength(count)
          for (const [at, box] of boxes.entries())
            expect(boxes.slice(at + 1).some((other) => overlap(box, other))).toBe(false)
          const found = quality(lines, map)
          expect(found.labelOverlaps).toBe(0)
          for (const line of lines) ends(map, cards, line)
          if (cards.some((card) => endsAt(card, lines) >= roomOf(card))) return
          expect([...map.routes.values()].filter(({ forced }) => forced)).toEqual([])
          expect(found).toMatchObject({ feetOverlaps: 0, linesOverCards: 0, shared: 0 })
        },
      ),
      {
        numRuns: 20,
        // Maps in which a line once had no way.
        examples: [
          [
            4,
            20,
            925,
            [
              { x: -1206, y: 0 },
              { x: -1586, y: -1656 },
            ],
          ],
          [2, 10, 760, [{ x: 1073, y: 2102 }]],
          // A way whose two feet lay on one line and came back to itself.
          [
            11,
            3,
            1,
            [
              { x: 0, y: 495 },
              { x: 0, y: 495 },
              { x: 0, y: -326 },
              { x: 0, y: 5 },
              { x: 265, y: 0 },
              { x: 0, y: 495 },
            ],
          ],
          [
            11,
            25,
            189,
            [
              { x: -102, y: 2995 },
              { x: 9, y: 2600 },
              { x: 2458, y: 152 },
              { x: -4, y: 414 },
              { x: -2433, y: -2026 },
              { x: -1086, y: 560 },
            ],
          ],
          [
            5,
            13,
            2,
            [
              { x: -843, y: -1116 },
              { x: 308, y: -967 },
              { x: -2832, y: -2101 },
              { x: 1776, y: -641 },
            ],
          ],
        ],
      },
    )
    // Far apart and tied all over: a few of them take a second each.
  }, 180_000)

  const endsAt = ({ id }: MapCard, lines: readonly MapLine[]) =>
    lines.reduce((sum, { one, many }) => sum + (one === id ? 1 : 0) + (many === id ? 1 : 0), 0)
  /** How many feet surely fit round a card. */
  const roomOf = ({ width, height, tab }: MapCard) =>
    2 * Math.floor((height - tab.height) / 30) + 2 * Math.floor(width / 30) - 2

  function ends(map: DrawnMap, cards: readonly MapCard[], line: MapLine) {
    const { points } = map.routes.get(line.id)!
    for (const [point, id] of [
      [points[0]!, line.one],
      [points.at(-1)!, line.many],
    ] as const) {
      const [box, card] = [map.boxes.get(id)!, cards.find((one) => one.id === id)!]
      const top = box.y + card.tab.height
      const onSide =
        (point.x === box.x || point.x === box.x + box.width) && point.y > top && point.y < box.y + box.height
      const onEnd = point.x > box.x && point.x < box.x + box.width && [box.y, top, box.y + box.height].includes(point.y)
      expect(onSide || onEnd).toBe(true)
    }
    for (const [at, point] of points.slice(1).entries())
      expect(point.x === points[at]!.x || point.y === points[at]!.y).toBe(true)
  }
})

test.each([
  [150, 260],
  [300, 900],
])('a map of %i tables and %i ties has a way of its own for every line', (tables, ties) => {
  const { cards, lines } = madeUpMap(tables, ties)
  const map = drawn(cards, lines)
  expect(map.routes.size).toBe(ties)
  expect(quality(lines, map)).toMatchObject({
    cardOverlaps: 0,
    labelOverlaps: 0,
    feetOverlaps: 0,
    linesOverCards: 0,
    shared: 0,
  })
})

test('one more table moves no other, and comes beside what it is tied to', () => {
  const { cards, lines } = madeUpMap(30, 40)
  const before = drawn(
    cards.slice(0, 29),
    lines.filter(({ one, many }) => one !== 't29' && many !== 't29'),
  )
  const spots = Object.fromEntries([...before.boxes].map(([id, { x, y }]) => [id, { x, y }]))
  const after = drawn(cards, lines, spots)
  for (const [id, box] of before.boxes) expect(after.boxes.get(id)).toEqual(box)
  expect(after.boxes.get('t29')).toBeDefined()
})

test('in another reading everything keeps its place among the others', () => {
  const plain = drawn(mapCards(book, office), mapLines(book, office))
  const spots = Object.fromEntries([...plain.boxes].map(([id, { x, y }]) => [id, { x, y }]))
  for (const detail of ['names', 'kinds'] as const) {
    const cards = mapCards(book, { detail, sense: 'office', view: 'links' })
    const map = drawn(cards, mapLines(book, office), spots, true)
    expect(quality([], map).cardOverlaps).toBe(0)
    expect(map.factor)[detail === 'names' ? 'toBeLessThan' : 'toBeGreaterThanOrEqual'](1)
    for (const [id, { x }] of map.boxes) expect(Math.abs(x - spots[id]!.x * map.factor)).toBeLessThanOrEqual(step)
  }
})

test('a joining table becomes one line between what it ties, where things alone are shown', () => {
  const reading: MapReading = { detail: 'fields', sense: 'logical', view: 'links' }
  const lines = mapLines(book, reading)
  const cards = mapCards(book, reading)
  // Premises contact has a link more, and certificates hang on Visit appliance: they are things of their own.
  const joining = cards.filter(({ role }) => role === 'joining').map(({ id }) => id)
  expect(joining.sort()).toEqual(['premises-contact', 'visit-appliance'])
  expect(cards.flatMap(({ rows }) => rows.filter(({ link }) => link))).toEqual([])
  const parts = lines.find(({ label }) => label === 'Visit part')!
  expect([parts.one, parts.many].sort()).toEqual(['part', 'visit'])
  expect(parts).toMatchObject({ atOne: 'none-or-more', atMany: 'none-or-more' })
})

test('in the database’s words cards have live names and types, and nothing that isn’t stored', () => {
  const visit = mapCards(book, { detail: 'kinds', sense: 'physical', view: 'links' }).find(({ id }) => id === 'visit')!
  expect(visit.title).toBe('visit')
  expect(visit.rows.find(({ text }) => text === 'booked_for *')?.detail).toBe('DATETIME')
  expect(visit.rows.some(({ text }) => text.startsWith('over_by'))).toBe(false)
})

test('two readings of a tie stand on either side of its line, nearer to where each begins', () => {
  const { cards } = madeUpMap(2, 0)
  const tie = { ...madeUpMap(2, 1).lines[0]!, one: 't0', many: 't1', label: 'holds', back: 'belongs to' }
  const map = drawn(cards, [tie], { t0: { x: 0, y: 0 }, t1: { x: 700, y: 0 } })
  const [there, back] = [false, true].map((way) => map.labels.find((label) => label.back === way)!.box)
  const line = map.routes.get(tie.id)!.points[0]!.y
  expect(there!.y + there!.height).toBeLessThanOrEqual(line)
  expect(back!.y).toBeGreaterThanOrEqual(line)
  expect(there!.x + there!.width).toBeLessThan(back!.x)
})
