import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { emberlyDesign } from '@/demo/emberly/design'
import {
  editAll,
  opened,
  shapeAfresh,
  shapeOf,
  stored,
  testAccount,
  testBook,
  testCatalogue,
} from '@/tests/support/catalogue'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import type { Account } from '../../people'
import { openBook, openingSheet, readList, resumeOpenings, saveRecord } from '..'
import { journalled, killedAt, moments, refusedAtLast } from '@/tests/support/crashes'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('opening')
  account = await testAccount(db, 'Averil')
})

const visits: Edit[] = [
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'key' },
  { kind: 'addField', table: 'visit', id: 'name', name: 'Customer', holds: 'line' },
  { kind: 'addField', table: 'visit', id: 'state', name: 'State', holds: 'choice' },
  {
    kind: 'changeField',
    field: 'state',
    to: {
      choices: [
        { id: 'a', word: 'booked' },
        { id: 'b', word: 'done' },
      ],
    },
  },
]

async function visitBook(name: string) {
  const id = await testBook(db, account, name, visits)
  const live = await opened(db, account, id)
  const add = (values: Record<string, string>) =>
    saveRecord({ db, live, who: 'Averil' }, { table: 'visit', ref: null, rev: null, values, children: [] })
  return { id, live, add, edit: (...edits: Edit[]) => editAll(db, account, id, edits) }
}

async function sheet(id: string) {
  const outcome = await openBook(db, id, account.id)
  if (!outcome.ok) throw new Error(outcome.problem.kind)
  return outcome.value
}

test('renames, new fields, new choices and wider texts are carried out on live records', async () => {
  const { id, add, edit } = await visitBook('Changes')
  await add({ name: 'Averil Teal', state: 'booked' })
  await edit(
    { kind: 'renameTable', table: 'visit', name: 'Call-out' },
    { kind: 'changeField', field: 'name', to: { name: 'Person', length: 200 } },
    {
      kind: 'changeField',
      field: 'state',
      to: {
        choices: [
          { id: 'a', word: 'arranged' },
          { id: 'b', word: 'done' },
          { id: 'c', word: 'cancelled' },
        ],
      },
    },
    { kind: 'addField', table: 'visit', id: 'when', name: 'When', holds: 'date' },
    { kind: 'addTable', id: 'part', name: 'Part', keyField: 'part-key' },
  )
  expect(await sheet(id)).toMatchObject({ kind: 'change', blocked: [] })
  const book = await stored(db, id)
  const rows = await select(db, `SELECT person, state, when_value FROM \`${book.liveSchema}\`.call_out`)
  expect(rows).toEqual([{ person: 'Averil Teal', state: 'arranged', when_value: null }])
  expect(book.opened).toEqual(book.book)
  expect(await shapeOf(db, book.liveSchema)).toBe(await shapeAfresh(db, account, id))
})

test.each<[string, Edit, RegExp]>([
  [
    'a must that rows lack',
    { kind: 'changeField', field: 'state', to: { must: true } },
    /^1 visit has no state, which must be filled now\./,
  ],
  [
    'a text made too short',
    { kind: 'changeField', field: 'name', to: { length: 5 } },
    /^2 visits have more than 5 characters in Customer\./,
  ],
  [
    'a removed choice in use',
    { kind: 'changeField', field: 'state', to: { choices: [{ id: 'b', word: 'done' }] } },
    /^1 visit has a value in Visit → State outside “Choice: done”/,
  ],
  [
    'different where two are the same',
    { kind: 'changeField', field: 'name', to: { unique: true } },
    /^Customer must be different for each visit now, but 1 value stands there more than once\./,
  ],
  [
    'a removed field with values',
    { kind: 'removeField', field: 'name' },
    /^Customer was removed from Visit, but 2 visits hold something there\./,
  ],
  [
    'a removed table with records',
    { kind: 'removeTable', table: 'visit' },
    /^(Visit was removed from the design but still holds 2 records|There are no tables yet)/,
  ],
  [
    'another kind of value',
    { kind: 'changeField', field: 'name', to: { kind: 'date' } },
    /^Customer would hold another kind of value, and 2 visits have one already\./,
  ],
  [
    'another key',
    { kind: 'setKey', table: 'visit', fields: ['name'] },
    /^The new key of Visit must be different for every record, but 1 value of it stands there more than once\./,
  ],
])('%s is refused with what stands in the way, and nothing changes', async (_what, edit, words) => {
  const { id, live, add, edit: make } = await visitBook(`Refused ${edit.kind}`)
  await add({ name: 'Averil Teal', state: 'booked' })
  await add({ name: 'Averil Teal' })
  const before = await shapeOf(db, live.schema)
  await make(edit)
  const { blocked } = await sheet(id)
  expect(blocked[0]).toMatch(words)
  expect(await shapeOf(db, live.schema)).toBe(before)
  expect((await readList({ db, live }, { table: 'visit', limit: 10 })).rows).toHaveLength(2)
})

