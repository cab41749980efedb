import { beforeAll, expect, test } from 'vitest'
import type { Agreed } from '@/core/opening'
import { wordProblem } from '@/core/words'
import { editAll, opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { billing } from '@/tests/support/derived-design'
import { field, tie } from '@/tests/support/edits'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import type { Account } from '../../people'
import { type Live, openBook, readRecord, removeRecord, saveRecord, type SaveOutcome, type SaveRequest } from '..'

let db: Catalogue
let account: Account
let live: Live
let bookId: string

beforeAll(async () => {
  db = await testCatalogue('meeting')
  account = await testAccount(db, 'Averil')
  const design = billing().do(
    { kind: 'addTable', id: 'part', name: 'Part', keyField: 'part-key' },
    ...field('part', 'part-code', 'Code', 'code'),
    { kind: 'setKey', table: 'part', fields: ['part-code'] },
    { kind: 'addTable', id: 'receipt', name: 'Receipt', keyField: 'receipt-key' },
    ...field('receipt', 'receipt-done', 'Done', 'tick'),
    tie('part', 'part', { link: 'part-of-link', field: 'part-of' }, { name: 'Part of' }),
    tie('part', 'receipt', { link: 'receipt-part-link', field: 'receipt-part' }),
  )
  const closing = design.tree('receipt', 'Done')
  design.do({
    kind: 'addRule',
    id: 'closed',
    table: 'receipt',
    says: { kind: 'closed', once: closing, except: [], rows: false },
    words: 'A receipt that is done stays as it is.',
  })
  bookId = await testBook(db, account, 'Meeting', design.edits)
  live = await opened(db, account, bookId)
  await add('customer', { name: 'Mill House', town: 'Otterby' })
  await add('item', { what: 'Sweep', 'list-price': '62.00' })
})

const save = (request: Partial<SaveRequest> & Pick<SaveRequest, 'table' | 'values'>, who = 'Averil') =>
  saveRecord({ db, live, who }, { ref: null, rev: null, children: [], ...request })

async function add(table: string, values: Record<string, string | null>, rows: Record<string, string>[] = []) {
  const children = [{ link: 'line-bill-link', rows: rows.map((one) => ({ ref: null, rev: null, values: one })) }]
  return saved(await save({ table, values, children: rows.length > 0 ? children : [] }))
}

function saved(outcome: SaveOutcome) {
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  return outcome.record
}

const record = async (table: string, ref: string) => {
  const read = await readRecord({ db, live }, table, ref)
  if (!read.ok) throw new Error(wordProblem(read.problem))
  return read.value
}

const oneRow = (ref: string, rev: number, values: Record<string, string>, removed = false) => [
  { link: 'line-bill-link', rows: [{ ref, rev, values, removed }] },
]

test('a row that was changed meanwhile is a conflict, also where it is taken out here or there', async () => {
  const bill = await add('bill', { 'bill-customer': '1' }, [{ quantity: '1', 'line-item': '1' }])
  const [line] = bill.children['line-bill-link']!
  const { ref, rev } = bill.row
  const theirs = oneRow(line!.ref, line!.rev, { quantity: '3' })
  saved(await save({ table: 'bill', ref, rev, values: {}, children: theirs }, 'Bram'))
  const mine = { table: 'bill', ref, rev, values: {} }
  for (const removed of [false, true])
    expect(
      await save({ ...mine, children: oneRow(line!.ref, line!.rev, removed ? {} : { quantity: '2' }, removed) }),
    ).toMatchObject({ kind: 'conflict', by: 'Bram' })
  const now = (await record('bill', ref)).children['line-bill-link']![0]!
  expect([now.values.quantity, now.changedBy]).toEqual(['3', 'Bram'])
  saved(await save({ table: 'bill', ref, rev, values: {}, children: oneRow(now.ref, now.rev, {}, true) }))
  expect(await save({ ...mine, children: oneRow(line!.ref, line!.rev, { quantity: '2' }) })).toMatchObject({
    kind: 'conflict',
    theirs: { children: { 'line-bill-link': [] } },
  })
})

test('a record that was removed meanwhile can be saved as a new one', async () => {
  const bill = await add('bill', { 'bill-customer': '1' })
  const { ref, rev } = bill.row
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'bill', ref, rev })).toMatchObject({ ok: true })
  const values = { 'bill-customer': '1', state: 'sent' }
  expect(await save({ table: 'bill', ref, rev, values })).toEqual({ kind: 'removed' })
  expect(saved(await save({ table: 'bill', values })).row.ref).not.toBe(ref)
})

