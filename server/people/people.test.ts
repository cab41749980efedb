import { beforeAll, expect, test } from 'vitest'
import { wordProblem } from '@/core/words'
import { testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { booksOf, makeBook } from '../books'
import { run } from '../database'
import {
  accountOfSession,
  beginSession,
  changePassword,
  checkPassword,
  endOtherSessions,
  endSession,
  hasAccounts,
  makeAccount,
  makeFirstAccount,
  membersOf,
  type Origin,
  reaches,
  removeAccount,
  resetPassword,
  roleIn,
  setRole,
} from '.'

let db: Catalogue

beforeAll(async () => {
  db = await testCatalogue('people')
})

async function plainAccount(name: string) {
  const made = await makeAccount(db, name, 'a long enough one')
  if (!made.ok) throw new Error(wordProblem(made.problem))
  return made.value
}

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

test.each(['          ', '1234567890', 'password123', 'qwertyuiop', 'averil2027', 'zero\u200bwidth words'])(
  'the password %j is refused',
  async (password) => {
    const made = await makeAccount(db, 'Averil2027', password)
    expect(!made.ok && made.problem.kind).toMatch(/^(password-common|odd-characters)$/)
  },
)

test.each(['\u3164', 'Av\u200beril', 'Bram\u202e'])('the name %j is refused', async (name) => {
  expect(await makeAccount(db, name, 'a long enough one')).toMatchObject({ ok: false })
})

const elsewhere = (address: string): Origin => ({ address })
const kindOf = (result: Awaited<ReturnType<typeof checkPassword>>) => (result.ok ? 'in' : result.problem.kind)

test('of sixty guesses at the same moment only a few are even looked at', async () => {
  await testAccount(db, 'Bram')
  const guesses = await Promise.all(
    Array.from({ length: 60 }, (_, at) => checkPassword(db, 'Bram', `guess number ${at}`, elsewhere(`10.0.0.${at}`))),
  )
  expect(guesses.filter((guess) => kindOf(guess) === 'wrong-sign-in').length).toBeLessThanOrEqual(10)
  const right = await checkPassword(db, 'Bram', 'a long enough one', elsewhere('10.0.1.1'))
  expect(!right.ok && wordProblem(right.problem)).toMatch(/^Too many wrong tries\. Wait \d+ seconds?/)
})

test('who guesses at a name keeps nobody out whose browser is known, and is forgotten with time', async () => {
  const owner = await testAccount(db, 'Wendrey')
  const home = { address: '10.2.0.1', browser: { id: 'home', accounts: [owner.id] } }
  for (let at = 0; at < 15; at++) await checkPassword(db, 'Wendrey', 'not this one', elsewhere('10.2.0.9'))
  expect(kindOf(await checkPassword(db, 'Wendrey', 'a long enough one', elsewhere('10.2.0.5')))).toBe('wait')
  expect(kindOf(await checkPassword(db, 'Wendrey', 'a long enough one', home))).toBe('in')
  // A known browser doesn't guess without end either.
  for (let at = 0; at < 10; at++) await checkPassword(db, 'Wendrey', 'not this one', home)
  expect(kindOf(await checkPassword(db, 'Wendrey', 'a long enough one', home))).toBe('wait')
  await run(db, 'UPDATE people.sign_in_tries SET at = at - INTERVAL 61 SECOND')
  expect(kindOf(await checkPassword(db, 'Wendrey', 'a long enough one', elsewhere('10.2.0.5')))).toBe('in')
})

test('one address doesn’t guess its way through the names', async () => {
  const kinds = []
  for (let at = 0; at < 40; at++) kinds.push(kindOf(await checkPassword(db, `Name ${at}`, 'x', elsewhere('10.3.0.1'))))
  expect(kinds.filter((kind) => kind === 'wait').length).toBeGreaterThanOrEqual(8)
})

test('one’s own password is changed with the one that one has; other sessions end', async () => {
  const owner = await testAccount(db, 'Isolde')
  const [here, there] = [await beginSession(db, owner.id), await beginSession(db, owner.id)]
  const change = (current: string, wished: string) =>
    changePassword(db, owner, current, wished, (id) => endOtherSessions(db, id, here))
  expect(await change('not this one', 'another quiet one')).toMatchObject({ problem: { kind: 'wrong-password' } })
  expect(await change('a long enough one', 'isolde1234')).toMatchObject({ problem: { kind: 'password-common' } })
  expect(await change('a long enough one', 'another quiet one')).toMatchObject({ ok: true })
  expect(kindOf(await checkPassword(db, 'Isolde', 'a long enough one', elsewhere('10.4.0.1')))).toBe('wrong-sign-in')
  expect(kindOf(await checkPassword(db, 'Isolde', 'another quiet one', elsewhere('10.4.0.1')))).toBe('in')
  expect(await accountOfSession(db, here)).toMatchObject({ name: 'Isolde' })
  expect(await accountOfSession(db, there)).toBeUndefined()
})

test('an administrator gives new passwords and removes accounts, but not beyond their books', async () => {
  const [owner, clerk, stranger] = [
    await testAccount(db, 'Maud'),
    await plainAccount('Piers'),
    await plainAccount('Sabin'),
  ]
  const book = await testBook(db, owner, 'Managed', [])
  await setRole(db, book, clerk.id, 'staff')
  const token = await beginSession(db, clerk.id)
  // Who can't make books doesn't come by the account of one who may.
  await setRole(db, book, stranger.id, 'administrator')
  expect(await resetPassword(db, stranger, owner.id, 'a wholly new one')).toMatchObject({
    problem: { kind: 'not-yours-to-manage' },
  })
  // Somebody who works in a book of others too isn't theirs either.
  const other = await testAccount(db, 'Orla')
  await setRole(db, await testBook(db, other, 'Of others', []), clerk.id, 'reader')
  expect(await resetPassword(db, owner, clerk.id, 'a wholly new one')).toMatchObject({
    problem: { kind: 'not-yours-to-manage' },
  })
  await setRole(db, (await booksOf(db, other.id))[0]!.id, clerk.id, null)
  expect(await resetPassword(db, owner, clerk.id, 'a wholly new one')).toEqual({ ok: true, value: 'Piers' })
  expect(await accountOfSession(db, token)).toBeUndefined()
  expect(kindOf(await checkPassword(db, 'Piers', 'a wholly new one', elsewhere('10.5.0.1')))).toBe('in')
  expect(await removeAccount(db, owner, owner.id)).toMatchObject({ problem: { kind: 'own-account' } })
  const again = await beginSession(db, clerk.id)
  expect(await removeAccount(db, owner, clerk.id)).toEqual({ ok: true, value: 'Piers' })
  expect(kindOf(await checkPassword(db, 'Piers', 'a wholly new one', elsewhere('10.5.0.2')))).toBe('wrong-sign-in')
  expect(await accountOfSession(db, again)).toBeUndefined()
  expect((await membersOf(db, book)).map(({ name }) => name)).not.toContain('Piers')
  expect(await setRole(db, book, clerk.id, 'staff')).toMatchObject({ problem: { kind: 'account-gone' } })
  expect(await removeAccount(db, owner, clerk.id)).toMatchObject({ problem: { kind: 'account-gone' } })
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