test('two fields can trade names, and two choices their words', async () => {
  const { id, live, add, edit } = await visitBook('Trading')
  await edit({ kind: 'addField', table: 'visit', id: 'other', name: 'Other', holds: 'line' })
  await sheet(id)
  await add({ name: 'one', state: 'booked' })
  await edit(
    { kind: 'changeField', field: 'other', to: { name: 'Passing' } },
    { kind: 'changeField', field: 'name', to: { name: 'Other' } },
    { kind: 'changeField', field: 'other', to: { name: 'Customer' } },
    {
      kind: 'changeField',
      field: 'state',
      to: {
        choices: [
          { id: 'a', word: 'done' },
          { id: 'b', word: 'booked' },
        ],
      },
    },
  )
  expect((await sheet(id)).blocked).toEqual([])
  expect(await select(db, `SELECT customer, other, state FROM \`${live.schema}\`.visit`)).toEqual([
    { customer: null, other: 'one', state: 'done' },
  ])
})

test('while there are no records the database is simply built again, with any key', async () => {
  const { id, live, edit } = await visitBook('Empty')
  await edit({ kind: 'setKey', table: 'visit', fields: ['name'] })
  expect((await sheet(id)).kind).toBe('afresh')
  const [row] = await select<{ name: string }>(
    db,
    `SELECT COLUMN_NAME AS name FROM information_schema.KEY_COLUMN_USAGE WHERE TABLE_SCHEMA = ? AND CONSTRAINT_NAME = 'PRIMARY' AND TABLE_NAME = 'visit'`,
    [live.schema],
  )
  expect(row?.name).toBe('customer')
})

test('a first opening killed at every moment of every step, one after the other, still finishes', async () => {
  const edits = emberlyDesign().edits
  const whole = await opened(db, account, await testBook(db, account, 'Whole', edits))
  const id = await testBook(db, account, 'Killed', edits)
  const { entry, steps } = await journalled(db, account, id)
  expect(steps).toBeGreaterThan(20)
  for (let place = 0; place < steps; place++) for (const moment of moments) await killedAt(db, entry, place, moment)
  await resumeOpenings(db)
  const book = await stored(db, id)
  expect(book.opened).toEqual(book.book)
  expect(await shapeOf(db, book.liveSchema)).toBe(await shapeOf(db, whole.schema))
}, 240_000)

