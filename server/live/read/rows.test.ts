import { beforeAll, expect, test } from 'vitest'
import { addEmberlyRecords } from '@/demo/emberly/records'
import { emberlyDesign } from '@/demo/emberly/design'
import { tableOf } from '@/core/book'
import { readExpression } from '@/core/expressions'
import { isTyped } from '@/core/kinds'
import type { ListQuery } from '@/core/lists'
import { keyOfRef } from '@/core/records'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import { wordProblem } from '@/core/words'
import { addMany, countRows, findToPick, type Live, readList, readRecord, saveRecord } from '..'

let db: Catalogue
let live: Live

beforeAll(async () => {
  db = await testCatalogue('rows')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Rows', emberlyDesign().edits))
  await addEmberlyRecords(async (table, rows) => {
    const added = await addMany(
      { db, live, who: 'Averil' },
      { table, rows, momentOf: (row) => `${row['certificate__issued-on'] ?? '2027-01-01'}T09:00` },
    )
    if (!added.ok) throw new Error(JSON.stringify(added.problem))
    return added.value
  })
})

const list = (query: Partial<ListQuery> & { table: string }) => readList({ db, live }, { limit: 5000, ...query })
const one = async (sql: string) =>
  Number((await select<{ count: number }>(db, sql.replaceAll('@', `\`${live.schema}\`.`)))[0]!.count)

test('the demo has the records it promises, and every time the same', async () => {
  expect(
    await Promise.all(['premises', 'appliance', 'visit', 'technician'].map((table) => countRows({ db, live }, table))),
  ).toEqual([400, 900, 2500, 9])
  const first = await list({ table: 'visit', limit: 1 })
  expect(first.rows[0]).toMatchObject({
    ref: 'V-00001',
    label: 'V-00001, 2 Apr 2024, 16:30',
    labels: { visit__premises: '73 Weir Street, Upper Tern' },
  })
})

test('what many rows were added with is what one row alone would have', async () => {
  const sample = (await list({ table: 'visit', limit: 1 })).rows[0]!
  const typed = tableOf(live.book, 'visit').fields.filter(isTyped)
  // At another time: nobody goes to the same premises twice at once.
  const values = {
    ...Object.fromEntries(typed.map(({ id }) => [id, sample.values[id] ?? null])),
    'visit__booked-for': '2031-03-04T10:30',
    visit__state: 'cancelled',
  }
  const saved = await saveRecord(
    { db, live, who: 'Averil' },
    { table: 'visit', ref: null, rev: null, values, children: [] },
  )
  const { row } = saved.kind === 'saved' ? saved.record : { row: sample }
  expect(row.ref).toBe('V-02501')
  expect(row.values).toMatchObject(values)
  await run(db, `DELETE FROM \`${live.schema}\`.visit WHERE visit_code = 'V-02501'`)
})

test('one bad row of many stops them all and says which', async () => {
  const before = await countRows({ db, live }, 'fuel')
  const added = await addMany(
    { db, live, who: 'Averil' },
    { table: 'fuel', rows: [{ fuel__key: 'peat' }, { fuel__key: 'x'.repeat(61) }], momentOf: () => '2027-01-01T09:00' },
  )
  expect(added).toMatchObject({ ok: false, problem: { at: 1, problems: { fuel__key: { kind: 'too-long' } } } })
  expect(await countRows({ db, live }, 'fuel')).toBe(before)
})

test('certificates are numbered afresh each year, without gaps', async () => {
  const rows = await select<{ year: string; count: number; last: string }>(
    db,
    `SELECT SUBSTRING(certificate_number, 3, 4) AS year, COUNT(*) AS count, MAX(certificate_number) AS last FROM \`${live.schema}\`.certificate GROUP BY 1 ORDER BY 1`,
  )
  expect(rows.map((row) => row.year)).toEqual(['2024', '2025', '2026'])
  for (const { year, count, last } of rows) expect(last).toBe(`C-${year}-${String(count).padStart(4, '0')}`)
})

