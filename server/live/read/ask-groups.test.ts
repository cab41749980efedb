import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import type { Book, List, Way } from '@/core/book'
import type { GroupCell } from '@/core/lists'
import { refOf } from '@/core/records'
import { answers, type AskedBook, askedRecords, fillWith, walkOf } from '@/tests/support/asked-records'
import { listOf, worldOf } from '@/tests/support/random-lists'
import { atLeast, runs } from '@/tests/support/runs'
import { SlowLists, type World } from '@/tests/support/slow-lists'
import { askGroups, askList, csvOfList } from '..'

let asked: AskedBook
let plain: AskedBook
let ready: AskedBook
let book: Book
const fill = (world: World) => fillWith(asked, world)

beforeAll(async () => {
  plain = await askedRecords('askgroups')
  ready = await askedRecords('askgroups_ready', true)
  asked = plain
  book = plain.live.book
})

const asKeys = (cells: readonly GroupCell[]) => JSON.stringify(cells.map(({ key }) => key))

test.each([false, true])(
  'groups, and groups within one, come to what looking at every record by itself comes to, what is kept ready: %s',
  async (isReady) => {
    asked = isReady ? ready : plain
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
              const answer = await askGroups(asked, list, answers, { by })
              if ('faults' in answer) throw new Error(JSON.stringify(answer.faults))
              const told = answer.groups.map(
                ({ cells, count, figures }) => [asKeys(cells), { count, figures }] as const,
              )
              expect(new Map(told)).toEqual(slow.groups(list, records, by))
              expect(told).toHaveLength(new Set(told.map(([key]) => key)).size)
              tried.groups += told.length
              tried.figures += Object.keys(told[0]?.[1].figures ?? {}).length
            }
            const groups = [...slow.groups(list, records, all).keys()]
            const path = JSON.parse(groups[die % Math.max(1, groups.length)] ?? '[]') as (string | null)[]
            const page = await askList(asked, list, answers, { limit: 100, path })
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
  },
)

const refs = async (list: List) => {
  const page = await askList(asked, list, answers, { limit: 50 })
  return 'lines' in page ? page.lines.map(({ ref }) => ref) : page.faults
}

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
  const found = await askGroups(asked, list, answers, { by: [0] })
  expect('groups' in found && found.groups.map(({ cells, count, figures }) => [cells[0]!.key, count, figures])).toEqual(
    [
      ['Ash', 1, { paid: null, floors: '1' }],
      [expect.stringMatching(/^otterby$/i), 2, { paid: '30.00', floors: '1' }],
      [null, 1, { paid: '10.00', floors: '0' }],
    ],
  )
  expect(await refs({ ...list, groups: undefined })).toEqual(['4', '3', '2', '1'])
  let text = ''
  for await (const part of csvOfList(walkOf(asked, list))) text += part
  const short = async () => {
    for await (const part of csvOfList({ ...walkOf(asked, list), most: 2 })) text += part
  }
  const whole = text
  await expect(short()).rejects.toThrow('to its end')
  expect(whole.split('\r\n')).toEqual([
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
  const found = await askGroups(asked, list, answers, { by: [0] })
  expect('groups' in found && [found.groups.map(({ cells }) => cells[0]!.key), found.left]).toEqual([['…', 'Ash'], 5])
  const tooMany = await askGroups(asked, list, answers, { by: [0], most: 3 })
  expect('groups' in tooMany && [tooMany.groups.length, tooMany.more]).toEqual([2, true])
})
