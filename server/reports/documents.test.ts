import { beforeAll, expect, test } from 'vitest'
import type { Block, Column, List, Template } from '@/core/book'
import { makeReady, readyFor, readTemplate, readyKinds } from '@/core/reports'
import { wordProblem } from '@/core/words'
import { askedDesign } from '@/tests/support/asked-design'
import { textsOn } from '@/tests/support/page-laws'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Live } from '../live'
import { documentsWork, type Writings } from './lay-documents'
import { editionFile } from './edition-files'
import { dropEdition, editionNow, laidEdition, startEdition } from './editions'
import { NotLaid } from './work'

let db: Catalogue
let live: Live

beforeAll(async () => {
  db = await testCatalogue('documents')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Asked', askedDesign))
  const at = (name: string) => `\`${live.schema}\`.${name}`
  await run(db, `INSERT INTO ${at('house')} (house_number, town) VALUES (1, 'Otterby'), (2, 'Ash'), (3, NULL)`)
  await run(
    db,
    `INSERT INTO ${at('visit')} (visit_number, day, state, price, house)
     SELECT seq, DATE_ADD('2027-01-01', INTERVAL seq DAY), IF(seq MOD 2, 'done', 'booked'), seq * 1.01, 1 + seq MOD 3
     FROM ${at('seq_1_to_250')}`,
  )
  await run(
    db,
    `INSERT INTO ${at('payment')} (payment_number, amount, paid, visit)
     SELECT seq, seq * 0.37, '2027-03-01', 1 + seq MOD 200 FROM ${at('seq_1_to_900')}`,
  )
})

const own = (id: string, field: string, ...way: string[]): Column => ({
  id,
  shows: { kind: 'field', place: { way: way.map((one) => ({ to: 'one' as const, field: one })), field } },
})
const only: Block = {
  kind: 'only',
  id: 'late',
  when: {
    kind: 'all',
    of: [
      { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'is', with: [{ value: 'done' }] },
      { kind: 'has', way: [{ to: 'rows', link: 'visit--payment' }], least: 5 },
    ],
  },
  of: [{ kind: 'words', of: [{ kind: 'text', words: 'Done, and paid in five parts or more.' }] }],
}
const rows: Block = {
  kind: 'rows',
  id: 'paid',
  way: [{ to: 'rows', link: 'visit--payment' }],
  columns: [own('number', 'payment-key'), own('amount', 'payment_amount')],
  order: [{ column: 'amount', down: true }],
  figures: [{ column: 'amount', name: 'total' }],
  none: 'Nothing was paid.',
}
const bill: Template = {
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  columns: [own('number', 'visit-key'), own('price', 'visit_price'), own('town', 'house_town', 'visit__house')],
  blocks: [
    {
      kind: 'words',
      of: [
        { kind: 'text', words: 'Visit ' },
        { kind: 'field', column: 'number' },
        { kind: 'text', words: ' in ' },
        { kind: 'field', column: 'town', none: 'no town' },
        { kind: 'text', words: ': ' },
        { kind: 'field', column: 'price' },
      ],
    },
    rows,
    only,
  ],
}
const writings = (more: Partial<Writings> = {}): Writings => ({
  reads: { db, live },
  template: bill,
  answers: { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [] },
  of: { refs: ['7'] },
  letterhead: undefined,
  who: 'Averil',
  ...more,
})

/** The words of all pages, each line as one, with what each document is called. */
async function written(wish: Writings) {
  const work = documentsWork(wish)
  if ('problem' in work) throw new Error(wordProblem(work.problem))
  const found: { label: string; lines: string[] }[] = []
  await work.lay(
    () => undefined,
    (pages) => {
      for (const page of pages) {
        if (page.marks[0]) found.push({ label: page.marks[0].words, lines: [] })
        const lines = new Map<number, string>()
        for (const item of textsOn(page)) lines.set(item.y, (lines.get(item.y) ?? '') + item.words)
        found.at(-1)?.lines.push(...lines.values())
      }
      return Promise.resolve()
    },
  )
  return found
}

test('each record’s document has its own values, its own rows in their order, and what they come to', async () => {
  const all = await written(writings({ of: { refs: ['7', '220', '3'] } }))
  expect(all.map(({ label }) => label)).toEqual(['7', '220', '3'])
  const amounts = await select<{ number: string; amount: string }>(
    db,
    `SELECT payment_number AS number, FORMAT(amount, 2) AS amount FROM \`${live.schema}\`.payment WHERE visit = 7 ORDER BY payment.amount DESC`,
  )
  const [sum] = await select<{ total: string }>(
    db,
    `SELECT FORMAT(SUM(amount), 2) AS total FROM \`${live.schema}\`.payment WHERE visit = 7`,
  )
  expect(amounts.length).toBeGreaterThan(3)
  expect(all[0]!.lines).toEqual([
    'Visit 7 in Ash: £7.07',
    'Payment numberAmount',
    ...amounts.map(({ number, amount }) => `${number}${amount}`),
    sum!.total,
    'Done, and paid in five parts or more.',
  ])
  expect(all[1]!.lines).toEqual(['Visit 220 in Ash: £222.20', 'Nothing was paid.'])
})