test('at most one technician leads a visit in the demo, and none leads twice', async () => {
  expect(
    await one(
      'SELECT COUNT(*) AS count FROM (SELECT visit FROM @visit_technician WHERE leads = 1 GROUP BY visit HAVING COUNT(*) > 1) AS more',
    ),
  ).toBe(0)
})

test.each<[string, string, string]>([
  [
    'a word of the linked record',
    'ferry',
    'p.address LIKE "%ferry%" OR p.town LIKE "%ferry%" OR c.name LIKE "%ferry%" OR v.note LIKE "%ferry%" OR v.state LIKE "%ferry%"',
  ],
  ['two words in two places', 'Ferry cancelled', '(p.address LIKE "%ferry%") AND v.state = "cancelled"'],
  ['a day as the book writes it', '30 Sep 2024', 'DATE(v.booked_for) = "2024-09-30"'],
  ['capitals or not', 'OTTERBY', 'p.town = "Otterby"'],
])('looking for %s finds the same as SQL by hand', async (_what, find, where) => {
  const found = await list({ table: 'visit', find })
  const expected = await one(
    `SELECT COUNT(*) AS count FROM @visit v JOIN @premises p ON p.premises_number = v.premises LEFT JOIN @contact c ON c.contact_number = v.call_first WHERE ${where}`,
  )
  expect(found.rows.length).toBe(expected)
  expect(expected).toBeGreaterThan(0)
})

test.each(['%', '_', '\\', '(', '[a-z]', '.*', "'", '"', '`', '$1', '?', ':x'])(
  'a find of %j is taken as it is typed',
  async (find) => {
    const found = await list({ table: 'premises', find })
    const shown = found.rows.filter((row) => Object.values(row.values).some((value) => value?.includes(find)))
    expect(found.rows.length).toBe(shown.length)
  },
)

test('a link’s records are found by what they are known by, and only by that', async () => {
  const byLabel = await list({
    table: 'premises',
    fields: ['premises__key'],
    find: 'Ferry',
    findIn: 'anywhere',
    limit: 20,
  })
  expect(byLabel.rows.length).toBeGreaterThan(0)
  for (const row of byLabel.rows) expect(row.label).toContain('Ferry')
  expect((await list({ table: 'premises', find: 'Dog in the yard', findIn: 'anywhere' })).rows).toEqual([])
  expect((await list({ table: 'premises', find: 'Dog in the yard' })).rows.length).toBeGreaterThan(0)
})

test('picking takes what begins with the letters before what merely has them, and finds a record by its own number', async () => {
  const labels = async (find: string) =>
    (await findToPick({ db, live }, 'premises', find, 20)).map(({ label }) => label)
  const found = await labels('o')
  expect(found.length).toBe(20)
  const at = (test: RegExp) => found.findIndex((label) => !test.test(label))
  // So many begin with it that nothing else has room.
  expect(at(/(^|, )o/i)).toBe(-1)
  const first = (await findToPick({ db, live }, 'premises', '', 1))[0]!
  expect((await findToPick({ db, live }, 'premises', first.label, 20)).map(({ ref }) => ref)).toContain(first.ref)
  expect((await findToPick({ db, live }, 'premises', first.ref, 20)).map(({ ref }) => ref)).toEqual([first.ref])
})

test('records are read by their keys, also where a key has several fields', async () => {
  const visits = await list({ table: 'visit', keys: [['V-00007'], ['V-00003'], ['V-99999']] })
  expect(visits.rows.map(({ ref }) => ref)).toEqual(['V-00003', 'V-00007'])
  const phones = (await list({ table: 'contact-phone', limit: 3 })).rows
  const keys = phones.map(({ ref }) => keyOfRef(ref, 2) ?? [])
  expect((await list({ table: 'contact-phone', keys })).rows.map(({ ref }) => ref)).toEqual(
    phones.map(({ ref }) => ref),
  )
  expect((await list({ table: 'visit', keys: [] })).rows).toEqual([])
  expect((await list({ table: 'visit', keys: [['V-00003', 'V-00007'], []] })).rows).toEqual([])
})