test('a price that is another one than was shown is told before anything is saved', async () => {
  const child = (seen: string) => [
    {
      link: 'line-bill-link',
      rows: [{ ref: null, rev: null, values: { quantity: '1', 'line-item': '1' }, seen: { price: seen } }],
    },
  ]
  const price = (is: string) => run(db, `UPDATE \`${live.schema}\`.item SET list_price = ${is} WHERE item_number = 1`)
  await price('65')
  const request = { table: 'bill', values: { 'bill-customer': '1' } }
  expect(await save({ ...request, children: child('62.00') })).toEqual({
    kind: 'moved',
    changes: [{ field: 'Price each', row: 'Sweep', was: '62.00', is: '65.00' }],
  })
  const both = saved(await save({ ...request, children: child('65.00') }))
  expect(both.children['line-bill-link']![0]!.values.price).toBe('65.00')
  await price('62')
  // A price that was agreed on stays, and is what the form goes on showing.
  const { ref, rev } = both.row
  const line = both.children['line-bill-link']![0]!
  const rows = [{ ref: line.ref, rev: line.rev, values: { quantity: '2' }, seen: { price: '65.00' } }]
  saved(await save({ table: 'bill', ref, rev, values: {}, children: [{ link: 'line-bill-link', rows }] }))
})

test('a code that is a key can be mended, and what is linked follows and counts as changed', async () => {
  await add('part', { 'part-code': 'FLU' })
  await add('part', { 'part-code': 'COWL' })
  const receipt = await add('receipt', { 'receipt-part': 'FLU' })
  const mended = saved(await save({ table: 'part', ref: 'FLU', rev: 1, values: { 'part-code': 'FLUE' } }, 'Bram'))
  expect(mended.row.ref).toBe('FLUE')
  const followed = await record('receipt', receipt.row.ref)
  expect(followed.row).toMatchObject({ rev: 2, changedBy: 'Bram', values: { 'receipt-part': 'FLUE' } })
  const taken = await save({ table: 'part', ref: 'FLUE', rev: 2, values: { 'part-code': 'COWL' } })
  expect(taken.kind === 'refused' && wordProblem(taken.problems.fields['part-code']!)).toBe(
    'Another part already has “COWL” as its Code; it must be different for each.',
  )
})

test('a code stays while records of its own table are linked to it, and it says so', async () => {
  const [boss, other] = [await add('part', { 'part-code': 'BOSS' }), await add('part', { 'part-code': 'HAND' })]
  saved(await save({ table: 'part', ref: other.row.ref, rev: 1, values: { 'part-of': boss.row.ref } }))
  const outcome = await save({ table: 'part', ref: 'BOSS', rev: 1, values: { 'part-code': 'BOS' } })
  // MariaDB follows no key into the table that it is in.
  expect(outcome.kind === 'refused' && outcome.problems.whole.map(wordProblem)).toEqual([
    'This part is still used by 1 part. Remove or change those first.',
  ])
  expect((await record('part', 'HAND')).row.values['part-of']).toBe('BOSS')
})

test('a key stays while a closed record is linked to it', async () => {
  const receipt = await add('receipt', { 'receipt-part': 'COWL', 'receipt-done': '1' })
  const outcome = await save({ table: 'part', ref: 'COWL', rev: 1, values: { 'part-code': 'OTHER' } })
  expect(outcome.kind === 'refused' && wordProblem(outcome.problems.fields['part-code']!)).toBe(
    'A receipt that is done stays as it is.',
  )
  expect((await record('receipt', receipt.row.ref)).row).toMatchObject({ rev: 1, values: { 'receipt-part': 'COWL' } })
})

test('copied prices can be let go for good, but only once that is agreed to', async () => {
  const gone = ['owes', 'owed', 'printed', 'total', 'line-amount', 'price']
  await editAll(
    db,
    account,
    bookId,
    gone.map((id) => ({ kind: 'removeField', field: id })),
  )
  const open = async (agreed: Agreed[]) => {
    const sheet = await openBook(db, bookId, account.id, agreed)
    if (!sheet.ok) throw new Error(wordProblem(sheet.problem))
    return sheet.value
  }
  const { blocked, losses } = await open([])
  expect(losses.map(({ words }) => words).join()).toMatch(
    /Price each was removed from Bill line, but \d bill lines? holds? something there\./,
  )
  expect(blocked).toEqual(losses.map(({ words }) => words))
  // One more came since somebody agreed: that was never agreed to.
  const agreed = losses.map(({ id, count }) => ({ id, most: count }))
  await add('bill', { 'bill-customer': '1' }, [{ quantity: '1', 'line-item': '1' }])
  expect((await open(agreed)).blocked).not.toEqual([])
  const now = (await open([])).losses.map(({ id, count }) => ({ id, most: count }))
  expect((await open(now)).blocked).toEqual([])
})
