import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { findField } from '@/core/book'
import {
  changedRecord,
  checkForm,
  type FormText,
  formLayout,
  formTextOf,
  liveValues,
  newRowText,
  type RowText,
  type Values,
} from '@/core/records'
import { editAll, opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { billing } from '@/tests/support/derived-design'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import type { Account } from '../../people'
import { linkedValues, type Live, type LiveRecord, readList, readRecord, saveRecord } from '..'

let db: Catalogue
let account: Account
let live: Live
let bookId: string
const now = { moment: '2027-03-12T09:30' }

type Rows = readonly { readonly link: string; readonly rows: readonly Record<string, string>[] }[]

const sent = (children: Rows) =>
  children.map(({ link, rows }) => ({ link, rows: rows.map((values) => ({ ref: null, rev: null, values })) }))

async function add(table: string, values: Record<string, string>, children: Rows = []): Promise<string> {
  const outcome = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table,
      ref: null,
      rev: null,
      values,
      children: sent(children),
    },
  )
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  return outcome.record.row.ref
}

async function record(table: string, ref: string) {
  const read = await readRecord({ db, live }, table, ref)
  if (!read.ok) throw new Error(read.problem.kind)
  return read.value
}

async function change(table: string, ref: string, values: Record<string, string | null>, children: Rows = []) {
  const { row } = await record(table, ref)
  const outcome = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table,
      ref,
      rev: row.rev,
      values,
      children: sent(children),
    },
  )
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  return outcome.record.row.values
}

const bill = async (ref: string) => (await record('bill', ref)).row.values
const sql = (text: string) => run(db, text.replaceAll('$', `\`${live.schema}\`.`))

beforeAll(async () => {
  db = await testCatalogue('derived')
  account = await testAccount(db, 'Averil')
  bookId = await testBook(db, account, 'Bills', billing().edits)
  live = await opened(db, account, bookId)
  await add('customer', { name: 'Mill House', town: 'Otterby' })
  await add('item', { what: 'Sweep', 'list-price': '62.00' })
  await add('item', { what: 'Cowl', 'list-price': '31.50' })
})

const lines = (...rows: Record<string, string>[]): Rows => [{ link: 'line-bill-link', rows }]

test('borrowed, copied, gathered and worked-out facts come with the record that is saved', async () => {
  const ref = await add(
    'bill',
    { 'bill-customer': '1', state: 'open' },
    lines({ quantity: '2', 'line-item': '1' }, { quantity: '1', 'line-item': '2' }),
  )
  const read = await record('bill', ref)
  expect(read.row.values).toMatchObject({
    'bill-town': 'Otterby',
    lines: '2',
    total: '155.50',
    paid: null,
    owed: '155.50',
    printed: '155.50',
  })
  expect(read.children['line-bill-link']!.map((row) => [row.values.price, row.values['line-amount']])).toEqual([
    ['62.00', '124.00'],
    ['31.50', '31.50'],
  ])
})

test('what is borrowed follows its source, what is copied stays until another is linked', async () => {
  const ref = await add('bill', { 'bill-customer': '1' }, lines({ quantity: '1', 'line-item': '2' }))
  await change('customer', '1', { town: 'Fallowmere' })
  await change('item', '2', { 'list-price': '40.00' })
  expect(await bill(ref)).toMatchObject({ 'bill-town': 'Fallowmere', total: '31.50' })
  const line = (await record('bill', ref)).children['line-bill-link']![0]!
  expect(await change('line', line.ref, { quantity: '3' })).toMatchObject({ price: '31.50', 'line-amount': '94.50' })
  expect(await change('line', line.ref, { 'line-item': '1' })).toMatchObject({ price: '62.00' })
  expect(await change('line', line.ref, { 'line-item': '2' })).toMatchObject({ price: '40.00' })
  await change('item', '2', { 'list-price': '31.50' })
})

