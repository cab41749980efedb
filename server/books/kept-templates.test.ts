import { beforeAll, expect, test } from 'vitest'
import { findTemplate, type Mail, type Template } from '@/core/book'
import { askedDesign } from '@/tests/support/asked-design'
import { stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import type { Account } from '../people'
import { dropTemplate, keepTemplate } from './kept-templates'

let db: Catalogue
let averil: Account
let bram: Account
let id: string

const bill: Template = {
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  columns: [{ id: 'c1', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
  blocks: [{ kind: 'words', of: [{ kind: 'field', column: 'c1' }] }],
}

beforeAll(async () => {
  db = await testCatalogue('kepttemplates')
  averil = await testAccount(db, 'Averil')
  bram = await testAccount(db, 'Bram')
  id = await testBook(db, averil, 'Kept', askedDesign)
})
const now = async () => findTemplate((await stored(db, id)).book, 'bill')

test('a document is kept for all, and changed', async () => {
  expect(await keepTemplate(db, id, averil.id, { template: bill })).toMatchObject({ ok: true })
  expect(await now()).toEqual(bill)
  const changed = { ...bill, name: 'Invoice', window: 'uk' as const }
  expect(await keepTemplate(db, id, bram.id, { template: changed, before: bill })).toMatchObject({ ok: true })
  expect(await now()).toEqual(changed)
  expect(await keepTemplate(db, id, bram.id, { template: { ...bill, id: 'other', name: 'INVOICE' } })).toMatchObject({
    problem: { kind: 'name-taken' },
  })
})

test('two who change the same document at the same moment: the second is told, and nothing is written over', async () => {
  const before = (await now())!
  const answers = await Promise.all([
    keepTemplate(db, id, averil.id, { template: { ...before, letters: 7 }, before }),
    keepTemplate(db, id, bram.id, { template: { ...before, letters: 12 }, before }),
  ])
  expect(answers.map(({ ok }) => ok).sort()).toEqual([false, true])
  expect(answers.find(({ ok }) => !ok)).toMatchObject({ problem: { kind: 'clash' } })
})

test('nor is what it says by e-mail', async () => {
  const before = (await now())!
  const mail: Mail = {
    to: 'c1',
    subject: [{ kind: 'text', words: 'Your bill' }],
    message: [[{ kind: 'text', words: 'Good day' }]],
  }
  expect(await keepTemplate(db, id, averil.id, { template: { ...before, mail }, before })).toMatchObject({ ok: true })
  expect(await keepTemplate(db, id, bram.id, { template: { ...before, letters: 8 }, before })).toMatchObject({
    problem: { kind: 'clash' },
  })
  expect((await now())?.mail).toEqual(mail)
})

test('removed, it is gone for all', async () => {
  expect(await dropTemplate(db, id, bram.id, 'bill')).toMatchObject({ ok: true })
  expect(await now()).toBe(undefined)
  const gone = { ok: false, problem: { kind: 'gone', what: 'document' } }
  expect(await dropTemplate(db, id, bram.id, 'bill')).toEqual(gone)
  expect(await keepTemplate(db, id, bram.id, { template: bill, before: bill })).toEqual(gone)
})