test('a change on live records killed at any moment of any step is finished at the next start', async () => {
  const changes: Edit[] = [
    { kind: 'renameTable', table: 'visit', name: 'Call-out' },
    { kind: 'changeField', field: 'name', to: { name: 'Person', length: 200 } },
    {
      kind: 'changeField',
      field: 'state',
      to: {
        choices: [
          { id: 'a', word: 'done' },
          { id: 'b', word: 'booked' },
        ],
      },
    },
    { kind: 'addField', table: 'visit', id: 'when', name: 'When', holds: 'date' },
  ]
  for (let place = 0, steps = 1; place < steps; place++) {
    for (const moment of moments) {
      const { id, add, edit, live } = await visitBook(`Change ${place} ${moment}`)
      await add({ name: 'Averil Teal', state: 'booked' })
      await edit(...changes)
      const book = await stored(db, id)
      const journal = await journalled(db, account, id)
      steps = journal.steps
      await killedAt(db, journal.entry, place, moment)
      await resumeOpenings(db)
      expect(await select(db, `SELECT person, state, when_value FROM \`${live.schema}\`.call_out`)).toEqual([
        { person: 'Averil Teal', state: 'done', when_value: null },
      ])
      expect((await stored(db, id)).opened).toEqual(book.book)
    }
  }
}, 240_000)

test('a first opening that is refused leaves nothing, one that builds anew leaves what there was', async () => {
  const id = await testBook(db, account, 'Refused first', emberlyDesign().edits)
  expect(await refusedAtLast(db, account, id)).toBe('taken-back')
  expect(await shapeOf(db, (await stored(db, id)).liveSchema)).toBe('')
  const { id: empty, live, edit } = await visitBook('Refused anew')
  const before = await shapeOf(db, live.schema)
  await edit({ kind: 'setKey', table: 'visit', fields: ['name'] })
  const plan = await openingSheet(db, await stored(db, empty))
  expect(plan.kind).toBe('afresh')
  expect(await refusedAtLast(db, account, empty, plan.steps)).toBe('taken-back')
  expect(await shapeOf(db, live.schema)).toBe(before)
})

test('a step that the database refuses takes the steps before it back', async () => {
  const { id, live, add, edit } = await visitBook('Taken back')
  await add({ name: 'Averil Teal', state: 'booked' })
  const before = await shapeOf(db, live.schema)
  await edit(
    { kind: 'renameTable', table: 'visit', name: 'Call-out' },
    { kind: 'addField', table: 'visit', id: 'when', name: 'When', holds: 'date' },
  )
  // Something nobody planned for stands where the renamed table should go.
  await run(db, `CREATE VIEW \`${live.schema}\`.call_out AS SELECT 1 AS one`)
  expect((await sheet(id)).blocked[0]).toMatch(/everything was put back as it was/)
  await run(db, `DROP VIEW \`${live.schema}\`.call_out`)
  expect(await shapeOf(db, live.schema)).toBe(before)
  expect((await sheet(id)).blocked).toEqual([])
})

test('once something that was agreed to is gone for good an opening goes on, it is never said to be put back', async () => {
  const { id, live, add, edit } = await visitBook('For good')
  await add({ name: 'Averil Teal', state: 'booked' })
  await edit(
    { kind: 'removeField', field: 'name' },
    { kind: 'addTable', id: 'part', name: 'Part', keyField: 'part-key' },
  )
  const lost = await openingSheet(db, await stored(db, id))
  const agreed = lost.losses.map((loss) => ({ id: loss.id, most: loss.count }))
  const { entry } = await journalled(db, account, id)
  const steps = lost.steps.map((step) => ({
    ...step,
    ...(step.asks && { agreed }),
    ...(step.loses && { forGood: true as const }),
  }))
  const last = { say: 'One more', sql: 'SELECT nonsense FROM nowhere' }
  await db.openings.update({ steps: JSON.stringify([...steps, last]) }, { where: { id: entry } })
  await expect(resumeOpenings(db, id)).rejects.toThrow(/nowhere/)
  await db.openings.update({ steps: JSON.stringify([...steps, { ...last, sql: 'DO 0' }]) }, { where: { id: entry } })
  await resumeOpenings(db, id)
  expect((await stored(db, id)).opened).toEqual((await stored(db, id)).book)
  expect(await select(db, `SELECT state FROM \`${live.schema}\`.visit`)).toEqual([{ state: 'booked' }])
})
