import { beforeAll, expect, test } from 'vitest'
import type { Condition, List } from '@/core/book'
import { sayList, uncalled } from '@/core/lists'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { askedDesign } from '@/tests/support/asked-design'
import { findBook, keepList } from '../../books'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import type { Account } from '../../people'
import { askList, callRecords } from '..'
import type { Live } from '../live'

let db: Catalogue
let live: Live
let averil: Account
let id: string
beforeAll(async () => {
  db = await testCatalogue('calledtoday')
  averil = await testAccount(db, 'Averil')
  id = await testBook(db, averil, 'Asked', askedDesign)
  live = await opened(db, averil, id)
  await run(db, `INSERT INTO \`${live.schema}\`.house (house_number, town) VALUES (1, 'Otterby'), (2, 'Ash')`)
  await run(db, `INSERT INTO \`${live.schema}\`.visit (visit_number, house) VALUES (1, 1), (2, 2)`)
})

const is = (value: string, called: string): Condition => ({
  kind: 'compare',
  place: { way: [], field: 'visit__house' },
  how: 'is',
  with: [{ value, called }],
})
const list = (where: Condition): List => ({
  id: 'list',
  table: 'visit',
  columns: [{ id: 'c', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
  asks: [],
  order: [],
  where,
})
const saidToday = async (where: Condition) => {
  const [today] = await callRecords({ db, live }, [list(where)])
  return sayList(live.book, today!)
}

test('a record that a list speaks of is called as it is today, wherever in the list it stands', async () => {
  await run(db, `UPDATE \`${live.schema}\`.house SET town = 'Netherweir' WHERE house_number = 1`)
  const nested: Condition = { kind: 'not', of: { kind: 'any', of: [is('1', 'Otterby'), is('2', 'Ash')] } }
  expect(await saidToday(nested)).toMatch(/house is “[^”]*Netherweir[^”]*” nor one whose house is “[^”]*Ash/)
})

test('one that is gone, or never was, keeps its words, and nothing is found by it', async () => {
  expect(await saidToday(is('99', 'Heron Cottage'))).toContain('house is “Heron Cottage”')
  expect(await saidToday(is('1~2', 'Two parts'))).toContain('house is “Two parts”')
  const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
  expect(await askList({ db, live }, list(is('99', 'Heron Cottage')), answers, { limit: 9 })).toEqual({ lines: [] })
})

test('who saw the record called otherwise may still change the list', async () => {
  const kept = list(is('1', 'Otterby'))
  expect(await keepList(db, id, averil.id, { list: kept })).toMatchObject({ ok: true })
  const [seen] = await callRecords({ db, live }, [kept])
  expect([seen, uncalled(seen!)]).toEqual([expect.not.objectContaining(kept), uncalled(kept)])
  const changed = { ...seen!, name: 'Visits of one house' }
  expect(await keepList(db, id, averil.id, { list: changed, before: seen })).toMatchObject({ ok: true })
  expect((await findBook(db, id))?.book.lists[0]).toMatchObject({ name: 'Visits of one house' })
})
