import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import type { Book, Column, Condition, List, Span, Way } from '@/core/book'
import type { Cell } from '@/core/lists'
import { refOf } from '@/core/records'
import { answers, type AskedBook, askedRecords, fillWith, walkOf } from '@/tests/support/asked-records'
import { listOf, worldOf } from '@/tests/support/random-lists'
import { atLeast, runs } from '@/tests/support/runs'
import { type Known, SlowLists, type World } from '@/tests/support/slow-lists'
import { askList, countList, csvOfList, type ListLine } from '..'

let asked: AskedBook
let plain: AskedBook
let ready: AskedBook
let book: Book
const fill = (world: World) => fillWith(asked, world)

beforeAll(async () => {
  plain = await askedRecords('asklists')
  ready = await askedRecords('asklists_ready', true)
  asked = plain
  book = plain.live.book
})

/** All pages of a list, few records to a page. */
async function all(list: List, limit: number): Promise<readonly ListLine[]> {
  const lines: ListLine[] = []
  for (let after: Parameters<typeof askList>[3]['after']; ;) {
    const page = await askList(asked, list, answers, { after, limit })
    if ('faults' in page) throw new Error(JSON.stringify(page.faults))
    lines.push(...page.lines)
    if (!page.next) return lines
    after = page.next
  }
}

/** A link without its words, as the slow way tells it. */
const refOfCell = (cell: Cell): string | null => (cell !== null && typeof cell === 'object' ? cell.ref : cell)
const asTold = (cell: Cell | readonly Cell[]) =>
  Array.isArray(cell) ? (cell as readonly Cell[]).map(refOfCell).sort() : refOfCell(cell as Cell)

const asNumber = (text: string | null) => (text === null ? null : Number(text))

test.each([false, true])(
  'any list gives what looking at every record by itself gives, in the same order, page by page, what is kept ready: %s',
  async (isReady) => {
    asked = isReady ? ready : plain
    const tried = { lists: 0, rows: 0, several: 0, along: 0 }
    await fc.assert(
      fc.asyncProperty(
        worldOf(book),
        fc.array(listOf(book), { minLength: 12, maxLength: 12 }),
        fc.integer({ min: 1, max: 4 }),
        async (world, lists, limit) => {
          await fill(world)
          const slow = new SlowLists(book, world)
          for (const list of lists) {
            const records = slow.records(list)
            const cellOf = (record: Known, column: Column) =>
              column.shows.kind === 'along'
                ? asNumber(slow.along(list, records, record, column))
                : asTold(slow.cell(record, column))
            const expected = slow.shown(list).map((record) => ({
              ref: refOf(record.ref.split('~')),
              cells: Object.fromEntries(list.columns.map((column) => [column.id, cellOf(record, column)])),
            }))
            const lines = (await all(list, limit)).map(({ ref, cells }) => ({
              ref,
              cells: Object.fromEntries(
                list.columns.map(({ id, shows }) => [
                  id,
                  shows.kind === 'along' ? asNumber(cells[id] as string | null) : asTold(cells[id]!),
                ]),
              ),
            }))
            expect(lines).toEqual(expected)
            const count = list.groups ? records.length : expected.length
            expect(await countList(asked, list, answers)).toEqual({ count })
            tried.lists++
            tried.rows += lines.length
            if (list.columns.some(({ shows }) => shows.kind !== 'field')) tried.several++
            if (list.columns.some(({ shows }) => shows.kind === 'along')) tried.along++
          }
        },
      ),
      { ...runs(40), endOnFailure: true },
    )
    expect(tried.rows).toBeGreaterThan(atLeast(500))
    expect(tried.several).toBeGreaterThan(atLeast(100))
    expect(tried.along).toBeGreaterThan(atLeast(30))
  },
)

