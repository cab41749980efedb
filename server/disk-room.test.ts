import { afterEach, beforeAll, expect, test } from 'vitest'
import { wordProblem } from '@/core/words'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { editBook, findBook, makeBook } from './books'
import type { Catalogue } from './catalogue'
import { type Live, openBook, readList, removeRecord, saveRecord, storeFile } from './live'
import { dryRunOf, makeDryRun } from './dry-run'
import { type Account, makeAccount, setRole } from './people'

let db: Catalogue
let account: Account
let book: string
let live: Live
beforeAll(async () => {
  db = await testCatalogue('room')
  account = await testAccount(db, 'Averil')
  book = await testBook(db, account, 'Room', [
    { kind: 'addTable', id: 'thing', name: 'Thing', keyField: 'number' },
    { kind: 'addField', table: 'thing', id: 'picture', name: 'Picture', holds: 'file' },
    { kind: 'addField', table: 'thing', id: 'word', name: 'Word', holds: 'line' },
  ])
  live = await opened(db, account, book)
})
afterEach(() => delete process.env.HEARTH_KEEP_FREE)

const save = () =>
  saveRecord(
    { db, live, who: 'Averil' },
    { table: 'thing', ref: null, rev: null, values: { word: 'kept' }, children: [] },
  )
const list = () => readList({ db, live }, { table: 'thing', limit: 10 })

test('a disk with room stands in nobody’s way', async () => {
  process.env.HEARTH_KEEP_FREE = '1'
  expect(await save()).toMatchObject({ kind: 'saved' })
})

test('where less is free than must stay so, everything can be read and nothing is written', async () => {
  const revision = (await findBook(db, book))!.revision
  const before = await list()
  const dry = await makeDryRun(db, account, book)
  if (!dry.ok) throw new Error('Expected a dry run.')
  const { ref, rev } = before.rows[0]!
  process.env.HEARTH_KEEP_FREE = '1000000000'
  const problem = { kind: 'disk-full', least: 1_000_000_000, free: expect.any(Number) }
  expect(await save()).toMatchObject({ kind: 'refused', problems: { whole: [problem] } })
  const others = [
    await removeRecord({ db, live, who: 'Averil' }, { table: 'thing', ref, rev }),
    await storeFile({ db, live }, 'picture', { name: 'a.txt', contents: Buffer.from('a') }),
    await editBook(db, book, account.id, { kind: 'renameTable', table: 'thing', name: 'Stuff' }, []),
    await openBook(db, book, account.id),
    await makeBook(db, account, 'Another'),
    await makeDryRun(db, account, book),
    await makeAccount(db, 'Bram', 'a long enough one'),
    await setRole(db, book, account.id, null),
  ]
  for (const outcome of others) expect(outcome).toEqual({ ok: false, problem })
  expect(await list()).toEqual(before)
  expect((await findBook(db, book))!.revision).toBe(revision)
  // The dry run that was there before still is.
  expect(await dryRunOf(db, book)).toBe(dry.value.id)
  const [first] = others
  expect(!first!.ok && wordProblem(first!.problem)).toMatch(/nearly full: \d+ MB are free, and 1000000000 MB must/)
})