test('going down is going up the other way round', async () => {
  for (const field of ['visit__premises', 'visit__ladder-height', 'visit__booked-for', 'visit__state']) {
    const up = (await list({ table: 'visit', sort: { field, down: false } })).rows.map((row) => row.ref)
    const down = (await list({ table: 'visit', sort: { field, down: true } })).rows.map((row) => row.ref)
    expect(down).toEqual(up.reverse())
  }
})

test('numbers sort as numbers, words as words', async () => {
  const { rows } = await list({ table: 'visit', sort: { field: 'visit__ladder-height', down: true } })
  const heights = rows.map((row) => Number(row.values['visit__ladder-height'] ?? -1))
  expect(heights).toEqual([...heights].sort((a, b) => b - a))
})

test('a record comes with its rows and what else hangs on it', async () => {
  const record = await readRecord({ db, live }, 'visit', 'V-00418')
  if (!record.ok) throw new Error('Expected the visit.')
  const { children, elsewhere } = record.value
  const lines = await one(`SELECT COUNT(*) AS count FROM @work_line WHERE visit = 'V-00418'`)
  expect(children['work-line__visit__l']).toHaveLength(lines)
  expect(elsewhere.map((one) => [one.table, one.count])).toEqual([
    ['payment', await one(`SELECT COUNT(*) AS count FROM @payment WHERE visit = 'V-00418'`)],
  ])
  const appliance = Object.values(children)
    .flat()
    .find((row) => row.values['visit-appliance__appliance'])!
  expect(appliance.ref).toBe(`V-00418~${appliance.values['visit-appliance__appliance']}`)
  expect(appliance.labels['visit-appliance__appliance']).toMatch(/^\w+, .+, .+$/)
})

test.each(['V-99999', 'V-00418~A-00001', '', '%E0%A4%A'])('%j is no visit', async (ref) => {
  const record = await readRecord({ db, live }, 'visit', ref)
  expect(!record.ok && record.problem.kind).toBe('no-such-record')
})

test('numbers that another tool wrote are not given again', async () => {
  await run(
    db,
    `INSERT INTO \`${live.schema}\`.premises (premises_number, address, town) VALUES ('P-0401', 'by hand', 'Otterby'), ('P-0402', 'by hand', 'Otterby')`,
  )
  const saved = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table: 'premises',
      ref: null,
      rev: null,
      values: { premises__address: 'by form', premises__town: 'Otterby' },
      children: [],
    },
  )
  expect(saved.kind === 'saved' && saved.record.row.ref).toBe('P-0403')
})

test('a list is narrowed to a condition on typed, linked and derived facts, the same as plain SQL', async () => {
  const visit = tableOf(live.book, 'visit')
  const narrowed = async (source: string) => {
    const read = readExpression(live.book, visit, source)
    if ('problem' in read) throw new Error(wordProblem(read.problem))
    return (await list({ table: 'visit', where: read.tree })).rows.length
  }
  expect(await narrowed(`State = 'cancelled' AND Premises.Town = 'Otterby'`)).toBe(
    await one(
      "SELECT COUNT(*) AS count FROM @visit v JOIN @premises p ON p.premises_number = v.premises WHERE v.state = 'cancelled' AND p.town = 'Otterby'",
    ),
  )
  const dear = await one('SELECT COUNT(*) AS count FROM @visit_full WHERE bill_total > 150')
  expect(dear).toBeGreaterThan(10)
  expect(await narrowed('"Bill total" > 150')).toBe(dear)
  // A question mark is a letter like any other.
  expect(await narrowed(`Note = '?' OR Note = 'what?'`)).toBe(0)
})