test('two lists laid over each other are both, either, and the first alone', async () => {
  const tried = { pairs: 0, both: 0, alone: 0 }
  await fc.assert(
    fc.asyncProperty(worldOf(book), fc.array(listOf(book), { minLength: 14, maxLength: 14 }), async (world, lists) => {
      await fill(world)
      const slow = new SlowLists(book, world)
      for (const [at, { first: _first, groups: _groups, ...one }] of lists.entries()) {
        const found = lists.slice(at + 1).find(({ table, where }) => table === one.table && where)
        if (!found) continue
        const { first: _others, groups: _its, ...other } = { ...found, id: 'other' }
        const refsOf = async (where: Condition): Promise<Set<string>> => {
          const page = await askList(asked, { ...one, where }, { ...answers, lists: [other] }, { limit: 100 })
          if ('faults' in page) throw new Error(JSON.stringify(page.faults))
          return new Set(page.lines.map(({ ref }) => ref))
        }
        const mine = one.where
        if (!mine) continue
        const [own, others] = [one, other].map(
          (list) => new Set(slow.records(list).map(({ ref }) => refOf(ref.split('~')))),
        ) as [Set<string>, Set<string>]
        const there: Condition = { kind: 'in', list: 'other' }
        expect(await refsOf({ kind: 'all', of: [mine, there] })).toEqual(new Set([...own].filter((x) => others.has(x))))
        expect(await refsOf({ kind: 'all', of: [mine, { kind: 'not', of: there }] })).toEqual(
          new Set([...own].filter((x) => !others.has(x))),
        )
        expect(await refsOf({ kind: 'any', of: [mine, there] })).toEqual(new Set([...own, ...others]))
        tried.pairs++
        if ([...own].some((x) => others.has(x))) tried.both++
        if ([...own].some((x) => !others.has(x))) tried.alone++
      }
    }),
    { ...runs(12), endOnFailure: true },
  )
  expect(tried.both).toBeGreaterThan(atLeast(8))
  expect(tried.alone).toBeGreaterThan(atLeast(4))
})

