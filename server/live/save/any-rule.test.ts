import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import type { RuleSays } from '@/core/book'
import { readRuleSays, rulesInTheWay } from '@/core/rules'
import { tableOf } from '@/core/book'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { billing, type Designing } from '@/tests/support/derived-design'
import { otherTool } from '@/tests/support/other-tool'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'
import { violationsOf, type Live, readRecord, removeRecord, saveRecord } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('any_rule')
  account = await testAccount(db, 'Averil')
})

/** Customers with bills with lines of items: totals of totals, and facts over one link and over two. */
const design = (): Designing =>
  billing()
    .derived('item', 'sold', 'Sold', 'gathered', 'SUM("Bill line"."Line amount")')
    .derived('customer', 'dearest', 'Dearest bill', 'gathered', 'MAX(Bill.Total)')
    .derived('line', 'owing', 'Owing', 'borrowed', 'Bill.Customer."Owes in all"')

/** Numbers that a rule for each table may speak of. */
const numbers: Readonly<Record<string, readonly string[]>> = {
  customer: [
    '"Owes in all"',
    '"Dearest bill"',
    'COUNT(Bill)',
    'AVG(Bill.Lines)',
    'SUM(Bill.Paid)',
    'MIN(Bill."Printed total")',
  ],
  bill: [
    'Total',
    'Lines',
    '"Still owed"',
    '"Printed total"',
    'Customer."Owes in all"',
    'MAX("Bill line".Owing)',
    'SUM(Payment.Amount)',
  ],
  line: [
    'Quantity',
    '"Price each"',
    '"Line amount"',
    'Owing',
    'Item.Sold',
    'Item."List price"',
    'Bill.Customer."Dearest bill"',
  ],
  item: [
    '"List price"',
    'Sold',
    'MAX("Bill line".Owing)',
    'COUNT("Bill line") FILTER (WHERE "Bill line".Quantity > 1)',
  ],
  payment: ['Amount', 'Bill."Still owed"', 'Bill.Customer."Owes in all"'],
}
const tables = Object.keys(numbers)
const bound = fc.constantFrom('0', '5', '20', '100', '1000')

type Made = (design: Designing) => { readonly table: string; readonly says: RuleSays; readonly onlyNew?: true }

const holding: fc.Arbitrary<Made> = fc
  .record({
    table: fc.constantFrom(...tables),
    picks: fc.array(fc.nat(99), { minLength: 3, maxLength: 3 }),
    how: fc.constantFrom(
      '$1 <= $2',
      '$1 <> $b',
      'COALESCE($1, 0) + COALESCE($2, 0) <= $b',
      '$1 >= $b OR $2 IS NULL',
      'NOT ($1 > $b AND $2 < $3)',
    ),
    bound,
    fresh: fc.boolean(),
  })
  .map(({ table, picks, how, bound: least, fresh }) => (made) => {
    const one = (at: number) => numbers[table]![picks[at]! % numbers[table]!.length]!
    const source = how
      .replaceAll('$1', one(0))
      .replaceAll('$2', one(1))
      .replaceAll('$3', one(2))
      .replaceAll('$b', least)
    return {
      table,
      says: { kind: 'holds', tree: made.tree(table, source) },
      ...(fresh && picks[0]! % 4 === 0 && { onlyNew: true }),
    }
  })

const other: fc.Arbitrary<Made> = fc.constantFrom<Made>(
  (made) => ({
    table: 'bill',
    says: { kind: 'closed', once: made.tree('bill', 'Total > 50'), except: [], rows: true },
  }),
  (made) => ({
    table: 'line',
    says: { kind: 'closed', once: made.tree('line', 'Item.Sold > 90'), except: [], rows: false },
  }),
  () => ({ table: 'bill', says: { kind: 'together', fields: ['bill-customer', 'on'], blanks: 'alike' } }),
  () => ({ table: 'line', says: { kind: 'together', fields: ['line-bill', 'price'], blanks: 'differ' } }),
  (made) => ({
    table: 'bill',
    says: {
      kind: 'apart',
      same: ['bill-customer'],
      from: 'on',
      to: 'on',
      unless: made.tree('bill', 'Customer."Owes in all" > 9'),
    },
  }),
)

/** A save or a statement is done, or refused in words; nothing else may come of it. */
const isAllowed = (outcome: string) => !/^failed|database-refused|unexpected/.test(outcome)