test('a frozen fact keeps what it was at that moment, lines of the same save included, and thaws', async () => {
  const ref = await add('bill', { state: 'open' }, lines({ quantity: '1', 'line-item': '1' }))
  const sent = await change('bill', ref, { state: 'sent' }, lines({ quantity: '1', 'line-item': '2' }))
  expect(sent).toMatchObject({ total: '93.50', printed: '93.50' })
  await change('bill', ref, {}, lines({ quantity: '1', 'line-item': '2' }))
  expect(await bill(ref)).toMatchObject({ total: '125.00', printed: '93.50' })
  expect(await change('bill', ref, { state: 'open' })).toMatchObject({ printed: '125.00' })
  const born = await add('bill', { state: 'sent' }, lines({ quantity: '2', 'line-item': '1' }))
  await change('bill', born, {}, lines({ quantity: '1', 'line-item': '1' }))
  expect(await bill(born)).toMatchObject({ total: '186.00', printed: '124.00' })
})

test('another tool sees the same in the view, and its rows are copied and frozen by the database', async () => {
  await sql(`INSERT INTO $bill (bill_number, state) VALUES (900, 'open')`)
  await sql(`INSERT INTO $bill_line (bill_line_number, quantity, bill, item) VALUES (900, 4, 900, 1)`)
  await sql(`UPDATE $bill SET state = 'sent' WHERE bill_number = 900`)
  await sql(`UPDATE $bill_line SET quantity = 5 WHERE bill_line_number = 900`)
  const [row] = await select<Record<string, string>>(
    db,
    `SELECT total, printed_total, still_owed FROM \`${live.schema}\`.bill_full WHERE bill_number = 900`,
  )
  expect(row).toEqual({ total: '310.00', printed_total: '248.00', still_owed: '310.00' })
  expect(await bill('900')).toMatchObject({ total: '310.00', printed: '248.00' })
  await sql(`INSERT INTO $bill_line (bill_line_number, quantity, item, price_each) VALUES (901, 1, 1, 5)`)
  expect((await record('line', '901')).row.values).toMatchObject({ price: '5.00' })
})

test('lists are sorted by what is derived, and paged on past blanks', async () => {
  const all = await readList({ db, live }, { table: 'bill', sort: { field: 'total', down: true }, limit: 500 })
  const totals = all.rows.map((row) => (row.values.total === null ? -1 : Number(row.values.total)))
  expect(totals.length).toBeGreaterThan(4)
  expect(totals).toEqual([...totals].sort((a, b) => b - a))
  const paged: (string | null)[] = []
  let after = undefined as (typeof all.rows)[number]['cursor'] | undefined
  for (;;) {
    const query = { table: 'bill', sort: { field: 'total', down: true }, limit: 2, ...(after && { after }) }
    const page = await readList({ db, live }, query)
    paged.push(...page.rows.map((row) => row.ref))
    if (!page.more) break
    after = page.rows.at(-1)!.cursor
  }
  expect(paged).toEqual(all.rows.map((row) => row.ref))
  const found = await readList({ db, live }, { table: 'bill', find: 'Fallowmere', limit: 50 })
  expect(found.rows.length).toBeGreaterThan(0)
  expect(found.rows.every((row) => row.values['bill-town'] === 'Fallowmere')).toBe(true)
})

test('the form can ask for what is read through a link', async () => {
  expect(await linkedValues({ db, live }, 'line-item', '1')).toEqual({ 'list-price': '62.00' })
  expect(await linkedValues({ db, live }, 'bill-customer', '1')).toEqual({ town: 'Fallowmere' })
  expect(await linkedValues({ db, live }, 'line-item', 'nonsense')).toBeUndefined()
  // Of another table, over nothing that is a link, at its end or in between, or over nothing at all.
  const astray = ['list-price', 'name/town', 'constructor', 'town/', '', 'name/'.repeat(20)]
  expect(await linkedValues({ db, live }, 'bill-customer', '1', ['name', ...astray])).toEqual({
    ...{ town: 'Fallowmere', name: expect.any(String) },
  })
  expect(await linkedValues({ db, live }, 'line-bill', '1', ['bill-customer/name'])).toMatchObject({
    'bill-customer/name': expect.any(String),
  })
})

