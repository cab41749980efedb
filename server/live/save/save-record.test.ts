import { beforeAll, expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { addDays } from '@/core/kinds'
import { wordProblem } from '@/core/words'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import {
  countRows,
  type Live,
  readList,
  readRecord,
  countRemoval,
  removeRecord,
  saveRecord,
  type SaveOutcome,
  type SaveRequest,
} from '..'

let db: Catalogue
let live: Live

beforeAll(async () => {
  db = await testCatalogue('saving')
  const account = await testAccount(db, 'Averil')
  const id = await testBook(db, account, 'Saving', emberlyDesign().edits)
  live = await opened(db, account, id)
})

const blank = { ref: null, rev: null, children: [] } satisfies Partial<SaveRequest>
const save = (request: Omit<SaveRequest, 'ref' | 'rev' | 'children'> & Partial<SaveRequest>) =>
  saveRecord({ db, live, who: 'Averil' }, { ...blank, ...request })

async function saved(request: Parameters<typeof save>[0]) {
  const outcome = await save(request)
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  return outcome.record
}

const words = (outcome: SaveOutcome) =>
  outcome.kind === 'refused'
    ? [
        ...Object.values(outcome.problems.fields),
        ...Object.values(outcome.problems.rows).flatMap(Object.values),
        ...outcome.problems.whole,
      ].map(wordProblem)
    : outcome.kind

const premises = (address: string) =>
  saved({ table: 'premises', values: { premises__address: address, premises__town: 'Otterby' } })
// No two visits to one premises may overlap: each is on a day of its own.
let day = '2027-03-11'
const visitValues = (ref: string) => ({
  visit__premises: ref,
  'visit__booked-for': `${(day = addDays(day, 1))}T09:30`,
  visit__state: 'booked',
})

test('a record gets its running number, its starting revision and who made it', async () => {
  const record = await premises('14 Quay Lane')
  expect(record.row).toMatchObject({ label: '14 Quay Lane, Otterby', rev: 1, changedBy: 'Averil' })
  expect(record.row.ref).toMatch(/^P-\d{4}$/)
})

test('a record is saved with its rows, or not at all', async () => {
  const house = await premises('1 Tern Court')
  await saved({
    table: 'service-item',
    values: {
      'service-item__key': 'SWEEP1',
      'service-item__what-it-is': 'Sweep, single flue',
      'service-item__list-price': '62',
    },
  })
  await saved({
    table: 'service-item',
    values: {
      'service-item__key': 'SMOKE',
      'service-item__what-it-is': 'Smoke test',
      'service-item__list-price': '42',
    },
  })
  const line = (item: string, quantity: string) => ({
    ref: null,
    rev: null,
    values: { 'work-line__service-item': item, 'work-line__quantity': quantity },
  })
  const before = await countRows({ db, live }, 'visit')
  const refused = await save({
    table: 'visit',
    values: visitValues(house.row.ref),
    children: [{ link: 'work-line__visit__l', rows: [line('SWEEP1', '2'), line('SMOKE', '0')] }],
  })
  expect(words(refused)).toEqual(['This must be 1 or more.'])
  expect(await countRows({ db, live }, 'visit')).toBe(before)

  const visit = await saved({
    table: 'visit',
    values: visitValues(house.row.ref),
    children: [{ link: 'work-line__visit__l', rows: [line('SWEEP1', '2'), line('SMOKE', '1')] }],
  })
  expect(visit.children['work-line__visit__l']!.map((row) => row.values['work-line__quantity'])).toEqual(['2', '1'])
  expect(visit.children['work-line__visit__l']![0]!.labels['work-line__service-item']).toBe('Sweep, single flue')
})

test('refused saves leave no gap in the running numbers', async () => {
  const first = await premises('2 Tern Court')
  await save({ table: 'premises', values: { premises__address: 'x'.repeat(81), premises__town: 'Otterby' } })
  await save({ table: 'visit', values: visitValues('P-9999') })
  const second = await premises('3 Tern Court')
  expect(Number(second.row.ref.slice(2))).toBe(Number(first.row.ref.slice(2)) + 1)
})

test('fifty people saving at once get fifty numbers in a row', async () => {
  const house = await premises('4 Tern Court')
  const before = await countRows({ db, live }, 'visit')
  const visits = await Promise.all(
    Array.from({ length: 50 }, () => saved({ table: 'visit', values: visitValues(house.row.ref) })),
  )
  const numbers = visits.map((visit) => Number(visit.row.ref.slice(2))).sort((a, b) => a - b)
  expect(numbers.at(-1)! - numbers[0]!).toBe(49)
  expect(new Set(numbers).size).toBe(50)
  expect(await countRows({ db, live }, 'visit')).toBe(before + 50)
})

test('the second of two people is shown the first one’s version, and nothing is lost', async () => {
  const house = await premises('5 Tern Court')
  const change = (address: string) =>
    saveRecord(
      { db, live, who: address },
      {
        table: 'premises',
        ref: house.row.ref,
        rev: 1,
        values: { premises__address: address },
        children: [],
      },
    )
  expect((await change('5a Tern Court')).kind).toBe('saved')
  const second = await change('5b Tern Court')
  expect(second).toMatchObject({ kind: 'conflict', by: '5a Tern Court' })
  expect(second.kind === 'conflict' && second.theirs.row.values['premises__address']).toBe('5a Tern Court')
})

test('two alike are refused with the field and the words', async () => {
  const house = await premises('6 Tern Court')
  await saved({ table: 'fuel', values: { fuel__key: 'wood' } })
  const model = await saved({
    table: 'appliance-model',
    values: {
      'appliance-model__fuel': 'wood',
      'appliance-model__make': 'Dunlin',
      'appliance-model__model': '5',
      'appliance-model__sweep-every': '12',
    },
  })
  const stove = {
    appliance__premises: house.row.ref,
    appliance__model: model.row.ref,
    appliance__room: 'study',
    'appliance__serial-code': '00042',
  }
  const first = await saved({ table: 'appliance', values: stove })
  expect(first.row.label).toBe('Dunlin, 5, study')
  expect(first.row.values['appliance__serial-code']).toBe('00042')
  const second = await save({ table: 'appliance', values: stove })
  expect(second.kind === 'refused' && Object.keys(second.problems.fields)).toEqual(['appliance__serial-code'])
  expect(words(second)).toEqual([
    'Another appliance already has “00042” as its Serial code; it must be different for each.',
  ])
})

test('a dead link, a removed choice, a blank must and a made-up table are refused in words', async () => {
  expect(words(await save({ table: 'visit', values: visitValues('P-9999') }))).toEqual([
    'The premises chosen for Premises is no longer there. Choose another.',
  ])
  const house = await premises('7 Tern Court')
  expect(
    words(await save({ table: 'visit', values: { ...visitValues(house.row.ref), visit__state: 'postponed' } }))[0],
  ).toMatch(/not one of the choices: booked, under way, done or cancelled/)
  expect(words(await save({ table: 'visit', values: {} }))).toContain('Booked for must be filled.')
  expect(words(await save({ table: 'nonsense', values: {} }))).toEqual(['That table is no longer in the book.'])
})

test('the same pair can’t be entered twice in a joining table', async () => {
  const house = await premises('8 Tern Court')
  const technician = await saved({ table: 'technician', values: { technician__name: 'Ruan Pike' } })
  const row = { ref: null, rev: null, values: { 'visit-technician__technician': technician.row.ref } }
  const link = live.book.links.find(
    (candidate) => candidate.many === 'visit-technician' && candidate.one === 'visit',
  )!.id
  const twice = await save({
    table: 'visit',
    values: visitValues(house.row.ref),
    children: [{ link, rows: [row, row] }],
  })
  expect(words(twice)[0]).toBe('This technician is already on this visit.')
  expect(Object.keys(twice.kind === 'refused' ? twice.problems.rows : {})).toEqual([`${link}/1`])
})

test('a record whose key is changed goes by the new one', async () => {
  const link = live.book.links.find(({ many, one }) => many === 'contact-phone' && one === 'contact')!.id
  const number = 'contact-phone__number'
  const made = await saved({
    table: 'contact',
    values: { contact__name: 'Tansy Orme' },
    children: [{ link, rows: [{ ref: null, rev: null, values: { [number]: '01632 960 471' } }] }],
  })
  const [row] = made.children[link]!
  const request = { table: 'contact', ref: made.row.ref, rev: made.row.rev, values: {} }
  const change = { ref: row!.ref, rev: row!.rev, values: { [number]: '01632 960 472' } }
  const changed = await saved({ ...request, children: [{ link, rows: [change] }] })
  expect(changed.children[link]!.map(({ values }) => values[number])).toEqual(['01632 960 472'])
  // The same on a page of its own, for a joining row too.
  const own = changed.children[link]![0]!
  const alone = await saved({
    table: 'contact-phone',
    ref: own.ref,
    rev: own.rev,
    values: { [number]: '01632 960 473' },
  })
  expect(alone.row.values[number]).toBe('01632 960 473')
  expect(alone.row.ref).not.toBe(own.ref)
  const house = await premises('10 Tern Court')
  const [one, other] = [
    await saved({ table: 'technician', values: { technician__name: 'Ruan Teal' } }),
    await saved({ table: 'technician', values: { technician__name: 'Ruan Orme' } }),
  ]
  const goes = live.book.links.find(({ many, one: of }) => many === 'visit-technician' && of === 'visit')!.id
  const technician = 'visit-technician__technician'
  const visit = await saved({
    table: 'visit',
    values: visitValues(house.row.ref),
    children: [{ link: goes, rows: [{ ref: null, rev: null, values: { [technician]: one.row.ref } }] }],
  })
  const going = visit.children[goes]![0]!
  const moved = await saved({
    table: 'visit-technician',
    ref: going.ref,
    rev: going.rev,
    values: { [technician]: other.row.ref },
  })
  expect(moved.row.ref).toBe(`${visit.row.ref}~${other.row.ref}`)
  // What stands by itself too, there and back.
  const rename = async (ref: string, rev: number, to: string) =>
    (await saved({ table: 'service-item', ref, rev, values: { 'service-item__key': to } })).row.ref
  expect(await rename('SWEEP1', 1, 'SWEEP2')).toBe('SWEEP2')
  expect(await rename('SWEEP2', 2, 'SWEEP1')).toBe('SWEEP1')
})

test('a hand-typed statement from another tool meets the same rules', async () => {
  const insert = (height: string) =>
    run(
      db,
      `INSERT INTO \`${live.schema}\`.visit (visit_code, premises, booked_for, ladder_height) SELECT 'X-1', premises_number, '2027-03-12 09:30', ${height} FROM \`${live.schema}\`.premises LIMIT 1`,
    )
  await expect(insert('15.2')).rejects.toThrow(/visit_ladder_height_most/)
  expect(await insert('6.5')).toBe(1)
})

test('removing says what goes with it, and why it can’t', async () => {
  const house = await premises('9 Tern Court')
  const line = {
    ref: null,
    rev: null,
    values: { 'work-line__service-item': 'SWEEP1', 'work-line__quantity': '1' },
  }
  const visit = await saved({
    table: 'visit',
    values: visitValues(house.row.ref),
    children: [{ link: 'work-line__visit__l', rows: [line] }],
  })
  const blocked = await removeRecord({ db, live, who: 'Averil' }, { table: 'premises', ref: house.row.ref, rev: 1 })
  expect(!blocked.ok && wordProblem(blocked.problem)).toBe(
    'This premises is still used by 1 visit. Remove or change those first.',
  )
  expect(await countRemoval({ db, live }, 'visit', visit.row.ref)).toMatchObject({
    goes: ['1 work line'],
    blocked: { ok: true },
  })
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'visit', ref: visit.row.ref, rev: 1 })).toEqual({
    ok: true,
    value: 'The visit was removed with 1 work line.',
  })
  expect((await readRecord({ db, live }, 'visit', visit.row.ref)).ok).toBe(false)
})

