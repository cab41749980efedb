import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import type { Catalogue } from '@/server/catalogue'
import { run, select } from '@/server/database'
import { type Live, openBook, readRecord, type SaveOutcome, saveRecord } from '@/server/live'
import { resumeOpening } from '@/server/live/journal'
import type { Account } from '@/server/people'
import {
  editAll,
  opened,
  shapeAfresh,
  shapeOf,
  stored,
  testAccount,
  testBook,
  testCatalogue,
} from '../support/catalogue'
import { journalled, killedAt } from '../support/crashes'
import { billing } from '../support/derived-design'
import { otherTool } from '../support/other-tool'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('beside')
  account = await testAccount(db, 'Averil')
})

/** Bills that stay as they are once they are sent, and may only be sent from open. */
const design = () => {
  const bills = billing()
  return bills.do(
    {
      kind: 'addRule',
      id: 'stays',
      table: 'bill',
      words: 'What was sent stays as it is.',
      says: { kind: 'closed', once: bills.tree('bill', "State = 'sent'"), except: [], rows: true },
    },
    {
      kind: 'addRule',
      id: 'most',
      table: 'bill',
      words: 'A bill comes to no more than 500.',
      says: { kind: 'holds', tree: bills.tree('bill', 'COALESCE(Total, 0) <= 500') },
    },
  )
}

/** Small changes as an administrator makes them one after the other, some of them to the tables that are written. */
const changes: readonly Edit[][] = [
  [{ kind: 'addField', table: 'line', id: 'remark', name: 'Remark', holds: 'line' }],
  [{ kind: 'changeField', field: 'quantity', to: { name: 'How many' } }],
  [{ kind: 'addField', table: 'customer', id: 'since', name: 'Since', holds: 'date' }],
  [{ kind: 'renameTable', table: 'line', name: 'Line of a bill' }],
  [{ kind: 'changeField', field: 'list-price', to: { least: '0.50' } }],
  [{ kind: 'removeField', field: 'remark' }],
  [{ kind: 'changeField', field: 'quantity', to: { name: 'Quantity' } }],
  [{ kind: 'changeField', field: 'town', to: { length: 80 } }],
]

async function book(name: string) {
  const id = await testBook(db, account, name, design().edits)
  const live = await opened(db, account, id)
  const sql = (text: string) => text.replaceAll('$', `\`${live.schema}\`.`)
  await run(db, sql('INSERT INTO $item (item_number, what, list_price) VALUES (1, "Flue", 12.50), (2, "Cowl", 7)'))
  await run(db, sql('INSERT INTO $bill (bill_number, state) VALUES (1, "open"), (2, "open"), (3, "open"), (4, "open")'))
  await run(db, sql('INSERT INTO $bill_line (bill_line_number, bill, item, quantity) VALUES (90001, 4, 1, 2)'))
  await run(db, sql('UPDATE $bill SET state = "sent" WHERE bill_number = 4'))
  return { id, live, sql }
}

const line = (bill: string, item: string) => ({
  table: 'line',
  ref: null,
  rev: null,
  values: { 'line-bill': bill, 'line-item': item, quantity: '1' },
  children: [],
})

/** What a form does that is told to wait: it sends the same again. */
async function throughAtLast(live: Live, request: Parameters<typeof saveRecord>[3]): Promise<SaveOutcome> {
  for (;;) {
    const outcome = await saveRecord(db, live, 'Averil', request)
    if (outcome.kind !== 'waits') return outcome
  }
}

