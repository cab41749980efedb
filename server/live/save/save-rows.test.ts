import fc from 'fast-check'
import { beforeAll, beforeEach, expect, test } from 'vitest'
import { editAll, opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { ruled } from '@/tests/support/ruled-design'
import type { Catalogue } from '../../catalogue'
import { run, selectRows } from '../../database'
import type { Account } from '../../people'
import { openBook, type RowsRequest, saveRecord, saveRows, violatedRules } from '..'
import type { Live } from '../live'

type Values = Record<string, string | null>

let db: Catalogue
let live: Live
let account: Account
let bookId: string
beforeAll(async () => {
  db = await testCatalogue('saverows')
  account = await testAccount(db, 'Averil')
  const design = ruled('within', 'across', 'apart', 'together', 'gathered', 'closed', 'warned').do({
    kind: 'limitLink',
    link: 'extra-hire-link',
    limits: [{ id: 'most', most: 3 }],
  })
  bookId = await testBook(db, account, 'Hall', design.edits)
  live = await opened(db, account, bookId)
})

const sql = (statement: string) => run(db, statement.replaceAll('@', `\`${live.schema}\`.`))
beforeEach(async () => {
  // Emptied past the rules: what is over couldn't be removed.
  for (const table of ['extra', 'hire', 'room'])
    await sql(`SET STATEMENT foreign_key_checks = 0 FOR TRUNCATE TABLE @${table}`)
  await sql('INSERT INTO @room (room_number, seats) VALUES (1, 50), (2, 10)')
  await sql(
    "INSERT INTO @hire (hire_number, from_day, to_day, guests, state, price, room) VALUES (1, '2027-03-01', '2027-03-02', 5, 'asked', 100, 1), (2, '2027-03-05', '2027-03-06', 20, 'over', 100, 1), (3, '2027-04-01', '2027-04-02', 8, 'asked', 20, 2)",
  )
})

const fresh = (values: Values) => ({ ref: null, rev: null, values })
const send = (table: string, rows: RowsRequest['rows'], more: Partial<RowsRequest> = {}) =>
  saveRows({ db, live, who: 'Averil' }, { table, rows, keep: 'all', ...more })
const stored = (table: string, columns: string) =>
  selectRows<(string | number | null)[]>(
    db,
    `SELECT ${columns} FROM \`${live.schema}\`.\`${table}\` ORDER BY ${table}_number`,
  )
const said = (words: string) => ({ kind: 'in-own-words', words })
const hire = (from: string, to: string, more: Values = {}) => fresh({ from, to, 'hire-room': '1', ...more })

test('new rows and changed ones are saved as one, with their numbers, in the order they stand in', async () => {
  const outcome = await send('hire', [
    hire('2027-05-01', '2027-05-02', { note: 'first' }),
    { ref: '1', rev: 1, values: { note: 'changed' } },
    hire('2027-05-03', '2027-05-04', { note: 'second' }),
  ])
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  const refs = new Map(outcome.saved.map(({ at, ref }) => [at, Number(ref)]))
  expect(refs.get(1)).toBe(1)
  expect(refs.get(2)).toBe(refs.get(0)! + 1)
  expect(await stored('hire', 'hire_number, note, row_rev, changed_by')).toEqual([
    [1, 'changed', 2, 'Averil'],
    [2, null, 1, null],
    [3, null, 1, null],
    [refs.get(0), 'first', 1, 'Averil'],
    [refs.get(2), 'second', 1, 'Averil'],
  ])
})

test('where a row is refused none is saved, and each that is wrong is told at its field', async () => {
  const before = await stored('hire', '*')
  const outcome = await send('hire', [
    hire('2027-05-01', '2027-05-02'),
    hire('no day', '2027-05-02'),
    hire('2027-05-09', '2027-05-08'),
  ])
  expect(outcome).toEqual({
    kind: 'refused',
    whole: [],
    refused: [
      { at: 1, problems: { from: expect.objectContaining({ kind: expect.any(String) }) } },
      { at: 2, problems: { to: said('It ends before it begins.') } },
    ],
  })
  expect(await stored('hire', '*')).toEqual(before)
})

test('those that are right are saved where that is wished, whatever refuses the others', async () => {
  const rows = [
    hire('2027-05-01', '2027-05-02', { note: 'right' }),
    // Refused by the kind, the database, a rule over linked records, one over several rows, and somebody's change.
    hire('2027-05-03', '2027-05-04', { guests: 'many' }),
    hire('2027-05-03', '2027-05-04', { 'hire-room': '9' }),
    hire('2027-05-05', '2027-05-06', { guests: '51' }),
    hire('2027-03-02', '2027-03-04', { note: 'meets the first' }),
    { ref: '1', rev: 7, values: { note: 'old' } },
    { ref: '99', rev: 1, values: { note: 'gone' } },
    { ref: '3', rev: 1, values: { note: 'right too' } },
  ]
  const outcome = await send('hire', rows, { keep: 'right' })
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  expect(outcome.saved.map(({ at }) => at).sort()).toEqual([0, 7])
  expect(outcome.refused.map(({ at, problems }) => [at, Object.keys(problems)])).toEqual([
    [1, ['guests']],
    [2, ['hire-room']],
    [3, [expect.any(String)]],
    [4, [expect.any(String)]],
    [5, ['']],
    [6, ['']],
  ])
  expect(outcome.refused[4]!.problems['']).toMatchObject({ kind: 'changed-meanwhile' })
  expect(outcome.refused[5]!.problems['']).toMatchObject({ kind: 'no-such-record' })
  expect((await stored('hire', 'note')).flat()).toEqual([null, null, 'right too', 'right'])
})

test('what rows break of the record that they hang on is told at the row, and the others are saved', async () => {
  const extra = (what: string, to: string, cost: string) => fresh({ what, cost, 'extra-hire': to })
  const outcome = await send(
    'extra',
    [extra('Chairs', '1', '10'), extra('Piano', '3', '500'), extra('Tables', '1', '10'), extra('Lamp', '2', '1')],
    { keep: 'right' },
  )
  expect(outcome).toMatchObject({ kind: 'saved', saved: [{ at: 0 }, { at: 2 }] })
  if (outcome.kind !== 'saved') return
  expect(outcome.refused).toEqual([
    { at: 1, problems: { '': said(expect.stringContaining('The extras cost more than the hire.') as never) } },
    { at: 3, problems: { '': said('What is over stays as it is.') } },
  ])
})

test('of rows that are too many for one record, those beyond are refused, however many', async () => {
  const rows = Array.from({ length: 40 }, (_, at) => fresh({ what: `Extra ${at}`, 'extra-hire': at % 2 ? '1' : '3' }))
  const outcome = await send('extra', rows, { keep: 'right' })
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  expect(outcome.saved.map(({ at }) => at).sort()).toEqual([0, 1, 2, 3, 4, 5])
  expect(outcome.refused).toHaveLength(34)
})

test('what only warns is asked first, and saved once its words were read', async () => {
  await sql('UPDATE @room SET seats = 900')
  const rows = [hire('2027-05-01', '2027-05-02', { guests: '300' })]
  expect(await send('hire', rows)).toEqual({
    kind: 'warned',
    warnings: [{ rule: 'warned', words: 'That is many guests.' }],
  })
  expect((await stored('hire', 'hire_number')).length).toBe(3)
  expect(await send('hire', rows, { despite: ['warned'] })).toMatchObject({ kind: 'saved' })
})

test('rows that another tool wrote with numbers ahead of ours are no hindrance', async () => {
  const first = await send('extra', [fresh({ what: 'One', 'extra-hire': '1' })])
  if (first.kind !== 'saved') throw new Error(JSON.stringify(first))
  const next = Number(first.saved[0]!.ref) + 1
  await sql(`INSERT INTO @extra (extra_number, what, hire) VALUES (${next + 1}, 'Theirs', 3)`)
  const outcome = await send(
    'extra',
    [1, 2].map((at) => fresh({ what: `Ours ${at}`, 'extra-hire': '1' })),
  )
  expect(outcome).toMatchObject({ kind: 'saved', refused: [] })
  expect(await stored('extra', 'what')).toHaveLength(4)
})

test('two who save rows at once under one record keep its limit between them', async () => {
  const rows = (who: string) => [1, 2, 3].map((at) => fresh({ what: `${who} ${at}`, 'extra-hire': '1' }))
  const both = await Promise.all(['Averil', 'Bram'].map((who) => send('extra', rows(who), { keep: 'right' })))
  expect(both.map(({ kind }) => kind).sort()).toEqual(['refused', 'saved'])
  expect(await stored('extra', 'what')).toHaveLength(3)
})

test('of a table that isn’t there any more nothing is saved, in words', async () => {
  expect(await send('attic', [fresh({})], { keep: 'right' })).toEqual({
    kind: 'refused',
    refused: [],
    whole: [{ kind: 'gone', what: 'table' }],
  })
})

test('rows that are saved while the book is opened with a changed design are all there afterwards, or none is', async () => {
  const rows = Array.from({ length: 1500 }, (_, at) =>
    hire('2031-01-01', '2031-01-01', { 'hire-room': null, note: `n${at}` }),
  )
  const edit = { kind: 'addField', table: 'hire', id: 'colour', name: 'Colour', holds: 'line' } as const
  await editAll(db, account, bookId, [edit])
  const [opening, first, second] = await Promise.all([
    openBook(db, bookId, account.id),
    send('hire', rows),
    send('hire', rows, { keep: 'right' }),
  ])
  expect(opening).toMatchObject({ ok: true })
  const saved = [first, second].filter(({ kind }) => kind === 'saved').length
  expect([first, second].every(({ kind }) => kind === 'saved' || kind === 'waits')).toBe(true)
  expect(await stored('hire', 'hire_number')).toHaveLength(3 + saved * rows.length)
})

const day = fc.integer({ min: 10, max: 28 }).map((at) => `2027-05-${at}`)
const someHire = fc
  .record({
    from: day,
    to: day,
    guests: fc.integer({ min: 1, max: 60 }).map(String),
    'hire-room': fc.constantFrom('1', '2', '9'),
  })
  .map(fresh)

test('whatever is sent, what is saved keeps every rule, and a row alone fares as it would through a form', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(someHire, { minLength: 1, maxLength: 12 }), async (rows) => {
      await sql('DELETE FROM @hire WHERE hire_number > 3')
      const outcome = await send('hire', rows, { keep: 'right' })
      const told = outcome.kind === 'saved' || outcome.kind === 'refused' ? outcome.refused.length : NaN
      const done = outcome.kind === 'saved' ? outcome.saved.length : 0
      expect(told + done).toBe(rows.length)
      expect((await stored('hire', 'hire_number')).length).toBe(3 + done)
      expect(await violatedRules({ db, live })).toEqual([])
      // A single row goes the same way as through a form.
      await sql('DELETE FROM @hire WHERE hire_number > 3')
      const [first] = rows as [(typeof rows)[number]]
      const alone = await saveRecord({ db, live, who: 'Averil' }, { table: 'hire', ...first, children: [] })
      await sql('DELETE FROM @hire WHERE hire_number > 3')
      expect((await send('hire', [first])).kind).toBe(alone.kind)
    }),
    { numRuns: 40 },
  )
}, 120_000)
