import { beforeAll, expect, test } from 'vitest'
import { findReport, type List, type Report } from '@/core/book'
import { testAccount, testBook, testCatalogue, stored } from '@/tests/support/catalogue'
import { askedDesign } from '@/tests/support/asked-design'
import type { Catalogue } from '../catalogue'
import type { Account } from '../people'
import { dropReport, keepReport, reportsFor } from './kept-reports'
import { keepList } from './kept-lists'

let db: Catalogue
let averil: Account
let bram: Account
let id: string

const list = (own: string, owner?: string): List => ({
  id: own,
  table: 'visit',
  columns: [{ id: 'a', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
  asks: [],
  order: [],
  ...(owner && { owner }),
})
const report = (own: string, of: string): Report => ({
  id: own,
  list: of,
  paper: { size: 'a4', margin: 18 },
  letters: 9,
  rows: 'lines',
  room: 'usual',
})

beforeAll(async () => {
  db = await testCatalogue('keptreports')
  averil = await testAccount(db, 'Averil')
  bram = await testAccount(db, 'Bram')
  id = await testBook(db, averil, 'Kept', askedDesign)
  await keepList(db, id, averil.id, { list: list('own', averil.id) })
  await keepList(db, id, averil.id, { list: list('shared') })
})
const seenBy = async ({ id: account }: Account) => reportsFor((await stored(db, id)).book, account).map((one) => one.id)
const gone = (what: string) => ({ ok: false, problem: { kind: 'gone', what } })

test('whoever may see a list may see its reports, and nobody else', async () => {
  expect(await keepReport(db, id, averil.id, { report: report('mine', 'own') })).toMatchObject({ ok: true })
  expect(await keepReport(db, id, bram.id, { report: report('ours', 'shared') })).toMatchObject({ ok: true })
  expect([await seenBy(averil), await seenBy(bram)]).toEqual([['mine', 'ours'], ['ours']])
  expect(await keepReport(db, id, bram.id, { report: report('sly', 'own') })).toEqual(gone('list'))
  const mine = findReport((await stored(db, id)).book, 'mine')!
  expect(await keepReport(db, id, bram.id, { report: { ...mine, letters: 6 }, before: mine })).toEqual(gone('list'))
  // Nor by saying that it is of a list that they may see.
  const moved = { ...mine, list: 'shared', letters: 6 }
  expect(await keepReport(db, id, bram.id, { report: moved, before: mine })).toEqual(gone('report'))
  expect(await dropReport(db, id, bram.id, 'mine')).toEqual(gone('report'))
})

test('two who change the same report at the same moment: the second is told, and nothing is written over', async () => {
  const before = findReport((await stored(db, id)).book, 'ours')!
  const answers = await Promise.all([
    keepReport(db, id, averil.id, { report: { ...before, letters: 7 }, before }),
    keepReport(db, id, bram.id, { report: { ...before, letters: 12 }, before }),
  ])
  expect(answers.map(({ ok }) => ok).sort()).toEqual([false, true])
  expect(answers.find(({ ok }) => !ok)).toMatchObject({ problem: { kind: 'clash' } })
})

test('removed, it is gone for all', async () => {
  expect(await dropReport(db, id, bram.id, 'ours')).toMatchObject({ ok: true })
  expect(await seenBy(averil)).toEqual(['mine'])
  expect(await dropReport(db, id, bram.id, 'ours')).toEqual(gone('report'))
})