test('what the form shows while it is typed is what the record holds once it is saved', async () => {
  const line = fc.record({ quantity: fc.nat({ max: 999 }), item: fc.constantFrom('1', '2', '') })
  const typed = fc.record({
    lines: fc.array(line, { maxLength: 5 }),
    state: fc.constantFrom('open', 'sent', 'paid', ''),
    customer: fc.constantFrom('1', ''),
  })
  await fc.assert(
    fc.asyncProperty(typed, typed, async (first, second) => {
      let stored: LiveRecord | undefined
      for (const { lines: given, state, customer } of [first, second]) {
        const form = structuredClone<FormText>(formTextOf(live.book, 'bill', stored, now))
        Object.assign(form.text, { state, 'bill-customer': customer })
        const rows = form.insets['line-bill-link'] as RowText[]
        const inset = formLayout(live.book, 'bill').insets.find((one) => one.link.id === 'line-bill-link')!
        for (const { quantity, item } of given) {
          const fresh = newRowText(live.book, inset, now)
          rows.push({ ...fresh, text: { ...fresh.text, quantity: String(quantity), 'line-item': item } })
        }
        const checked = checkForm(live.book, 'bill', form, now)
        const known = new Map<string, Values>()
        for (const [field, ref] of [
          ['bill-customer', '1'],
          ['line-item', '1'],
          ['line-item', '2'],
        ] as const)
          known.set(`${field}~${ref}`, (await linkedValues({ db, live }, field, ref))!)
        const linked = (field: string, ref: string) => known.get(`${field}~${ref}`)
        const shown = liveValues({ book: live.book, tableId: 'bill', form, checked, stored, linked, now })
        const { values, children } = changedRecord(
          live.book,
          'bill',
          stored && formTextOf(live.book, 'bill', stored, now),
          form,
          checked,
          now,
        )
        const row = { table: 'bill', ref: stored?.row.ref ?? null, rev: stored?.row.rev ?? null }
        const outcome = await saveRecord({ db, live, who: 'Averil' }, { ...row, values, children })
        if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
        expect(outcome.record.row.values).toMatchObject(shown.own)
        const saved = outcome.record.children['line-bill-link']!.map((one) => [
          one.values.price,
          one.values['line-amount'],
        ])
        expect(saved).toEqual(shown.rows['line-bill-link']!.map((one) => [one.price, one['line-amount']]))
        stored = outcome.record
      }
    }),
    { numRuns: 40 },
  )
})

test('opening again fills new copies in, and takes what is derived along under new names', async () => {
  const now = billing()
    .do({ kind: 'changeField', field: 'line-amount', to: { name: 'Comes to' } })
    .do({ kind: 'changeField', field: 'quantity', to: { name: 'How many' } })
  const before = now.edits.length
  now.derived('line', 'what-then', 'What it was', 'copied', 'Item.What')
  now.derived('bill', 'fixed', 'Fixed lines', 'workedOut', 'Lines', "State = 'sent'")
  await editAll(db, account, bookId, now.edits.slice(before - 2))
  live = await opened(db, account, bookId)
  expect(findField(live.book, 'fixed')).toBeDefined()
  expect((await record('line', '900')).row.values).toMatchObject({ 'what-then': 'Sweep', 'line-amount': '310.00' })
  expect(await bill('900')).toMatchObject({ fixed: '1' })
  await sql(`INSERT INTO $bill_line (bill_line_number, how_many, bill, item) VALUES (902, 1, 900, 1)`)
  expect(await bill('900')).toMatchObject({ fixed: '1', lines: '2' })
})
