import { beforeAll, expect, test } from 'vitest'
import type { List } from '@/core/book'
import { testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { askedDesign } from '@/tests/support/asked-design'
import type { Catalogue } from '../catalogue'
import type { Account } from '../people'
import { lastAnswers, noteRun, usesOf } from './list-uses'

let db: Catalogue
let averil: Account
let bram: Account
let book: string

beforeAll(async () => {
  db = await testCatalogue('listuses')
  averil = await testAccount(db, 'Averil')
  bram = await testAccount(db, 'Bram')
  book = await testBook(db, averil, 'Used', askedDesign)
})

const ask = (id: string) => ({ id, words: id, place: { way: [], field: 'visit_day' } })
const list = (id: string, ...asks: string[]): List => ({
  id,
  table: 'visit',
  columns: [],
  order: [],
  asks: asks.map(ask),
})
const ran = (one: List, took: number, account: Account, given = {}) =>
  noteRun(db, { book, account: account.id, list: one, given, month: '2027-03', took })

test('runs are counted by month, with how long they took on average', async () => {
  await Promise.all([100, 200, 600].map((took) => ran(list('busy'), took, averil)))
  await ran(list('quiet'), 5, bram)
  expect(Object.fromEntries(await usesOf(db, book, '2027-03'))).toEqual({
    busy: { runs: 3, took: 300 },
    quiet: { runs: 1, took: 5 },
  })
  expect((await usesOf(db, book, '2027-04')).size).toBe(0)
})

test('what is answered is remembered for each by themselves, as far as it is still asked', async () => {
  const asked = list('asked', 'day', 'other')
  await ran(asked, 1, averil, { day: 'last month', other: '', stray: 'x' })
  await ran(asked, 1, bram, { day: '2027' })
  expect(await lastAnswers(db, book, averil.id, asked)).toEqual({ day: 'last month', other: '' })
  expect(await lastAnswers(db, book, bram.id, asked)).toEqual({ day: '2027' })
  expect(await lastAnswers(db, book, averil.id, list('asked', 'other'))).toEqual({ other: '' })
  expect(await lastAnswers(db, book, averil.id, list('never', 'day'))).toEqual({})
})
