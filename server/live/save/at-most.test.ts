import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { editAll, opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../../catalogue'
import { select } from '../../database'
import type { Account } from '../../people'
import { type Live, saveRecord } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('atmost')
  account = await testAccount(db, 'Averil')
})

const design = (most: number, urgent?: number): Edit[] => [
  { kind: 'addTable', id: 'van', name: 'Van', keyField: 'van-key' },
  { kind: 'addTable', id: 'trip', name: 'Trip', keyField: 'trip-key' },
  { kind: 'addField', table: 'trip', id: 'urgent', name: 'Urgent', holds: 'tick' },
  { kind: 'addField', table: 'trip', id: 'note', name: 'Note', holds: 'line' },
  {
    kind: 'answerPairing',
    a: 'van',
    b: 'trip',
    aHasSeveral: true,
    bHasSeveral: false,
    aMust: false,
    bMust: false,
    ids: { table: 'x', links: ['of', 'y'], fields: ['at', 'z'] },
  },
  {
    kind: 'limitLink',
    link: 'of',
    limits: [
      { id: 'all', most },
      ...(urgent ? [{ id: 'urgent', most: urgent, when: { field: 'urgent', is: '1' } }] : []),
    ],
  },
]

async function vans(name: string, edits: readonly Edit[]) {
  const id = await testBook(db, account, name, edits)
  const live = await opened(db, account, id)
  for (let van = 0; van < 2; van++) await save(live, 'van', {})
  return { id, live }
}

const save = (
  live: Live,
  table: string,
  values: Record<string, string | null>,
  ref: string | null = null,
  rev: number | null = null,
) => saveRecord({ db, live, who: 'Averil' }, { table, ref, rev, values, children: [] })

const said = (words: string) => ({ kind: 'in-own-words', words })
// Said at the link that leads to the van; of trips in the van's own form, of the whole.
const refused = (words: string) => ({ kind: 'refused', problems: { fields: { at: said(words) } } })
const words = 'This van already has 2 trips, the most it may have.'
const full = refused(words)
const fullInset = { kind: 'refused', problems: { whole: [said(words)] } }

test('one more than a record may have is refused, also when a row moves there', async () => {
  const { live } = await vans('Two', design(2))
  for (const van of ['1', '1', '2']) expect(await save(live, 'trip', { at: van })).toMatchObject({ kind: 'saved' })
  expect(await save(live, 'trip', { at: '1' })).toMatchObject(full)
  expect(await save(live, 'trip', { at: '1' }, '3', 1)).toMatchObject(full)
  // What changes nothing about it is saved, and a row without a van is nobody's.
  expect(await save(live, 'trip', { note: 'Oak' }, '1', 1)).toMatchObject({ kind: 'saved' })
  expect(await save(live, 'trip', { at: null })).toMatchObject({ kind: 'saved' })
})

test('rows that come to meet a condition count from then on', async () => {
  const { live } = await vans('Urgent', design(9, 1))
  await save(live, 'trip', { at: '1', urgent: '1' })
  await save(live, 'trip', { at: '1' })
  const words = 'This van already has 1 trip with Urgent ticked, the most it may have.'
  expect(await save(live, 'trip', { urgent: '1' }, '2', 1)).toMatchObject(refused(words))
  expect(await save(live, 'trip', { at: '2', urgent: '1' })).toMatchObject({ kind: 'saved' })
})

test('rows inset in their record are counted too, those taken out first', async () => {
  const { live } = await vans('Inset', design(2))
  const row = (ref: string | null, removed = false) => ({ ref, rev: ref ? 1 : null, values: {}, removed })
  const together = (ref: string | null, rev: number | null, rows: ReturnType<typeof row>[]) =>
    saveRecord({ db, live, who: 'Averil' }, { table: 'van', ref, rev, values: {}, children: [{ link: 'of', rows }] })
  expect(await together(null, null, [row(null), row(null), row(null)])).toMatchObject(fullInset)
  expect(await together('1', 1, [row(null), row(null)])).toMatchObject({ kind: 'saved' })
  expect(await together('1', 1, [row(null)])).toMatchObject(fullInset)
  const [first] = await select<{ trip_number: number }>(
    db,
    `SELECT trip_number FROM \`${live.schema}\`.trip ORDER BY 1`,
  )
  expect(await together('1', 1, [row(null), row(String(first!.trip_number), true)])).toMatchObject({ kind: 'saved' })
})

test('of fifty writers at once exactly as many get in as may', async () => {
  const { live } = await vans('Fifty', design(10))
  const outcomes = await Promise.all(
    Array.from({ length: 50 }, (_, at) => save(live, 'trip', { at: at % 5 === 0 ? '2' : '1' })),
  )
  const saved = outcomes.filter((outcome) => outcome.kind === 'saved').length
  expect(saved).toBe(20)
  const counts = await select<{ n: number }>(db, `SELECT COUNT(*) AS n FROM \`${live.schema}\`.trip GROUP BY van`)
  expect(counts.map(({ n }) => Number(n))).toEqual([10, 10])
})

test('a limit that is lifted lets in again', async () => {
  const { id, live } = await vans('Lifted', design(1))
  await save(live, 'trip', { at: '1' })
  await editAll(db, account, id, [{ kind: 'limitLink', link: 'of', limits: [] }])
  expect(await save(await opened(db, account, id), 'trip', { at: '1' })).toMatchObject({ kind: 'saved' })
})
