import { beforeAll, expect, test } from 'vitest'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { billing } from '@/tests/support/derived-design'
import { field } from '@/tests/support/edits'
import { otherTool } from '@/tests/support/other-tool'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'
import { type Live, readRecord, saveRecord } from '..'

let db: Catalogue
let account: Account
let live: Live
let tool: (statement: string) => Promise<unknown>

beforeAll(async () => {
  db = await testCatalogue('other_tools')
  account = await testAccount(db, 'Averil')
  const edits = [
    { kind: 'addTable', id: 'person', name: 'Person', keyField: 'person-key' } as const,
    ...field('person', 'name', 'Name', 'line', { must: true }),
    ...field('person', 'note', 'Note', 'passage'),
    ...field('person', 'mail', 'Mail', 'email'),
    ...field('person', 'phone', 'Phone', 'phone'),
    ...field('person', 'page', 'Page', 'web'),
    ...field('person', 'fuel', 'Fuel', 'choice', { choices: ['gas', 'wood'].map((word) => ({ id: word, word })) }),
    ...field('person', 'born', 'Born', 'date'),
    ...field('person', 'seen', 'Seen', 'dateTime'),
    ...field('person', 'at', 'At', 'time'),
  ]
  live = await opened(db, account, await testBook(db, account, 'People', edits))
  tool = await otherTool(live.schema)
  // As lax as a tool may ask MariaDB to be.
  await tool("SET SESSION sql_mode = ''")
})

let number = 0
const insert = (column: string, literal: string) =>
  tool(
    column === 'name'
      ? `INSERT INTO person (person_number, name) VALUES (${++number}, ${literal})`
      : `INSERT INTO person (person_number, name, ${column}) VALUES (${++number}, 'Averil', ${literal})`,
  )

const outcome = (work: Promise<unknown>) =>
  work.then(
    () => 'taken',
    (cause: unknown) => String((cause as { sqlMessage?: string }).sqlMessage),
  )

test.each<[string, string]>([
  ['name', "''"],
  ['name', "' '"],
  ['name', 'CHAR(9)'],
  ['name', "_utf8mb4 x'E385A4'"],
  ['name', "_utf8mb4 x'E2A080E2808B'"],
  ['name', "CONCAT('two', CHAR(10), 'lines')"],
  ['name', "CONCAT('bell', CHAR(7))"],
  ['note', "CONCAT('nul', CHAR(0))"],
  ['note', 'CHAR(10)'],
  ['mail', "'averil'"],
  ['mail', "'a b@otterby.example'"],
  ['mail', "'averil@otterby.example; bram@otterby.example'"],
  ['phone', "'no phone'"],
  ['phone', "'12'"],
  ['phone', "'0155501420155501420155501'"],
  ['page', "'javascript:alert(1)'"],
  ['page', "'http:// otterby.example'"],
  ['fuel', "'Gas'"],
  ['fuel', "'gas '"],
  ['fuel', "'coal'"],
  ['born', "'0000-00-00'"],
  ['born', "'2027-00-10'"],
  ['seen', "'2027-03-12 09:30:15'"],
  ['seen', "'0000-00-00 00:00:00'"],
  ['at', "'09:30:15'"],
  ['at', "'25:00'"],
])('another tool can’t write into %s: %s', async (column, literal) => {
  expect(await outcome(insert(column, literal))).toMatch(/CONSTRAINT `person_\w+` failed/)
})

test.each<[string, string]>([
  ['name', "'Żółć 👩‍🔧 Ærø'"],
  ['note', "CONCAT('two', CHAR(13), CHAR(10), 'lines', CHAR(9), 'and a tab')"],
  ['mail', "'averil.teal+flue@otterby.example'"],
  ['phone', "'+44 (0)1555 01-42 ext. 12'"],
  ['page', "'https://emberly.example:8080/a?b=c#d'"],
  ['fuel', "'gas'"],
  ['born', "'2028-02-29'"],
  ['seen', "'2027-03-12 09:30'"],
  ['at', "'23:59'"],
])('another tool may write into %s: %s', async (column, literal) => {
  expect(await outcome(insert(column, literal))).toBe('taken')
})

test('what another tool changes raises the revision, so that nobody overwrites it unseen', async () => {
  const saved = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table: 'person',
      ref: null,
      rev: null,
      values: { name: 'Tamsin' },
      children: [],
    },
  )
  if (saved.kind !== 'saved') throw new Error('Expected it to be saved.')
  const { ref, rev } = saved.record.row
  await tool(`UPDATE person SET note = 'Rang twice' WHERE person_number = ${ref}`)
  const late = await saveRecord(
    { db, live, who: 'Bram' },
    {
      table: 'person',
      ref,
      rev,
      values: { name: 'Tamsyn' },
      children: [],
    },
  )
  expect(late).toMatchObject({ kind: 'conflict', by: 'Another tool' })
  expect(await readRecord({ db, live }, 'person', ref)).toMatchObject({ value: { row: { rev: rev + 1 } } })
})

test('numbers that were given, prices that were copied and totals that are frozen stay as they are', async () => {
  const bills = await opened(db, account, await testBook(db, account, 'Bills', billing().edits))
  const other = await otherTool(bills.schema)
  await other('INSERT INTO item (item_number, list_price) VALUES (1, 12.50), (2, 7)')
  await other("INSERT INTO bill (bill_number, state) VALUES (1, 'open')")
  await other('INSERT INTO bill_line (bill_line_number, bill, item, quantity) VALUES (1, 1, 1, 2)')
  await other("UPDATE bill SET state = 'sent'")
  expect(await outcome(other('UPDATE bill SET bill_number = 9'))).toContain('is a running number and stays')
  expect(await outcome(other('UPDATE bill_line SET price_each = 1'))).toContain('Price each is copied')
  expect(await outcome(other('UPDATE bill SET printed_total = 1'))).toContain('Printed total no longer changes')
  // With its link a copy is taken anew, or given by who links anew.
  await other('UPDATE bill_line SET item = 2')
  await other('UPDATE bill_line SET item = 1, price_each = 11')
  expect(await other('SELECT price_each, row_rev FROM bill_line')).toEqual([{ price_each: '11.00', row_rev: 3 }])
})
