import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { type Book, type Condition, type List, type Span, tableOf, type Way } from '@/core/book'
import type { Answers, Cell, GroupCell } from '@/core/lists'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { leafOf } from '@/core/physical'
import { keyOfRef, refOf } from '@/core/records'
import { testAccount, testBook, testCatalogue, opened } from '@/tests/support/catalogue'
import { askedDesign, listOf, worldOf } from '@/tests/support/random-lists'
import { atLeast, runs } from '@/tests/support/runs'
import { type Known, SlowLists, type World } from '@/tests/support/slow-lists'
import { askGroups, askList, countList, csvOfList, type ListLine } from '..'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import { type Live, namesOf } from '../live'

let db: Catalogue
let live: Live
let book: Book

beforeAll(async () => {
  db = await testCatalogue('asklists')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Asked', askedDesign))
  book = live.book
})

const answers: Answers = { given: {}, now: { moment: '2027-03-12T10:00' } }

/** What one known record has in each of its columns. */
function rowOf(tableId: string, { values, links }: Known) {
  const table = tableOf(book, tableId)
  return table.fields.flatMap((field) => {
    const columns = namesOf(live).columns(tableId, field.id)
    if (field.kind !== 'link') return columns.map(({ name }) => [name, values[field.id] ?? null] as const)
    const ref = links[field.id] ?? null
    const key = ref === null ? undefined : keyOfRef(ref, columns.length)
    return columns.map(
      ({ name, leaf }, at) => [name, key ? kindOf(leafOf(book, leaf).kind).store(key[at]!) : null] as const,
    )
  })
}

async function fill(world: World): Promise<void> {
  const order = ['payment', 'paper', 'house-person', 'visit', 'house', 'person']
  for (const id of order) await run(db, `DELETE FROM ${namesOf(live).quoted(id)}`)
  for (const id of [...order].reverse()) {
    const rows = world[id]!.map((record) => rowOf(id, record))
    if (rows.length === 0) continue
    const names = rows[0]!.map(([name]) => quoteName(name)).join(', ')
    const one = `(${rows[0]!.map(() => '?').join(', ')})`
    await run(
      db,
      `INSERT INTO ${namesOf(live).quoted(id)} (${names}) VALUES ${rows.map(() => one).join(', ')}`,
      rows.flat().map(([, value]) => value),
    )
  }
}