async function tried(work: Promise<unknown>): Promise<string> {
  const outcome = await work.catch((cause: unknown) => cause)
  if (outcome instanceof Error)
    return /Rule \d|foreign key constraint|_rule_rule-\d/.test(outcome.message)
      ? 'refused: Rule 0'
      : `failed: ${outcome.message}`
  const { kind, ok, problems, problem } = outcome as Record<string, never>
  if (kind === 'refused' || ok === false)
    return `refused: ${JSON.stringify(problems ?? problem).replace(/.*?(Rule \d)/, '$1')}`
  return kind ?? 'done'
}

async function writeTo(live: Live, tool: (sql: string) => Promise<unknown>): Promise<string[]> {
  const outcomes: string[] = []
  const add = async (table: string, values: Record<string, string>) =>
    outcomes.push(
      await tried(saveRecord({ db, live, who: 'Averil' }, { table, ref: null, rev: null, values, children: [] })),
    )
  const change = async (table: string, values: Record<string, string>) => {
    const read = await readRecord({ db, live }, table, '1')
    if (!read.ok) return
    const request = { table, ref: '1', rev: read.value.row.rev, values, children: [] }
    outcomes.push(await tried(saveRecord({ db, live, who: 'Averil' }, request)))
  }
  await add('customer', { name: 'Otterby Tea Room', town: 'Otterby' })
  await add('item', { what: 'Cowl', 'list-price': '12.00' })
  await add('bill', { 'bill-customer': '1', on: '2027-03-12', state: 'open' })
  await add('line', { 'line-bill': '1', 'line-item': '1', quantity: '2' })
  await add('line', { 'line-bill': '1', 'line-item': '1', quantity: '5' })
  await add('payment', { 'payment-bill': '1', amount: '10.00' })
  await change('customer', { town: 'Emberly' })
  await change('item', { 'list-price': '30.00' })
  await change('bill', { state: 'sent' })
  await change('line', { quantity: '1' })
  await change('payment', { amount: '20.00' })
  for (const statement of [
    'INSERT INTO customer (customer_number, name) VALUES (50, "Elsewhere")',
    'INSERT INTO item (item_number, list_price) VALUES (50, 3)',
    'INSERT INTO bill (bill_number, customer) VALUES (50, 50)',
    'INSERT INTO bill_line (bill_line_number, bill, item, quantity) VALUES (50, 50, 50, 1)',
    'INSERT INTO payment (payment_number, bill, amount) VALUES (50, 50, 1)',
    'UPDATE bill_line SET quantity = 2 WHERE bill_line_number = 50',
    'UPDATE bill SET customer = 1 WHERE bill_number = 50',
    'UPDATE item SET list_price = 4 WHERE item_number = 50',
    'DELETE FROM payment WHERE payment_number = 50',
    'DELETE FROM bill_line WHERE bill_line_number = 50',
  ])
    outcomes.push(await tried(tool(statement)))
  for (const table of ['payment', 'line', 'bill']) {
    const read = await readRecord({ db, live }, table, '1')
    if (read.ok)
      outcomes.push(
        await tried(removeRecord({ db, live, who: 'Averil' }, { table, ref: '1', rev: read.value.row.rev })),
      )
  }
  return outcomes
}

test('every rule that is accepted opens, and its tables are written to as before', async () => {
  let opens = 0
  const seen = new Set<string>()
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.oneof({ weight: 3, arbitrary: holding }, other), { minLength: 1, maxLength: 5 }),
      async (rules) => {
        const book = design()
        for (const [at, rule] of rules.entries()) {
          const made = rule(book)
          if ('because' in readRuleSays(book.book, tableOf(book.book, made.table), made)) continue
          book.do({ kind: 'addRule', id: `rule-${at}`, words: `Rule ${at}`, ...made })
        }
        expect(rulesInTheWay(book.book)).toEqual([])
        const live = await opened(db, account, await testBook(db, account, 'Any', book.edits))
        opens++
        const outcomes = await writeTo(live, await otherTool(live.schema))
        for (const outcome of outcomes) seen.add(outcome.split(':')[0]!)
        expect({ outcomes: outcomes.filter((outcome) => !isAllowed(outcome)), rules: book.book.rules }).toMatchObject({
          outcomes: [],
        })
        for (const { id } of book.book.rules) await violationsOf({ db, live }, book.book, id)
      },
    ),
    { numRuns: 14 },
  )
  expect(opens).toBe(14)
  expect([...seen].sort()).toEqual(expect.arrayContaining(['done', 'refused', 'saved']))
}, 240_000)