test('saves go on while the book is opened again and again, each under a whole design', async () => {
  const { id, live, sql } = await book('Again and again')
  let opening = true
  const kinds = new Map<string, number>()
  const count = (kind: string) => kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
  const clerk = async (bill: string) => {
    for (let at = 0; opening; at++) count((await throughAtLast(live, line(bill, String((at % 2) + 1)))).kind)
  }
  // What is sent is closed, whatever is being opened.
  const meddler = async () => {
    while (opening) {
      const read = await readRecord(db, live, 'bill', '4').catch(() => undefined)
      const request = { table: 'bill', ref: '4', rev: read?.ok ? read.value.row.rev : 1, values: { on: '2027-01-01' } }
      count(`closed: ${(await throughAtLast(live, { ...request, children: [] })).kind}`)
    }
  }
  const tool = await otherTool(live.schema)
  const words = new Set<string>()
  const otherWriter = async () => {
    while (opening)
      for (const statement of [
        'UPDATE bill SET issued_on = "2027-02-02" WHERE bill_number = 4',
        'UPDATE bill SET state = "open" WHERE bill_number = 4',
        'DELETE FROM bill WHERE bill_number = 4',
      ])
        words.add(
          await tool(statement).then(
            () => 'taken',
            (cause: unknown) => String((cause as { sqlMessage?: string }).sqlMessage),
          ),
        )
  }
  const writers = [clerk('1'), clerk('2'), clerk('3'), meddler(), otherWriter()]
  try {
    for (const edits of changes) {
      await editAll(db, account, id, edits)
      expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { blocked: [] } })
      // Between two openings some saves get through.
      const before = kinds.get('saved') ?? 0
      while ((kinds.get('saved') ?? 0) < before + 5) await new Promise((done) => setTimeout(done, 20))
    }
  } finally {
    opening = false
    await Promise.all(writers)
  }

  expect(kinds.get('saved')).toBeGreaterThanOrEqual(40)
  expect([...kinds.keys()].filter((kind) => !['saved', 'refused', 'closed: refused'].includes(kind))).toEqual([])
  const lines = 'FROM $line_of_a_bill l JOIN $item i ON l.item = i.item_number'
  const [copied] = await select<{ count: number }>(
    db,
    sql(`SELECT COUNT(*) AS count ${lines} WHERE NOT (l.price_each <=> i.list_price)`),
  )
  expect(copied!.count).toBe(0)
  const [sent] = await select(db, sql('SELECT state, issued_on, printed_total FROM $bill WHERE bill_number = 4'))
  expect(sent).toEqual({ state: 'sent', issued_on: null, printed_total: '25.00' })
  expect([...words].filter((said) => !/What was sent stays|being changed just now|Unknown column/.test(said))).toEqual(
    [],
  )
  const [over] = await select<{ count: number }>(
    db,
    sql(
      `SELECT COUNT(*) AS count FROM (SELECT SUM(l.quantity * l.price_each) AS total ${lines} GROUP BY l.bill) AS t WHERE total > 500`,
    ),
  )
  expect(over!.count).toBe(0)
  expect(await shapeOf(db, live.schema)).toBe(await shapeAfresh(db, account, id))
}, 180_000)

test('an opening that nobody carries on is finished by the next save that needs the book', async () => {
  const { id, live } = await book('Left half way')
  await editAll(db, account, id, changes[0]!)
  const { entry, steps } = await journalled(db, account, id)
  await killedAt(db, entry, Math.floor(steps / 2), 'unmarked')
  expect((await stored(db, id)).opening).toBe(entry)
  expect((await saveRecord(db, live, 'Averil', line('1', '1'))).kind).toBe('saved')
  expect(await stored(db, id)).toMatchObject({ opening: undefined })
  expect((await stored(db, id)).opened).toEqual((await stored(db, id)).book)
})

test('triggers of tables that a change doesn’t touch stay where they are', async () => {
  const { id, live } = await book('Untouched')
  const made = () =>
    select(
      db,
      "SELECT TRIGGER_NAME AS name, CREATED AS at FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = ? AND EVENT_OBJECT_TABLE <> 'customer' ORDER BY 1",
      [live.schema],
    )
  const before = await made()
  await editAll(db, account, id, changes[2]!)
  expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { blocked: [] } })
  expect(await made()).toEqual(before)
})

test('a record that breaks a new rule and is saved before the gate closes stands in its way', async () => {
  const { id, live, sql } = await book('Too late')
  const bills = design()
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
  expect((await saveRecord(db, live, 'Averil', line('1', '1'))).kind).toBe('saved')
})

test('a book that an earlier edition opened gets what this one makes with its next opening', async () => {
  const { id, live, sql } = await book('Older')
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
