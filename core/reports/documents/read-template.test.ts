import { expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import type { Block, Column, Labels, Template } from '../../book'
import { wordProblem } from '../../words'
import { makeReady, readyFor, readyKinds } from './ready/ready'
import { parentPlace, rowWays } from './read-rows'
import { readTemplate } from './read-template'

const book = askedBook()
const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
const price: Column = { id: 'price', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } }
const rank: Column = { id: 'rank', heading: 'Rank', shows: { kind: 'along', column: 'price', name: 'rank' } }
const template = (blocks: readonly Block[], more: Partial<Template> = {}): Template => ({
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  columns: [price, rank],
  blocks,
  ...more,
})
const faultsOf = (one: Template) =>
  readTemplate(book, one, answers).faults.map(({ at, part, problem }) => [at, part, wordProblem(problem)])

test('what isn’t used is not asked; what is told among all others has no place in a document', () => {
  const fields = (...columns: string[]): Block => ({ kind: 'fields', columns, across: 1 })
  expect(faultsOf(template([fields('price')]))).toEqual([])
  expect(faultsOf(template([fields('price', 'rank')])).at(-1)?.[2]).toMatch(/^Rank is told among all others/)
  const amount: Column = { id: 'amount', shows: { kind: 'field', place: { way: [], field: 'payment_amount' } } }
  const rows: Block = {
    kind: 'rows',
    id: 'paid',
    way: [{ to: 'rows', link: 'visit--payment' }],
    columns: [amount, { id: 'sum', shows: { kind: 'along', column: 'amount', name: 'running' } }],
    order: [],
  }
  expect(faultsOf(template([rows]))[0]?.slice(0, 2)).toEqual(['paid', 'rows'])
})

test('a condition that speaks of what is gone is told where it stands', () => {
  const only: Block = {
    kind: 'only',
    id: 'late',
    when: { kind: 'compare', place: { way: [], field: 'lost' }, how: 'is', with: [{ value: 'x' }] },
    of: [{ kind: 'line' }],
  }
  expect(faultsOf(template([only]))).toEqual([
    ['late', 'only', 'This asks for a field that Visit no longer has. Choose another, or take it out.'],
  ])
})

const labels: Labels = { across: 3, down: 8, width: 70, height: 37, left: 0, top: 0.5, stepAcross: 70, stepDown: 37 }
test.each<readonly [Partial<Labels>, RegExp | undefined]>([
  [{}, undefined],
  [{ across: 4 }, /don’t lie on this paper/],
  [{ down: 9 }, /don’t lie on this paper/],
  [{ left: 5 }, /don’t lie on this paper/],
  [{ stepAcross: 60 }, /lie on each other/],
  [{ stepDown: 30 }, /lie on each other/],
])('labels with %j', (more, fault) => {
  const [found] = faultsOf(template([], { labels: { ...labels, ...more } }))
  if (fault) expect(found?.[2]).toMatch(fault)
  else expect(found).toBe(undefined)
})

test('from rows there is a way back to whose they are, through rows of rows too', () => {
  const ways = rowWays(book, 'house')
  expect(ways.map(({ end }) => end.id)).toEqual(expect.arrayContaining(['visit', 'payment']))
  const own = ways.filter(({ way }) => way.every(({ to }) => to === 'rows'))
  expect(own.length).toBeGreaterThan(2)
  for (const { way, end } of own) {
    const place = parentPlace(book, way)!
    expect(place.way.length).toBe(way.length - 1)
    expect(end.fields.some(({ id }) => id === (place.way[0]?.to === 'one' ? place.way[0].field : place.field))).toBe(
      true,
    )
  }
  expect(parentPlace(book, [{ to: 'one', field: 'visit__house' }])).toBe(undefined)
})

test('what the program writes makes sense for its table: no bill without money, no letter to nobody', () => {
  const kinds = (id: string) =>
    readyFor(
      book,
      book.tables.find((table) => table.id === id)!,
    )
  expect(kinds('visit')).toContain('bill')
  expect(kinds('paper')).not.toContain('bill')
  expect(kinds('house')).toContain('label')
  for (const kind of readyKinds) {
    const made = makeReady({ ...book, templates: [template([], { name: 'Bill' })] }, 'visit', kind, 'new')
    expect(made.name).not.toBe('Bill')
  }
})