const visits = (where: Condition, more: Partial<List> = {}): List => ({
  id: 'list',
  table: 'visit',
  columns: [{ id: 'day', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
  where,
  asks: [],
  order: [],
  ...more,
})
const refs = async (list: List, given: Record<string, string> = {}) => {
  const page = await askList(asked, list, { ...answers, given }, { limit: 50 })
  return 'lines' in page ? page.lines.map(({ ref }) => ref) : page.faults
}

test('days told from today, what was asked, and what leads to one of some records', async () => {
  const visit = (ref: string, day: string | null, house: string | null) => ({
    ref,
    values: { 'visit-key': ref, visit_day: day },
    links: { visit__house: house },
  })
  await fill({
    house: ['1', '2', '3'].map((ref) => ({ ref, values: { 'house-key': ref }, links: {} })),
    person: [],
    payment: [],
    paper: [],
    'house-person': [],
    visit: [
      visit('1', '2027-02-28', '1'),
      visit('2', '2027-03-01', '2'),
      visit('3', '2027-03-31', '3'),
      visit('4', null, null),
      visit('5', '2027-03-12', '1'),
    ],
  })
  const day = { way: [], field: 'visit_day' }
  const house = { way: [], field: 'visit__house' }
  const within = (span: Span): Condition => ({ kind: 'within', place: day, span })
  expect(await refs(visits(within({ which: 'this', unit: 'month' })))).toEqual(['2', '3', '5'])
  expect(await refs(visits(within({ which: 'last', unit: 'month' })))).toEqual(['1'])
  expect(await refs(visits(within({ which: 'last', unit: 'day', count: 14 })))).toEqual(['1', '2', '5'])
  expect(await refs(visits({ kind: 'not', of: within({ which: 'this', unit: 'month' }) }))).toEqual(['1', '4'])
  const asks = [{ id: 'q', words: 'Month', place: day, start: '2027-02' }]
  const asked = visits({ kind: 'compare', place: day, how: 'is', with: [{ ask: 'q' }] }, { asks })
  expect([await refs(asked), await refs(asked, { q: '2027-03' }), await refs(asked, { q: '' })]).toEqual([
    ['1'],
    ['2', '3', '5'],
    ['1', '2', '3', '4', '5'],
  ])
  const leads = (how: 'is' | 'isNot' | 'oneOf', ...to: string[]): Condition => ({
    kind: 'compare',
    place: house,
    how,
    with: to.map((value) => ({ value })),
  })
  expect(await refs(visits(leads('is', '1')))).toEqual(['1', '5'])
  expect(await refs(visits(leads('oneOf', '2', '3')))).toEqual(['2', '3'])
  expect(await refs(visits(leads('isNot', '1')))).toEqual(['2', '3', '4'])
  const hostile = await refs(visits(leads('is', "1' OR '1'='1")))
  expect(hostile).toMatchObject([{ problem: { kind: 'list-value-wrong', field: 'House' } }])
})

test('text is looked for as it stands, whatever it holds', async () => {
  const towns = ["O'Hara%", 'a_b', 'a!b', 'axb', '"; DROP TABLE x; --', 'back\\slash']
  await fill({
    house: towns.map((town, at) => ({
      ref: String(at + 1),
      values: { 'house-key': String(at + 1), house_town: town },
      links: {},
    })),
    person: [],
    payment: [],
    paper: [],
    'house-person': [],
    visit: [],
  })
  const houses = (how: 'contains' | 'begins' | 'ends' | 'looks' | 'is', value: string) =>
    refs({
      ...visits({ kind: 'compare', place: { way: [], field: 'house_town' }, how, with: [{ value }] }),
      table: 'house',
      columns: [{ id: 't', shows: { kind: 'field', place: { way: [], field: 'house_town' } } }],
    })
  expect(await houses('contains', '%')).toEqual(['1'])
  expect(await houses('contains', '_')).toEqual(['2'])
  expect(await houses('contains', '!')).toEqual(['3'])
  expect(await houses('begins', "O'H")).toEqual(['1'])
  expect(await houses('ends', '\\slash')).toEqual(['6'])
  expect(await houses('looks', '*\\s?as*')).toEqual(['6'])
  expect(await houses('looks', '*%*')).toEqual(['1'])
  for (const [at, town] of towns.entries()) expect(await houses('is', town)).toEqual([String(at + 1)])
})

test('a list as CSV has a line for each of what goes on lines, and no formula that another program would run', async () => {
  await fill({
    house: [{ ref: '1', values: { 'house-key': '1', house_town: '=1+1' }, links: {} }],
    person: ['Una', 'Corin'].map((name, at) => ({
      ref: String(at + 1),
      values: { 'person-key': String(at + 1), person_name: name },
      links: {},
    })),
    payment: [],
    paper: [],
    'house-person': ['1~1', '1~2'].map((ref) => ({
      ref,
      values: {},
      links: { person__house: '1', 'person__house-n': ref.slice(2) },
    })),
    visit: [],
  })
  const people: Way = [
    { to: 'rows', link: 'house--person' },
    { to: 'one', field: 'person__house-n' },
  ]
  const list = (as: 'together' | 'lines'): List => ({
    id: 'list',
    table: 'house',
    columns: [
      { id: 't', shows: { kind: 'field', place: { way: [], field: 'house_town' } } },
      { id: 'n', shows: { kind: 'several', place: { way: people, field: 'person_name' }, as } },
    ],
    asks: [],
    order: [],
  })
  const csv = async (as: 'together' | 'lines') => {
    let text = ''
    for await (const part of csvOfList(walkOf(asked, list(as)))) text += part
    return text
  }
  expect(await csv('lines')).toBe("\ufeffTown,People\r\n'=1+1,Una\r\n,Corin\r\n")
  expect(await csv('together')).toBe('\ufeffTown,People\r\n\'=1+1,"Una, Corin"\r\n')
})
