import { beforeAll, expect, test } from 'vitest'
import { wordProblem } from '@/core/words'
import { testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { booksOf, makeBook } from '../books'
import {
  accountOfSession,
  beginSession,
  checkPassword,
  endSession,
  hasAccounts,
  makeAccount,
  makeFirstAccount,
  membersOf,
  reaches,
  roleIn,
  setRole,
} from '.'

let db: Catalogue

beforeAll(async () => {
  db = await testCatalogue('people')
})

test('the first start makes the administrator, once', async () => {
  expect(await hasAccounts(db)).toBe(false)
  expect(await makeFirstAccount(db, 'Averil', 'a quiet little town')).toMatchObject({
    ok: true,
    value: { makesBooks: true },
  })
  const second = await makeFirstAccount(db, 'Somebody', 'another long one')
  expect(!second.ok && second.problem.kind).toBe('already-started')
})

test.each([
  ['', 'a quiet little town', 'A name has 1 to 80 characters.'],
  ['Hester', 'short', 'A password has at least 10 characters. A short sentence is easy to remember.'],
  ['  averil ', 'a quiet little town', 'There is already a sign-in called “averil”. Choose another name.'],
])('a sign-in called %j with the password %j is refused: %s', async (name, password, words) => {
  const made = await makeAccount(db, name, password)
  expect(!made.ok && wordProblem(made.problem)).toBe(words)
})

test('a password is kept only as an argon2id hash', async () => {
  const row = (await db.accounts.findOne({ where: { name: 'Averil' } }))!.get({ plain: true })
  expect(row.password_hash).toMatch(/^\$argon2id\$/)
  expect(JSON.stringify(row)).not.toContain('quiet')
})

test('after five wrong tries one must wait, even with the right password', async () => {
  await testAccount(db, 'Bram')
  for (let wrong = 0; wrong < 4; wrong++) await checkPassword(db, 'Bram', 'not this one')
  expect(await checkPassword(db, 'Bram', 'a long enough one')).toMatchObject({ ok: true })
  for (let wrong = 0; wrong < 6; wrong++) await checkPassword(db, 'Bram', 'not this one')
  const right = await checkPassword(db, 'Bram', 'a long enough one')
  expect(!right.ok && wordProblem(right.problem)).toMatch(/^Too many wrong tries\. Wait \d+ seconds?/)
})

test('a session holds until it is ended; a made-up one never does', async () => {
  const account = await testAccount(db, 'Tamsin')
  const token = await beginSession(db, account.id)
  expect(await accountOfSession(db, token)).toMatchObject({ name: 'Tamsin' })
  expect(await accountOfSession(db, 'f'.repeat(64))).toBeUndefined()
  await endSession(db, token)
  expect(await accountOfSession(db, token)).toBeUndefined()
})

test('a role reaches as far as those below it', () => {
  const all = ['reader', 'staff', 'administrator'] as const
  const reached = all.map((role) => all.filter((asked) => reaches(role, asked)).length)
  expect(reached).toEqual([1, 2, 3])
  expect(all.some((asked) => reaches(undefined, asked))).toBe(false)
})

test('roles are given and taken by book; the last administrator stays', async () => {
  const owner = await testAccount(db, 'Odette')
  const other = await testAccount(db, 'Silvan')
  const id = await testBook(db, owner, 'A book', [])
  expect(await booksOf(db, other.id)).toEqual([])
  await setRole(db, id, other.id, 'reader')
  expect(await roleIn(db, other.id, id)).toBe('reader')
  expect((await booksOf(db, other.id)).map((book) => book.role)).toEqual(['reader'])
  const left = await setRole(db, id, owner.id, 'staff')
  expect(!left.ok && left.problem.kind).toBe('last-administrator')
  expect((await membersOf(db, id)).find((member) => member.name === 'Odette')?.role).toBe('administrator')
})

test('only those who may make books make them', async () => {
  const made = await makeAccount(db, 'Quill', 'a long enough one')
  const book = made.ok && (await makeBook(db, made.value, 'Not mine'))
  expect(book && !book.ok && book.problem.kind).toBe('not-allowed')
})
