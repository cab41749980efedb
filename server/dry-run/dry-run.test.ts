import { beforeAll, expect, test } from 'vitest'
import { type Edit, linksFrom, tableOf } from '@/core/book'
import { physicalNames } from '@/core/physical'
import { emberlyDesign } from '@/demo/emberly/design'
import { stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { tie } from '@/tests/support/edits'
import { booksOf } from '../books'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { select } from '../database'
import { liveOf, readList } from '../live'
import { type Account, roleIn, setRole } from '../people'
import { dryRunOf, makeDryRun, throwAway, throwOldAway } from '.'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('dryrun')
  account = await testAccount(db, 'Averil')
})

async function tried(of: string) {
  const made = await makeDryRun(db, account, of)
  if (!made.ok) throw new Error(JSON.stringify(made.problem))
  return made.value
}

const choiceTable: Edit[] = [
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'key' },
  { kind: 'addField', table: 'visit', id: 'state', name: 'State', holds: 'choice' },
  { kind: 'changeField', field: 'state', to: { must: true } },
]
const link = (one: string, many: string, must: boolean, more: object = {}) =>
  tie(one, many, { link: `${one}-${many}`, field: `${many}-at-${one}` }, { bMust: must, ...more })

test('the demo’s design is filled, every table, by every rule the database itself holds', async () => {
  const of = await testBook(db, account, 'Emberly', emberlyDesign().edits)
  const { id, tables } = await tried(of)
  const design = (await stored(db, of)).book
  expect(tables.map((table) => table.table)).toEqual(design.tables.map((table) => table.id))
  for (const table of tables) {
    expect([table.name, table.records > 0]).toEqual([table.name, true])
    // Rules that look at several records are kept by chance at best, and then it says so.
    if (table.short) expect(table.short).toMatch(/^\d made-up records? breaks? the rule/)
  }
  // It isn't among the books, and the office's own book is as it was.
  expect((await booksOf(db, account.id)).map((book) => book.id)).toEqual([of])
  expect((await stored(db, of)).opened).toBeUndefined()
  const live = liveOf(await stored(db, id))
  const visits = await readList(
    { db, live: live.ok ? live.value : (undefined as never) },
    { table: 'visit', limit: 200 },
  )
  expect(visits.rows.length).toBe(tables.find((table) => table.table === 'visit')?.records)
})

test('a dry run belongs to its book: who looks after that may use it, who made it no longer once removed', async () => {
  const of = await testBook(db, account, 'Whose', choiceTable.slice(0, 1))
  const other = await testAccount(db, 'Oswin')
  const clerk = await testAccount(db, 'Bram')
  await setRole(db, of, other.id, 'administrator')
  await setRole(db, of, clerk.id, 'staff')
  const { id } = await tried(of)
  expect([await roleIn(db, account.id, id), await roleIn(db, other.id, id)]).toEqual(['administrator', 'administrator'])
  expect(await roleIn(db, clerk.id, id)).toBeUndefined()
  await setRole(db, of, account.id, null)
  expect(await roleIn(db, account.id, id)).toBeUndefined()
})

test('the same design is filled the same, and an earlier dry run is thrown away', async () => {
  const of = await testBook(db, account, 'Twice', [
    ...choiceTable.slice(0, 1),
    { kind: 'addField', table: 'visit', id: 'name', name: 'Name', holds: 'line' },
  ])
  const first = await tried(of)
  const names = async (id: string) =>
    select(db, `SELECT name FROM \`${(await stored(db, id)).liveSchema}\`.visit ORDER BY visit_number`)
  const before = await names(first.id)
  const second = await tried(of)
  expect(await names(second.id)).toEqual(before)
  expect(before.length).toBeGreaterThan(10)
  expect(await dryRunOf(db, of)).toBe(second.id)
  await throwAway(db, of)
  expect(await dryRunOf(db, of)).toBeUndefined()
  expect(await select(db, `SHOW DATABASES LIKE '%dry%twice%'`)).toEqual([])
})

test('limits are kept, those with a condition too', async () => {
  const of = await testBook(db, account, 'Limits', [
    { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'k1' },
    { kind: 'addTable', id: 'person', name: 'Person', keyField: 'k2' },
    link('visit', 'person', true),
    { kind: 'addField', table: 'person', id: 'leads', name: 'Leads', holds: 'tick' },
    {
      kind: 'limitLink',
      link: 'visit-person',
      limits: [
        { id: 'all', most: 2 },
        { id: 'one', most: 1, when: { field: 'leads', is: '1' } },
      ],
    },
  ])
  const { id, tables } = await tried(of)
  const { book, liveSchema } = await stored(db, id)
  const person = physicalNames(book, liveSchema).quoted('person')
  const counts = await select<{ n: number; leads: number }>(
    db,
    `SELECT COUNT(*) AS n, SUM(leads) AS leads FROM ${person} GROUP BY visit`,
  )
  expect(Math.max(...counts.map((row) => Number(row.n)))).toBe(2)
  expect(Math.max(...counts.map((row) => Number(row.leads)))).toBe(1)
  expect(tables.find((table) => table.table === 'person')).toMatchObject({
    records: 24,
    short: 'Every visit has as many people as it may have.',
  })
})

test('what can’t be entered at all is told with why, and the rest is filled', async () => {
  const of = await testBook(db, account, 'Impossible', [
    ...choiceTable,
    { kind: 'addTable', id: 'hen', name: 'Hen', keyField: 'k1' },
    { kind: 'addTable', id: 'egg', name: 'Egg', keyField: 'k2' },
    { kind: 'addTable', id: 'nest', name: 'Nest', keyField: 'k3' },
    link('hen', 'egg', true),
    link('egg', 'hen', true),
    link('hen', 'nest', false),
  ])
  const { id, tables } = await tried(of)
  expect(tables.map(({ name, records, short }) => [name, records > 0, short])).toEqual([
    ['Visit', false, 'State must be filled, and there is no choice for it. Give it choices.'],
    [
      'Hen',
      false,
      'Each hen must first have an egg, and that comes back to a hen. Let one of the links on the way be empty.',
    ],
    [
      'Egg',
      false,
      'Each egg must first have a hen, and that comes back to an egg. Let one of the links on the way be empty.',
    ],
    ['Nest', true, undefined],
  ])
  const { book } = await stored(db, id)
  expect(linksFrom(book, 'nest')).toEqual([])
  expect(tableOf(book, 'nest').fields.map((field) => field.name)).toEqual(['Nest number'])
})

test('what nobody came back to for a day is thrown away, what is fresh stays', async () => {
  const [old, fresh] = [
    await testBook(db, account, 'Old', choiceTable.slice(0, 1)),
    await testBook(db, account, 'Fresh', choiceTable.slice(0, 1)),
  ]
  const { id } = await tried(old)
  await tried(fresh)
  await db.books.update({ created_at: stamp(new Date(Date.now() - 25 * 3600 * 1000)) }, { where: { id } })
  await throwOldAway(db)
  expect([await dryRunOf(db, old), typeof (await dryRunOf(db, fresh))]).toEqual([undefined, 'string'])
})

test('a book without tables has nothing to try', async () => {
  const of = await testBook(db, account, 'Bare', [])
  expect(await makeDryRun(db, account, of)).toMatchObject({ ok: false, problem: { kind: 'in-own-words' } })
})
