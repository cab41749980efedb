import fc from 'fast-check'
import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { type Book, emptyBook } from '../book'
import { plainLook } from '../kinds'
import { askingOrder, distancesFrom, pathsBetween, sayPath } from '.'

/** Tables and links alone; paths look at nothing else. */
const graph = (tables: number, links: readonly (readonly [number, number])[]): Book => ({
  ...emptyBook('Graph', plainLook),
  tables: Array.from({ length: tables }, (_, at) => ({
    id: `t${at}`,
    name: `T${at}`,
    fields: links.flatMap(([, many], i) => (many === at ? [{ id: `f${i}`, name: `F${i}`, kind: 'link' }] : [])),
    key: [],
    knownBy: [],
  })),
  links: links.map(([one, many], at) => ({
    id: `l${at}`,
    one: `t${one}`,
    many: `t${many}`,
    field: `f${at}`,
    least: 0,
    onRemove: 'keep',
  })),
})

test('the demo’s visit and certificate come together in more than one way, shortest first', () => {
  const { book } = emberlyDesign()
  const paths = pathsBetween(book, 'premises', 'certificate')
  expect(paths.length).toBeGreaterThan(1)
  expect(paths.map((path) => path.links.length)).toEqual(paths.map((path) => path.links.length).sort((a, b) => a - b))
  expect(sayPath(book, paths[0]!)).toBe('Premises → Appliance → Visit appliance → Certificate')
})

test('all simple ways are found, none twice, each table once', () => {
  const links = fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 12 })
  fc.assert(
    fc.property(links, (pairs) => {
      const book = graph(7, pairs)
      const found = pathsBetween(book, 't0', 't6', { detour: 9, atMost: 10_000 })
      expect(new Set(found.map((path) => path.links.join())).size).toBe(found.length)
      expect(found.every((path) => new Set(path.tables).size === path.tables.length)).toBe(true)
      // Counted again in the plainest way.
      const count = (here: number, met: readonly number[]): number =>
        here === 6
          ? 1
          : pairs.reduce((sum, [one, many]) => {
              const next = one === here ? many : many === here ? one : undefined
              return next === undefined || next === here || met.includes(next) ? sum : sum + count(next, [...met, next])
            }, 0)
      expect(found).toHaveLength(count(0, [0]))
    }),
  )
})

test('distances are those of the shortest way', () => {
  const book = graph(5, [
    [0, 1],
    [1, 2],
    [0, 3],
    [3, 2],
  ])
  expect([...distancesFrom(book, 't0')]).toEqual([
    ['t0', 0],
    ['t1', 1],
    ['t3', 1],
    ['t2', 2],
  ])
})

test('pairs the words speak of are asked first, those tied through others last or not at all', () => {
  const book = graph(5, [
    [0, 1],
    [1, 2],
    [2, 3],
  ])
  const { ask, apart } = askingOrder(book, [{ from: 'T0', to: 'T3' }])
  const names = (pairs: typeof ask) => pairs.map(({ a, b }) => `${a.id}${b.id}`)
  expect(names(ask)[0]).toBe('t0t3')
  expect(names(ask).slice(-2)).toEqual(['t0t2', 't1t3'])
  expect(names(apart)).toEqual([])
  expect(names(askingOrder(book).apart)).toEqual(['t0t3'])
})
