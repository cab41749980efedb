import type { Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import type { Catalogue } from '@/server/catalogue'
import { run, select } from '@/server/database'
import { type Live, openBook, readRecord, type SaveOutcome, saveRecord } from '@/server/live'
import type { Account } from '@/server/people'
import { editAll, opened, testBook } from './books'
import { billing } from './derived-design'

/** Bills that stay as they are once they are sent, and may only be sent from open. */
export const ruledBills = (most = 500) => {
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
      words: `A bill comes to no more than ${most}.`,
      says: { kind: 'holds', tree: bills.tree('bill', `COALESCE(Total, 0) <= ${most}`) },
    },
  )
}

/** Small changes as an administrator makes them one after the other, some of them to the tables that are written. */
export const smallChanges: readonly Edit[][] = [
  [{ kind: 'addField', table: 'line', id: 'remark', name: 'Remark', holds: 'line' }],
  [{ kind: 'changeField', field: 'quantity', to: { name: 'How many' } }],
  [{ kind: 'addField', table: 'customer', id: 'since', name: 'Since', holds: 'date' }],
  [{ kind: 'renameTable', table: 'line', name: 'Line of a bill' }],
  [{ kind: 'changeField', field: 'list-price', to: { least: '0.50' } }],
  [{ kind: 'removeField', field: 'remark' }],
  [{ kind: 'changeField', field: 'quantity', to: { name: 'Quantity' } }],
  [{ kind: 'changeField', field: 'town', to: { length: 80 } }],
]

/** An open book of bills, one of them sent, with a price list. */
export async function billBook(db: Catalogue, account: Account, name: string, most = 500) {
  const id = await testBook(db, account, name, ruledBills(most).edits)
  const live = await opened(db, account, id)
  const sql = (text: string) => text.replaceAll('$', `\`${live.schema}\`.`)
  await run(db, sql('INSERT INTO $item (item_number, what, list_price) VALUES (1, "Flue", 12.50), (2, "Cowl", 7)'))
  await run(db, sql('INSERT INTO $bill (bill_number, state) VALUES (1, "open"), (2, "open"), (3, "open"), (4, "open")'))
  await run(db, sql('INSERT INTO $bill_line (bill_line_number, bill, item, quantity) VALUES (90001, 4, 1, 2)'))
  await run(db, sql('UPDATE $bill SET state = "sent" WHERE bill_number = 4'))
  return { id, live, sql, most }
}

export const billLine = (bill: string, item: string) => ({
  table: 'line',
  ref: null,
  rev: null,
  values: { 'line-bill': bill, 'line-item': item, quantity: '1' },
  children: [],
})

/** What a form does that is told to wait: it sends the same again. */
async function throughAtLast(
  db: Catalogue,
  live: Live,
  request: Parameters<typeof saveRecord>[1],
): Promise<SaveOutcome> {
  for (;;) {
    const outcome = await saveRecord({ db, live, who: 'Averil' }, request)
    if (outcome.kind !== 'waits') return outcome
  }
}

export interface BesideOpenings {
  /** How often each outcome of a save was met. */
  readonly kinds: ReadonlyMap<string, number>
  /** What the other tool was told. */
  readonly words: ReadonlySet<string>
  /** Lines without the price that they should have copied. */
  readonly uncopied: number
  /** Bills beyond what their rule allows. */
  readonly beyond: number
  /** The bill that was sent, as it stands. */
  readonly sent: object
  /** The longest that a save took, in milliseconds. */
  readonly longest: number
}

/**
 * Opens a book again and again with small changes, while three clerks add lines to bills, somebody tries to change one
 * that is closed, and another tool does too.
 */
export async function openBesideSaves(
  db: Catalogue,
  account: Account,
  { id, live, sql, most }: Awaited<ReturnType<typeof billBook>>,
  tool: (statement: string) => Promise<unknown>,
  changes: readonly (readonly Edit[])[],
): Promise<BesideOpenings> {
  let [opening, longest] = [true, 0]
  const kinds = new Map<string, number>()
  const words = new Set<string>()
  const count = (kind: string) => kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
  const timed = async (work: Promise<SaveOutcome>) => {
    const started = performance.now()
    const { kind } = await work
    longest = Math.max(longest, performance.now() - started)
    return kind
  }
  const clerk = async (bill: string) => {
    for (let at = 0; opening; at++) count(await timed(throughAtLast(db, live, billLine(bill, String((at % 2) + 1)))))
  }
  // What is sent is closed, whatever is being opened.
  const meddler = async () => {
    while (opening) {
      const read = await readRecord({ db, live }, 'bill', '4').catch(() => undefined)
      const request = { table: 'bill', ref: '4', rev: read?.ok ? read.value.row.rev : 1, values: { on: '2027-01-01' } }
      count(`closed: ${await timed(throughAtLast(db, live, { ...request, children: [] }))}`)
    }
  }
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
      const sheet = await openBook(db, id, account.id)
      if (!sheet.ok) throw new Error(wordProblem(sheet.problem))
      if (sheet.value.blocked.length > 0) throw new Error(sheet.value.blocked.join(' '))
      // Between two openings some saves get through.
      const before = kinds.get('saved') ?? 0
      while ((kinds.get('saved') ?? 0) < before + 5) await new Promise((done) => setTimeout(done, 20))
    }
  } finally {
    opening = false
    await Promise.all(writers)
  }
  const [{ name }] = (await select<{ name: string }>(
    db,
    "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_NAME IN ('bill_line', 'line_of_a_bill')",
    [live.schema],
  )) as [{ name: string }]
  const lines = `FROM $${name} l JOIN $item i ON l.item = i.item_number`
  const number = async (text: string) => Number((await select<{ count: number }>(db, sql(text)))[0]!.count)
  const [sent] = await select(db, sql('SELECT state, issued_on, printed_total FROM $bill WHERE bill_number = 4'))
  return {
    kinds,
    words,
    longest,
    sent: sent!,
    uncopied: await number(`SELECT COUNT(*) AS count ${lines} WHERE NOT (l.price_each <=> i.list_price)`),
    beyond: await number(
      `SELECT COUNT(*) AS count FROM (SELECT SUM(l.quantity * l.price_each) AS total ${lines} GROUP BY l.bill) AS t WHERE total > ${most}`,
    ),
  }
}
