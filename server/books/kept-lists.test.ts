import { beforeAll, expect, test } from 'vitest'
import { findList, List } from '@/core/book'
import { testAccount, testBook, testCatalogue, stored } from '@/tests/support/catalogue'
import { askedDesign } from '@/tests/support/asked-design'
import type { Catalogue } from '../catalogue'
import type { Account } from '../people'
import { dropList, keepList, listsFor } from './kept-lists'
import { undo } from './edit-book'

let db: Catalogue
let averil: Account
let bram: Account
let id: string

beforeAll(async () => {
  db = await testCatalogue('keptlists')
  averil = await testAccount(db, 'Averil')
  bram = await testAccount(db, 'Bram')
  id = await testBook(db, averil, 'Kept', askedDesign)
})

const list = (own: string, more: Partial<List> = {}): List => ({
  id: own,
  table: 'visit',
  columns: [{ id: 'a', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
  asks: [],
  order: [],
  ...more,
})
const seenBy = async (account: Account) => listsFor((await stored(db, id)).book, account.id).map((one) => one.id)

test('one’s own lists are seen by nobody else, everybody’s by all', async () => {
  const own = list('own', { name: 'Mine', owner: averil.id })
  expect(await keepList(db, id, averil.id, { list: own })).toMatchObject({ ok: true })
  expect(await keepList(db, id, bram.id, { list: list('shared', { name: 'Ours' }) })).toMatchObject({ ok: true })
  expect([await seenBy(averil), await seenBy(bram)]).toEqual([['own', 'shared'], ['shared']])
})

test('somebody else’s own list can’t be changed, removed, or made in their name', async () => {
  const own = findList((await stored(db, id)).book, 'own')!
  const gone = { ok: false, problem: { kind: 'gone', what: 'list' } }
  const { owner: _owner, ...taken } = own
  expect(await keepList(db, id, bram.id, { list: { ...taken, name: 'Taken' }, before: own })).toEqual(gone)
  expect(await dropList(db, id, bram.id, 'own')).toEqual(gone)
  expect(await keepList(db, id, bram.id, { list: list('sly', { owner: averil.id }) })).toMatchObject({
    ok: false,
    problem: { kind: 'not-allowed' },
  })
  expect(await seenBy(averil)).toEqual(['own', 'shared'])
})

test('two who change the same list at the same moment: the second is told, and nothing is written over', async () => {
  const before = findList((await stored(db, id)).book, 'shared')!
  const answers = await Promise.all([
    keepList(db, id, averil.id, { list: { ...before, name: 'Ours, by Averil' }, before }),
    keepList(db, id, bram.id, { list: { ...before, name: 'Ours, by Bram' }, before }),
  ])
  expect(answers.map(({ ok }) => ok).sort()).toEqual([false, true])
  const lost = answers.find(({ ok }) => !ok)
  expect(lost).toMatchObject({ problem: { kind: 'clash', did: expect.stringMatching(/^Change the list/) as string } })
  const name = findList((await stored(db, id)).book, 'shared')!.name
  expect(name).toBe(answers[0].ok ? 'Ours, by Averil' : 'Ours, by Bram')
})

test('changes of different parts both stand, what a list no longer has goes, and all can be undone', async () => {
  const before = findList((await stored(db, id)).book, 'shared')!
  const described = { ...before, describe: 'For Mondays' }
  expect(await keepList(db, id, averil.id, { list: described, before })).toMatchObject({ ok: true })
  const sorted = { ...before, order: [{ column: 'a', down: true as const }] }
  expect(await keepList(db, id, bram.id, { list: sorted, before: described })).toMatchObject({ ok: true })
  const now = findList((await stored(db, id)).book, 'shared')!
  expect([now.describe, now.order]).toEqual([undefined, sorted.order])
  expect(await undo(db, id, bram.id)).toMatchObject({ ok: true })
  expect(findList((await stored(db, id)).book, 'shared')).toEqual(described)
  expect(await dropList(db, id, averil.id, 'shared')).toMatchObject({ ok: true })
  expect(await dropList(db, id, averil.id, 'shared')).toMatchObject({ ok: false, problem: { kind: 'gone' } })
  expect(await undo(db, id, averil.id)).toMatchObject({ ok: true })
  expect(await seenBy(bram)).toEqual(['shared'])
})

test('names tell the lists that somebody sees apart; two people may each have their own of one name', async () => {
  expect(await keepList(db, id, bram.id, { list: list('mine', { name: 'mine', owner: bram.id }) })).toMatchObject({
    ok: true,
  })
  const again = await keepList(db, id, bram.id, { list: list('mine2', { name: 'MINE', owner: bram.id }) })
  expect(again).toMatchObject({ ok: false, problem: { kind: 'name-taken', what: 'list' } })
  const long = await keepList(db, id, bram.id, { list: list('long', { name: 'x'.repeat(61) }) })
  expect(long).toMatchObject({ ok: false, problem: { kind: 'too-long', limit: 60 } })
})

test('a list goes by an id of its own: it can’t be used to change a table, a field, or the book', async () => {
  const before = (await stored(db, id)).book
  for (const taken of ['visit', 'visit_day', 'visit--payment', 'book', 'shared']) {
    const made = await keepList(db, id, bram.id, { list: list(taken, { name: `Sly ${taken}` }) })
    expect(made).toMatchObject({ ok: false, problem: { kind: 'stale' } })
  }
  expect((await stored(db, id)).book).toEqual(before)
  expect(List.safeParse(list('__proto__')).success).toBe(false)
  const column = { id: '__proto__', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }
  expect(List.safeParse({ ...list('plain'), columns: [column] }).success).toBe(false)
})

test('groups, what stands beneath and how they are shown are kept, taken out again, and guarded like the rest', async () => {
  const groups: List['groups'] = [{ place: { way: [], field: 'visit_state' }, first: 3 }]
  const grouped = list('grouped', { groups, figures: [{ column: 'a', name: 'least' }], first: 5 })
  const shown: List = { ...grouped, shown: { as: 'chart', of: { size: true }, chart: 'bars' } }
  expect(await keepList(db, id, bram.id, { list: grouped })).toMatchObject({ ok: true })
  const kept = async () => findList((await stored(db, id)).book, 'grouped')
  expect(await keepList(db, id, bram.id, { list: shown, before: grouped })).toMatchObject({ ok: true })
  expect(await kept()).toEqual(shown)
  // Whoever still sees it without the chart is told what was done meanwhile.
  const late = await keepList(db, id, averil.id, {
    list: { ...grouped, shown: { as: 'chart', of: { size: true }, chart: 'lines' } },
    before: grouped,
  })
  expect(late).toMatchObject({ ok: false, problem: { kind: 'clash' } })
  expect(await keepList(db, id, bram.id, { list: list('grouped'), before: shown })).toMatchObject({ ok: true })
  expect(await kept()).toEqual(list('grouped'))
})