test.each([
  'emoji 🐿️ and 🇬🇧',
  'שלום עולם',
  "Robert'); DROP TABLE visit;--",
  '<script>alert(1)</script>',
  '100% _under\\score',
  '“quotes” \'and\' "more"',
])('what people type comes back as it was: %s', async (text) => {
  const record = await premises(text)
  expect(record.row.values['premises__address']).toBe(text)
  const found = await readList({ db, live }, { table: 'premises', find: text, limit: 5 })
  expect(found.rows.map((row) => row.values['premises__address'])).toContain(text)
})

test('paging by any column meets every row once, blanks included', async () => {
  const all = await countRows({ db, live }, 'visit')
  for (const field of [
    'visit__ladder-height',
    'visit__booked-for',
    'visit__premises',
    'visit__key',
    'visit__call-first',
  ]) {
    for (const down of [false, true]) {
      const seen: string[] = []
      let after: Parameters<typeof readList>[1]['after']
      do {
        const page = await readList(
          { db, live },
          {
            table: 'visit',
            sort: { field, down },
            limit: 7,
            ...(after && { after }),
          },
        )
        seen.push(...page.rows.map((row) => row.ref))
        after = page.more ? page.rows.at(-1)!.cursor : undefined
      } while (after)
      expect(seen.length).toBe(all)
      expect(new Set(seen).size).toBe(all)
    }
  }
})

test('every link has an index behind it and every table a primary key', async () => {
  const bare = await select(
    db,
    `SELECT k.TABLE_NAME, k.COLUMN_NAME FROM information_schema.KEY_COLUMN_USAGE k
     LEFT JOIN information_schema.STATISTICS s ON s.TABLE_SCHEMA = k.TABLE_SCHEMA AND s.TABLE_NAME = k.TABLE_NAME AND s.COLUMN_NAME = k.COLUMN_NAME
     WHERE k.TABLE_SCHEMA = ? AND k.REFERENCED_TABLE_NAME IS NOT NULL AND s.INDEX_NAME IS NULL`,
    [live.schema],
  )
  expect(bare).toEqual([])
  const keyless = await select(
    db,
    `SELECT TABLE_NAME FROM information_schema.TABLES t WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = 'BASE TABLE' AND NOT EXISTS (SELECT 1 FROM information_schema.TABLE_CONSTRAINTS c WHERE c.TABLE_SCHEMA = t.TABLE_SCHEMA AND c.TABLE_NAME = t.TABLE_NAME AND c.CONSTRAINT_TYPE = 'PRIMARY KEY')`,
    [live.schema],
  )
  expect(keyless).toEqual([])
})
