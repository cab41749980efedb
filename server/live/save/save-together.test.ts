import { beforeAll, beforeEach, expect, test } from 'vitest'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { ruled } from '@/tests/support/ruled-design'
import type { Catalogue } from '../../catalogue'
import { run, selectRows } from '../../database'
import { readRecord, saveTogether, type TogetherRequest } from '..'
import type { Live } from '../live'

let db: Catalogue
let live: Live
beforeAll(async () => {
  db = await testCatalogue('together')
  const account = await testAccount(db, 'Averil')
  const design = ruled('within', 'across', 'apart')
  live = await opened(db, account, await testBook(db, account, 'Hall', design.edits))
})

const sql = (statement: string) => run(db, statement.replaceAll('@', `\`${live.schema}\`.`))
beforeEach(async () => {
  for (const table of ['extra', 'hire', 'room']) await sql(`DELETE FROM @${table}`)
  await sql('INSERT INTO @room (room_number, seats) VALUES (1, 50), (2, 10)')
  await sql(
    "INSERT INTO @hire (hire_number, from_day, to_day, guests, state, note, room) VALUES (1, '2027-03-01', '2027-03-02', 5, 'asked', 'a', 1), (2, '2027-03-05', '2027-03-06', 20, 'agreed', NULL, 1), (3, '2027-04-01', '2027-04-02', 8, 'asked', NULL, 2)",
  )
  await sql("INSERT INTO @extra (extra_number, what, hire) VALUES (1, 'Chairs', 1)")
})

const who = () => ({ db, live, who: 'Averil' })
const revOf = async (ref: string) => {
  const record = await readRecord({ db, live }, 'hire', ref)
  if (!record.ok) throw new Error(`Expected hire ${ref}.`)
  return record.value.row.rev
}
async function send(
  refs: readonly string[],
  values: Record<string, string | null>,
  more: Partial<TogetherRequest> = {},
) {
  const records = await Promise.all(refs.map(async (ref) => ({ ref, rev: await revOf(ref), values })))
  return saveTogether(who(), { table: 'hire', records, ...more })
}
const hires = () =>
  selectRows<(string | number | null)[]>(
    db,
    `SELECT hire_number, state, note, room FROM \`${live.schema}\`.hire ORDER BY hire_number`,
  )

test('several are changed as one, and what they were before takes it back as one', async () => {
  const outcome = await send(['1', '2'], { state: 'over', note: 'done' })
  if (outcome.kind !== 'done') throw new Error(JSON.stringify(outcome))
  expect(outcome.records.map(({ before }) => before)).toEqual([
    { state: 'asked', note: 'a' },
    { state: 'agreed', note: null },
  ])
  expect(await hires()).toEqual([
    [1, 'over', 'done', 1],
    [2, 'over', 'done', 1],
    [3, 'asked', null, 2],
  ])
  const back = outcome.records.map(({ ref, rev, before }) => ({ ref, rev, values: before }))
  expect((await saveTogether(who(), { table: 'hire', records: back })).kind).toBe('done')
  expect((await hires()).map(([, state, note]) => [state, note])).toEqual([
    ['asked', 'a'],
    ['agreed', null],
    ['asked', null],
  ])
})

test('where one may not, none is changed, and it is said which', async () => {
  const before = await hires()
  // The second has twenty guests, and the room ten seats.
  expect(await send(['1', '2'], { 'hire-room': '2' })).toMatchObject({ kind: 'refused', record: '2' })
  expect(await hires()).toEqual(before)
  expect(await send(['1', '3'], { from: 'no day' })).toMatchObject({
    kind: 'refused',
    record: expect.stringMatching(/^1/),
  })
  expect(await send(['1', '3'], { 'hire-room': '9' })).toMatchObject({
    kind: 'refused',
    record: expect.stringMatching(/^1/),
  })
  expect(await hires()).toEqual(before)
})

test('records that would stand in each other’s way are refused together', async () => {
  await sql("UPDATE @hire SET from_day = '2027-03-01', to_day = '2027-03-02', room = NULL WHERE hire_number IN (1, 3)")
  expect(await send(['1', '3'], { 'hire-room': '2' })).toMatchObject({
    kind: 'refused',
    record: expect.stringMatching(/[13]/),
  })
})

test('what somebody else changed or removed since it was seen stays as it is, and so do all', async () => {
  const records = [
    { ref: '1', rev: await revOf('1'), values: { note: 'mine' } },
    { ref: '2', rev: await revOf('2'), values: { note: 'mine' } },
  ]
  await sql("UPDATE @hire SET note = 'theirs', row_rev = row_rev + 1 WHERE hire_number = 2")
  const request = { table: 'hire', records }
  expect(await saveTogether(who(), request)).toMatchObject({
    kind: 'refused',
    record: expect.stringMatching(/^2/),
    problem: { kind: 'changed-meanwhile' },
  })
  await sql('DELETE FROM @hire WHERE hire_number = 2')
  expect(await saveTogether(who(), request)).toMatchObject({ kind: 'refused', problem: { kind: 'no-such-record' } })
  expect((await hires())[0]).toEqual([1, 'asked', 'a', 1])
})

test('several are removed as one with what goes with them, or none is', async () => {
  expect(await send(['1', '3'], {}, { remove: true })).toMatchObject({ kind: 'done' })
  expect((await hires()).map(([ref]) => ref)).toEqual([2])
  expect(await selectRows(db, `SELECT * FROM \`${live.schema}\`.extra`)).toEqual([])
  const room = {
    table: 'room',
    records: [
      { ref: '2', rev: 1, values: {} },
      { ref: '1', rev: 1, values: {} },
    ],
  }
  // The first room is still used by a hire.
  expect(await saveTogether(who(), { ...room, remove: true })).toMatchObject({
    kind: 'refused',
    record: expect.stringMatching(/^1/),
  })
  expect(await selectRows(db, `SELECT room_number FROM \`${live.schema}\`.room`)).toHaveLength(2)
})

test('two who change the same records at once don’t hold each other up', async () => {
  const [one, two] = await Promise.all([send(['1', '2', '3'], { note: 'one' }), send(['3', '2', '1'], { note: 'two' })])
  const kinds = [one.kind, two.kind].sort()
  expect(kinds).toEqual(['done', 'refused'])
  expect(new Set((await hires()).map(([, , note]) => note)).size).toBe(1)
})
