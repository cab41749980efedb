import { beforeAll, expect, test } from 'vitest'
import { editAll, opened, stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { otherTool } from '@/tests/support/other-tool'
import { hiring, ruled, rulings } from '@/tests/support/ruled-design'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'
import { violationsOf, openBook, tryOnRecords } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('breakers')
  account = await testAccount(db, 'Averil')
})

/** A book that is open with records in it, to which rules come later. */
async function later(name: string, ...rules: readonly string[]) {
  const base = hiring()
  const id = await testBook(db, account, name, base.edits)
  const live = await opened(db, account, id)
  const tool = await otherTool(live.schema)
  await tool('INSERT INTO room (room_number, seats, floor) VALUES (1, 50, 0), (2, NULL, NULL), (3, NULL, NULL)')
  await tool(
    `INSERT INTO hire (hire_number, room, guests, price, from_day, to_day) VALUES
     (1, 1, 60, 10, '2027-03-10', '2027-03-12'), (2, 1, 20, 5, '2027-03-12', '2027-03-11'), (3, NULL, 900, NULL, NULL, NULL)`,
  )
  await tool(
    "INSERT INTO extra (extra_number, hire, what, cost) VALUES (1, 2, 'tea', 3), (2, 2, 'Tea', 3), (3, 2, NULL, 0), (4, 2, NULL, 0)",
  )
  await editAll(db, account, id, ruled(...rules).edits.slice(base.edits.length))
  const { book } = await stored(db, id)
  return { id, live, book, who: (rule: string) => violationsOf({ db, live }, book, rule) }
}

test('the records that break a rule are counted and told, for each kind that can be asked', async () => {
  const kinds = ['within', 'across', 'gathered', 'together', 'alike', 'apart', 'warned']
  const { who } = await later('Counted', ...kinds)
  const refs = async (rule: string) => (await who(rule))?.first.map((one) => one.ref)
  expect(await refs('within')).toEqual(['2'])
  expect(await refs('across')).toEqual(['1'])
  expect(await refs('gathered')).toEqual(['2'])
  expect(await refs('together')).toEqual(['1', '2'])
  expect(await refs('alike')).toEqual(['2', '3'])
  expect(await refs('warned')).toEqual(['3'])
  expect(await refs('apart')).toEqual(['1', '2'])
})

test('what is about changes, and what isn’t open yet, can’t be asked of records', async () => {
  const { id, who } = await later('Unasked', 'closed', 'follows', 'within')
  expect([await who('closed'), await who('follows')]).toEqual([undefined, undefined])
  await editAll(db, account, id, [{ kind: 'addField', table: 'hire', id: 'new', name: 'New', holds: 'whole' }])
  const design = ruled()
  design.do({ kind: 'addField', table: 'hire', id: 'new', name: 'New', holds: 'whole' })
  const says = { kind: 'holds' as const, tree: design.tree('hire', 'New > 1') }
  await editAll(db, account, id, [{ kind: 'addRule', id: 'fresh', table: 'hire', words: 'No.', says }])
  const { book } = await stored(db, id)
  expect(await violationsOf({ db, live: (await later('Other')).live }, book, 'fresh')).toBeUndefined()
})

test('a rule that records break stands in the way of opening, until it is for new records alone', async () => {
  const { id } = await later('Stands', 'across')
  const blocked = async () => {
    const sheet = await openBook(db, id, account.id)
    return sheet.ok ? sheet.value.blocked : []
  }
  expect(await blocked()).toEqual([
    `1 hire breaks the rule “${rulings.across!.words}”. Change it in Records first, or let the rule be asked of new records only.`,
  ])
  await editAll(db, account, id, [{ kind: 'changeRule', rule: 'across', onlyNew: true }])
  expect(await blocked()).toEqual([])
})

test('an expression is tried on the records that were changed last, and not on what isn’t open', async () => {
  const { live } = await later('Tried')
  const design = ruled()
  const tried = await tryOnRecords({ db, live }, 'hire', design.tree('hire', 'Guests <= Room.Seats'))
  expect(tried?.map(({ ref, holds, shown }) => [ref, holds, shown]).sort()).toEqual([
    ['1', false, 'no'],
    ['2', true, 'yes'],
    ['3', null, ''],
  ])
  const doubled = await tryOnRecords({ db, live }, 'hire', design.tree('hire', 'Price * 2'))
  expect(doubled?.map(({ ref, shown }) => `${ref}: ${shown}`).sort()).toEqual(['1: 20.00', '2: 10.00', '3: '])
  design.do({ kind: 'addField', table: 'hire', id: 'new', name: 'New', holds: 'whole' })
  expect(await tryOnRecords({ db, live }, 'hire', design.tree('hire', 'New > 1'))).toBeUndefined()
})
