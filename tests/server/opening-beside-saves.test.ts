import { beforeAll, expect, test } from 'vitest'
import type { Catalogue } from '@/server/catalogue'
import { run, select } from '@/server/database'
import { openBook, saveRecord } from '@/server/live'
import { resumeOpening } from '@/server/live/journal'
import type { Account } from '@/server/people'
import { billBook, billLine, openBesideSaves, ruledBills, smallChanges } from '../support/beside-openings'
import { editAll, shapeAfresh, shapeOf, stored, testAccount, testCatalogue } from '../support/catalogue'
import { journalled, killedAt } from '../support/crashes'
import { otherTool } from '../support/other-tool'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('beside')
  account = await testAccount(db, 'Averil')
})

test('saves go on while the book is opened again and again, each under a whole design', async () => {
  const book = await billBook(db, account, 'Again and again')
  const tool = await otherTool(book.live.schema)
  const { kinds, words, uncopied, sent, beyond } = await openBesideSaves(db, account, book, tool, smallChanges)
  expect(kinds.get('saved')).toBeGreaterThanOrEqual(40)
  expect([...kinds.keys()].filter((kind) => !['saved', 'refused', 'closed: refused'].includes(kind))).toEqual([])
  expect([...words].filter((said) => !/What was sent stays|being changed just now|Unknown column/.test(said))).toEqual(
    [],
  )
  expect({ uncopied, beyond }).toEqual({ uncopied: 0, beyond: 0 })
  expect(sent).toEqual({ state: 'sent', issued_on: null, printed_total: '25.00' })
  expect(await shapeOf(db, book.live.schema)).toBe(await shapeAfresh(db, account, book.id))
}, 180_000)

test('an opening that nobody carries on is finished by the next save that needs the book', async () => {
  const { id, live } = await billBook(db, account, 'Left half way')
  await editAll(db, account, id, smallChanges[0]!)
  const { entry, steps } = await journalled(db, account, id)
  await killedAt(db, entry, Math.floor(steps / 2), 'unmarked')
  expect((await stored(db, id)).opening).toBe(entry)
  expect((await saveRecord(db, live, 'Averil', billLine('1', '1'))).kind).toBe('saved')
  expect(await stored(db, id)).toMatchObject({ opening: undefined })
  expect((await stored(db, id)).opened).toEqual((await stored(db, id)).book)
})

test('triggers of tables that a change doesn’t touch stay where they are', async () => {
  const { id, live } = await billBook(db, account, 'Untouched')
  const made = () =>
    select(
      db,
      "SELECT TRIGGER_NAME AS name, CREATED AS at FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = ? AND EVENT_OBJECT_TABLE <> 'customer' ORDER BY 1",
      [live.schema],
    )
  const before = await made()
  await editAll(db, account, id, smallChanges[2]!)
  expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { blocked: [] } })
  expect(await made()).toEqual(before)
})

test('a record that breaks a new rule and is saved before the gate closes stands in its way', async () => {
  const { id, live, sql } = await billBook(db, account, 'Too late')
  const bills = ruledBills()
  await editAll(db, account, id, [
    {
      kind: 'addRule',
      id: 'fewer',
      table: 'bill',
      words: 'At most two lines.',
      says: { kind: 'holds', tree: bills.tree('bill', 'Lines <= 2') },
    },
  ])
  const { entry } = await journalled(db, account, id)
  await run(db, sql('INSERT INTO $bill_line (bill_line_number, bill) VALUES (1, 1), (2, 1), (3, 1)'))
  expect(await resumeOpening(db, entry)).toMatchObject({
    state: 'taken-back',
    blocked: [expect.stringContaining('At most two lines.')],
  })
  expect((await saveRecord(db, live, 'Averil', billLine('1', '1'))).kind).toBe('saved')
})

test('a book that an earlier edition opened gets what this one makes with its next opening', async () => {
  const { id, live, sql } = await billBook(db, account, 'Older')
  await run(db, sql('ALTER TABLE $customer DROP CONSTRAINT customer_name_seen'))
  await run(db, sql('DROP TRIGGER $bill_before_update'))
  await run(db, sql('INSERT INTO $customer (customer_number, name) VALUES (1, CHAR(9))'))
  await db.gates.update({ opened_edition: 1 }, { where: { book_id: id, part: '' } })
  expect(await openBook(db, id, account.id)).toMatchObject({
    ok: true,
    value: { blocked: [expect.stringContaining('1 customer has a value in Customer → Name')] },
  })
  await run(db, sql("UPDATE $customer SET name = 'Otterby Tea Room'"))
  expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { kind: 'change', blocked: [] } })
  expect(await shapeOf(db, live.schema)).toBe(await shapeAfresh(db, account, id))
  expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { kind: 'nothing' } })
})
