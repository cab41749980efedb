import { beforeAll, expect, test } from 'vitest'
import type { Catalogue } from '@/server/catalogue'
import { run, select } from '@/server/database'
import { openBook, saveRecord } from '@/server/live'
import { resumeOpening } from '@/server/live/open/journal'
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
  expect((await saveRecord({ db, live, who: 'Averil' }, billLine('1', '1'))).kind).toBe('saved')
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
    blocked: [{ kind: 'rule-broken-by-records', rule: 'At most two lines.', table: 'Bill', count: 1 }],
  })
  expect((await saveRecord({ db, live, who: 'Averil' }, billLine('1', '1'))).kind).toBe('saved')
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

test('a step that lost a deadlock is run again, and still commits with its mark or not at all', async () => {
  const { id, live, sql } = await billBook(db, account, 'Deadlock')
  const { entry } = await journalled(db, account, id)
  // What MariaDB does to the one who loses: all is rolled back, and the transaction is over.
  const step = `BEGIN NOT ATOMIC
    IF @lost IS NULL THEN SET @lost = 1; ROLLBACK; SIGNAL SQLSTATE '40001' SET MYSQL_ERRNO = 1213; END IF;
    UPDATE item SET what = CONCAT(what, '!') WHERE item_number = 1; END`
  await db.openings.update({ steps: JSON.stringify([{ say: 'Reword', sql: step }]) }, { where: { id: entry } })
  const what = async () => (await select(db, sql('SELECT what FROM $item WHERE item_number = 1')))[0]!.what
  await killedAt(db, entry, 0, 'unmarked')
  expect(await what()).toBe('Flue')
  // Who comes next finishes it, once.
  expect((await saveRecord({ db, live, who: 'Averil' }, billLine('1', '1'))).kind).toBe('saved')
  expect(await what()).toBe('Flue!')
})

test('an opening that an earlier edition planned counts as that edition’s, whoever finishes it', async () => {
  const { id } = await billBook(db, account, 'Planned before')
  await editAll(db, account, id, smallChanges[0]!)
  const { entry } = await journalled(db, account, id)
  await db.openings.update({ edition: 1 }, { where: { id: entry } })
  expect((await resumeOpening(db, entry)).state).toBe('done')
  expect((await stored(db, id)).openedEdition).toBe(1)
  expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { kind: 'change', blocked: [] } })
})

test('nobody waits for an opening that there is no longer', async () => {
  const { id, live } = await billBook(db, account, 'No longer')
  await db.gates.update({ opening: 987_654 }, { where: { book_id: id, part: '' } })
  expect((await saveRecord({ db, live, who: 'Averil' }, billLine('1', '1'))).kind).toBe('saved')
})