test('rows that add up to something else than what stands beneath them say so', async () => {
  const priced: Block = {
    ...rows,
    columns: [own('number', 'payment-key'), own('price', 'visit_price', 'payment__visit')],
    order: [],
    figures: [{ column: 'price', name: 'total' }],
  }
  const [one] = await written(writings({ template: { ...bill, blocks: [priced] } }))
  const prices = one!.lines.filter((line) => line.endsWith('7.07'))
  expect(prices.length).toBeGreaterThan(3)
  expect(prices.at(-1)).toBe('7.07')
  const sum = ((prices.length - 1) * 7.07).toFixed(2)
  expect(one!.lines.at(-1)).toBe(`Price: each visit counts once; the rows above add up to ${sum}.`)
})

test('what stands under a condition stands for those alone of whom it holds', async () => {
  const refs = Array.from({ length: 250 }, (_, at) => String(at + 1))
  const all = await written(writings({ of: { refs } }))
  const met = all.filter(({ lines }) => lines.some((line) => line.startsWith('Done, and'))).map(({ label }) => label)
  const expected = await select<{ number: string }>(
    db,
    `SELECT visit_number AS number FROM \`${live.schema}\`.visit v
     WHERE state = 'done' AND (SELECT COUNT(*) FROM \`${live.schema}\`.payment p WHERE p.visit = v.visit_number) >= 5`,
  )
  expect(expected.length).toBeGreaterThan(20)
  expect(met).toEqual(expected.map(({ number }) => String(number)))
})

test('for a whole list it is written for each of its records, in its order, whatever its groups are', async () => {
  const list: List = {
    id: 'list',
    table: 'visit',
    columns: [own('price', 'visit_price')],
    where: { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'is', with: [{ value: 'done' }] },
    asks: [],
    order: [{ column: 'price', down: true }],
    groups: [{ place: { way: [{ to: 'one', field: 'visit__house' }], field: 'house_town' } }],
  }
  const all = await written(writings({ of: { list } }))
  const expected = await select<{ number: string }>(
    db,
    `SELECT visit_number AS number FROM \`${live.schema}\`.visit JOIN \`${live.schema}\`.house ON house = house_number
     WHERE state = 'done' ORDER BY town IS NULL DESC, town, price DESC`,
  )
  expect(all).toHaveLength(125)
  const places = new Map(expected.map(({ number }, at) => [String(number), at]))
  const towns = all.map(({ lines }) => / in ([\w ]+):/.exec(lines[0]!)![1])
  expect(new Set(towns.filter((town, at) => town !== towns[at - 1])).size).toBe(3)
  for (const town of new Set(towns)) {
    const own = all.filter((_, at) => towns[at] === town).map(({ label }) => places.get(label)!)
    expect([...own].sort((a, b) => a - b)).toEqual(own)
  }
})

test('records that are gone are left out; for none at all it says so', async () => {
  expect((await written(writings({ of: { refs: ['7', '9999', 'x'] } }))).map(({ label }) => label)).toEqual(['7'])
  await expect(written(writings({ of: { refs: ['9999'] } }))).rejects.toThrow(NotLaid)
})

test('what a document speaks of that is gone is said before anything is laid', () => {
  const problemOf = (template: Template) => {
    const work = documentsWork(writings({ template }))
    return 'problem' in work ? wordProblem(work.problem) : undefined
  }
  expect(problemOf(bill)).toBe(undefined)
  expect(problemOf({ ...bill, columns: [...bill.columns.slice(1), own('number', 'lost')] })).toMatch(/no longer has/)
  expect(problemOf({ ...bill, columns: bill.columns.slice(1) })).toMatch(/no longer has/)
  const lost: Block = { ...rows, way: [{ to: 'rows', link: 'lost' }] }
  expect(problemOf({ ...bill, blocks: [lost] })).toMatch(/no longer belong/)
})

test('whatever the program writes by itself can be written for every table', async () => {
  for (const table of live.book.tables) {
    const kinds = readyFor(live.book, table)
    expect(kinds).toEqual(expect.arrayContaining(['sheet', 'certificate', 'card']))
    for (const kind of readyKinds) {
      const template = makeReady(live.book, table.id, kind, 'ready')
      const found = readTemplate(live.book, template, writings().answers)
      expect(found.faults.map(({ problem }) => wordProblem(problem))).toEqual([])
      if (table.id !== 'visit') continue
      const all = await written(writings({ template, of: { refs: ['7'] } }))
      expect(template.labels !== undefined || all.length === 1).toBe(true)
    }
  }
  const [sheet] = await written(writings({ template: makeReady(live.book, 'visit', 'sheet', 'ready') }))
  expect(sheet!.lines.join('\n')).toMatch(/Payments/)
})

test('documents come as a PDF each, named by what they are for', async () => {
  const work = documentsWork(writings({ of: { refs: ['7', '8', '9'] } }))
  if ('problem' in work) throw new Error('It cannot be written.')
  const { id } = await startEdition('book', 'averil', () => work)
  while (!editionNow(id, 'averil', 'book')?.laid) await new Promise((later) => setTimeout(later, 20))
  expect(laidEdition(id, 'bram', 'book')).toBe(undefined)
  const parts: Buffer[] = []
  for await (const part of editionFile(laidEdition(id, 'averil', 'book')!, 'zip', 'Averil')) parts.push(part as Buffer)
  const zip = Buffer.concat(parts).toString('latin1')
  expect(zip.startsWith('PK')).toBe(true)
  const names = [...zip.matchAll(/PK\x01\x02[\s\S]{42}([\w ()]+\.pdf)/g)].map(([, name]) => name)
  expect(names).toEqual(['7.pdf', '8.pdf', '9.pdf'])
  await dropEdition(id, 'averil')
})
