import { beforeAll, expect, test } from 'vitest'
import { findForm, type Form } from '@/core/book'
import { askedDesign } from '@/tests/support/asked-design'
import { stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import type { Account } from '../people'
import { dropForm, keepForm } from './kept-forms'

let db: Catalogue
let averil: Account
let id: string

const card: Form = {
  ...{ id: 'card', table: 'visit', name: 'Job card', without: [] },
  lines: [[{ kind: 'field', id: 'visit_day', span: 6 }]],
}

beforeAll(async () => {
  db = await testCatalogue('keptforms')
  averil = await testAccount(db, 'Averil')
  id = await testBook(db, averil, 'Kept', askedDesign)
})
const now = async () => findForm((await stored(db, id)).book, 'card')

test('a form is kept, and arranged anew', async () => {
  expect(await keepForm(db, id, averil.id, { form: card })).toMatchObject({ ok: true })
  const staff: Form = { ...card, for: ['staff'], starts: { visit_day: 'today' } }
  expect(await keepForm(db, id, averil.id, { form: staff, before: card })).toMatchObject({ ok: true })
  expect(await now()).toEqual(staff)
  expect(await keepForm(db, id, averil.id, { form: { ...card, id: 'two', name: 'JOB CARD' } })).toMatchObject({
    problem: { kind: 'name-taken' },
  })
})

test('of two who arrange it at the same moment the second is told, and nothing is written over', async () => {
  const before = (await now())!
  const answers = await Promise.all(
    [3, 9].map((span) =>
      keepForm(db, id, averil.id, {
        form: { ...before, lines: [[{ kind: 'field', id: 'visit_day', span }]] },
        before,
      }),
    ),
  )
  expect(answers.map(({ ok }) => ok).sort()).toEqual([false, true])
  expect(answers.find(({ ok }) => !ok)).toMatchObject({ problem: { kind: 'clash' } })
})

test('removed, it is gone for all', async () => {
  expect(await dropForm(db, id, averil.id, 'card')).toMatchObject({ ok: true })
  const gone = { ok: false, problem: { kind: 'gone', what: 'form' } }
  expect(await dropForm(db, id, averil.id, 'card')).toEqual(gone)
  expect(await keepForm(db, id, averil.id, { form: card, before: card })).toEqual(gone)
})
