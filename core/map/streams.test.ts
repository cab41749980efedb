import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { drawMap } from './draw'
import { mapCards, type MapReading } from './cards'
import { countsOf, isStream, mapLines, sayStream } from './streams'
import type { MadeFromKind } from './depends'

const { book } = emberlyDesign()
const reading: MapReading = { detail: 'fields', sense: 'office', view: 'made-from' }
const stream = (one: string, many: string, kinds?: ReadonlySet<MadeFromKind>) =>
  mapLines(book, reading, kinds)
    .filter(isStream)
    .find((line) => line.one === one && line.many === many)

test('between two tables runs one stream, however many fields go that way', () => {
  const lines = mapLines(book, reading)
  expect(lines.every(isStream)).toBe(true)
  expect(new Set(lines.map(({ one, many }) => `${one} ${many}`)).size).toBe(lines.length)
  expect(lines.some(({ one, many }) => one === many)).toBe(false)
  const carried = stream('work-line', 'visit')!
  expect(carried.of.length).toBeGreaterThan(0)
  expect(sayStream(book, carried)).toMatch(/^Visit from Work line: \d fields?$/)
})

test('a kind that isn’t shown adds no stream and no width', () => {
  expect(stream('service-item', 'work-line')).toBeDefined()
  expect(stream('service-item', 'work-line', new Set(['gathered']))).toBeUndefined()
  expect(mapLines(book, reading, new Set())).toEqual([])
})

test('a field that is derived says in its own line what it is made from', () => {
  const rows = new Map(mapCards(book, reading).flatMap(({ rows: all }) => all.map((row) => [row.id, row.detail])))
  expect(rows.get('visit__work')).toBe('total of Amount')
  expect(rows.get('work-line__price-each')).toBe('List price of its Service item')
  expect(rows.get('visit__ladder-height')).toBe('')
})

test('streams keep off cards, and each has a way of its own', () => {
  const [cards, lines] = [mapCards(book, reading), mapLines(book, reading)]
  const map = drawMap({ cards, lines, spots: {}, resized: false })
  expect([...map.routes.values()].filter(({ forced }) => forced)).toEqual([])
  expect(map.routes.size).toBe(lines.length)
})

test('each kind is counted by its fields, rules by themselves', () => {
  const counts = countsOf(book)
  const derived = book.tables.flatMap(({ fields }) => fields)
  for (const kind of ['borrowed', 'copied', 'gathered'] as const)
    expect(counts[kind]).toBe(derived.filter((field) => field.kind === kind).length)
  expect(counts.rule).toBeGreaterThan(0)
})