/** All pages of a list, few records to a page. */
async function all(list: List, limit: number): Promise<readonly ListLine[]> {
  const lines: ListLine[] = []
  for (let after: Parameters<typeof askList>[3]['after']; ;) {
    const page = await askList({ db, live }, list, answers, { after, limit })
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

test('any list gives what looking at every record by itself gives, in the same order, page by page', async () => {
  const tried = { lists: 0, rows: 0, several: 0 }
  await fc.assert(
    fc.asyncProperty(
      worldOf(book),
      fc.array(listOf(book), { minLength: 12, maxLength: 12 }),
      fc.integer({ min: 1, max: 4 }),
      async (world, lists, limit) => {
        await fill(world)
        const slow = new SlowLists(book, world)
        for (const list of lists) {
          const expected = slow.shown(list).map((record) => ({
            ref: refOf(record.ref.split('~')),
            cells: Object.fromEntries(list.columns.map((column) => [column.id, asTold(slow.cell(record, column))])),
          }))
          const lines = (await all(list, limit)).map(({ ref, cells }) => ({
            ref,
            cells: Object.fromEntries(Object.entries(cells).map(([id, cell]) => [id, asTold(cell)])),
          }))
          expect(lines).toEqual(expected)
          const count = list.groups ? slow.records(list).length : expected.length
          expect(await countList({ db, live }, list, answers)).toEqual({ count })
          tried.lists++
          tried.rows += lines.length
          if (list.columns.some(({ shows }) => shows.kind !== 'field')) tried.several++
        }
      },
    ),
    { ...runs(40), endOnFailure: true },
  )
  expect(tried.rows).toBeGreaterThan(atLeast(500))
  expect(tried.several).toBeGreaterThan(atLeast(100))
})

const asKeys = (cells: readonly GroupCell[]) => JSON.stringify(cells.map(({ key }) => key))

test('groups, and groups within one, come to what looking at every record by itself comes to', async () => {
  const tried = { groups: 0, figures: 0, within: 0 }
  await fc.assert(
    fc.asyncProperty(
      worldOf(book),
      fc.array(listOf(book), { minLength: 12, maxLength: 12 }),
      fc.nat(100),
      async (world, lists, die) => {
        await fill(world)
        const slow = new SlowLists(book, world)
        for (const list of lists) {
          const all = list.groups?.map((_, at) => at) ?? []
          const records = slow.records(list)
          for (const by of [[], all.slice(0, 1), all, all.slice(-1)]) {
            const answer = await askGroups({ db, live }, list, answers, { by })
            if ('faults' in answer) throw new Error(JSON.stringify(answer.faults))
            const told = answer.groups.map(({ cells, count, figures }) => [asKeys(cells), { count, figures }] as const)
            expect(new Map(told)).toEqual(slow.groups(list, records, by))
            expect(told).toHaveLength(new Set(told.map(([key]) => key)).size)
            tried.groups += told.length
            tried.figures += Object.keys(told[0]?.[1].figures ?? {}).length
          }
          const groups = [...slow.groups(list, records, all).keys()]
          const path = JSON.parse(groups[die % Math.max(1, groups.length)] ?? '[]') as (string | null)[]
          const page = await askList({ db, live }, list, answers, { limit: 100, path })
          const expected = slow
            .within(list, records, path)
            .slice(0, list.first ?? Infinity)
            .map(({ ref }) => refOf(ref.split('~')))
          expect('lines' in page && page.lines.map(({ ref }) => ref)).toEqual(groups.length > 0 ? expected : [])
          if (path.length > 0) tried.within++
        }
      },
    ),
    { ...runs(25), endOnFailure: true },
  )
  expect(tried.groups).toBeGreaterThan(atLeast(400))
  expect(tried.figures).toBeGreaterThan(atLeast(200))
  expect(tried.within).toBeGreaterThan(atLeast(20))
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
  const page = await askList({ db, live }, list, { ...answers, given }, { limit: 50 })
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
  const houses = (how: 'contains' | 'begins' | 'ends' | 'is', value: string) =>
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
    for await (const part of csvOfList({ db, live }, list(as), answers)) text += part
    return text
  }
  expect(await csv('lines')).toBe("\ufeffTown,People\r\n'=1+1,Una\r\n,Corin\r\n")
  expect(await csv('together')).toBe('\ufeffTown,People\r\n\'=1+1,"Una, Corin"\r\n')
})

const bare = { person: [], payment: [], paper: [], 'house-person': [] }
const town = { way: [{ to: 'one', field: 'visit__house' }] as Way, field: 'house_town' }

test('towns written in capitals or not are one town, in what hangs on their records too; a file names the group', async () => {
  const houses = ['otterby', 'Otterby', 'Ash', null].map((name, at) => ({
    ref: String(at + 1),
    values: { 'house-key': String(at + 1), house_town: name },
    links: {},
  }))
  const visit = (ref: string, house: string | null, day: string) => ({
    ref,
    values: { 'visit-key': ref, visit_day: day },
    links: { visit__house: house },
  })
  await fill({
    ...bare,
    house: houses,
    visit: [
      visit('1', '1', '2027-03-01'),
      visit('2', '2', '2027-03-02'),
      visit('3', '3', '2027-03-03'),
      visit('4', null, '2027-03-04'),
    ],
    payment: ['1', '2', '2', '4'].map((of, at) => ({
      ref: String(at + 1),
      values: { 'payment-key': String(at + 1), payment_amount: '10.00' },
      links: { payment__visit: of },
    })),
  })
  const list: List = {
    id: 'list',
    table: 'visit',
    columns: [
      { id: 'day', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } },
      {
        id: 'paid',
        shows: {
          kind: 'gathered',
          way: [{ to: 'rows', link: 'visit--payment' }],
          name: 'total',
          field: 'payment_amount',
        },
      },
      { id: 'floors', shows: { kind: 'field', place: { ...town, field: 'house_town' } } },
    ],
    asks: [],
    order: [{ column: 'day', down: true }],
    groups: [{ place: town }],
    figures: [{ column: 'paid' }, { column: 'floors', name: 'different' }],
  }
  const found = await askGroups({ db, live }, list, answers, { by: [0] })
  expect('groups' in found && found.groups.map(({ cells, count, figures }) => [cells[0]!.key, count, figures])).toEqual(
    [
      ['Ash', 1, { paid: null, floors: '1' }],
      [expect.stringMatching(/^otterby$/i), 2, { paid: '30.00', floors: '1' }],
      [null, 1, { paid: '10.00', floors: '0' }],
    ],
  )
  expect(await refs({ ...list, groups: undefined })).toEqual(['4', '3', '2', '1'])
  let text = ''
  for await (const part of csvOfList({ db, live }, list, answers)) text += part
  expect(text.split('\r\n')).toEqual([
    '\ufeffTown,Day,Total of amount,House',
    'Ash,2027-03-03,,Ash',
    expect.stringMatching(/^otterby,2027-03-02,20.00,Otterby$/i),
    expect.stringMatching(/^otterby,2027-03-01,10.00,otterby$/i),
    'No town,2027-03-04,10.00,',
    '',
  ])
})

test('the first of what groups come to are told, and how many more there are; what is nearly the same is found', async () => {
  const names = ['Mill Bank', 'mill  bank', 'Millbank.', 'Quay', 'Quây', 'Ash', '…']
  await fill({
    ...bare,
    visit: [],
    house: names.map((name, at) => ({
      ref: String(at + 1),
      values: { 'house-key': String(at + 1), house_town: name, house_floors: String(at) },
      links: {},
    })),
  })
  const houses = (more: Partial<List>): List => ({
    id: 'list',
    table: 'house',
    columns: [{ id: 'n', shows: { kind: 'field', place: { way: [], field: 'house_floors' } } }],
    asks: [],
    order: [{ column: 'n', down: true }],
    ...more,
  })
  const same = (nearly: boolean) =>
    houses({
      where: { kind: 'repeats', places: [{ way: [], field: 'house_town' }], ...(nearly && { nearly: true as const }) },
    })
  expect(await refs(same(false))).toEqual([])
  expect(await refs(same(true))).toEqual(['5', '4', '3', '2', '1'])
  expect(await refs(houses({ first: 2 }))).toEqual(['7', '6'])
  const list = houses({
    groups: [{ place: { way: [], field: 'house_town' }, by: { column: 'n' }, down: true, first: 2 }],
    figures: [{ column: 'n', name: 'total' }],
  })
  const found = await askGroups({ db, live }, list, answers, { by: [0] })
  expect('groups' in found && [found.groups.map(({ cells }) => cells[0]!.key), found.left]).toEqual([['…', 'Ash'], 5])
  const tooMany = await askGroups({ db, live }, list, answers, { by: [0], most: 3 })
  expect('groups' in tooMany && [tooMany.groups.length, tooMany.more]).toEqual([2, true])
})
