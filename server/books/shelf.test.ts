import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { editAll, opened, stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { type Account, makeAccount, setRole } from '../people'
import { booksOf, historyOf, makeBook, othersSince } from '.'

let db: Catalogue
let averil: Account
let oswin: Account

beforeAll(async () => {
  db = await testCatalogue('shelf')
  averil = await testAccount(db, 'Averil')
  oswin = await testAccount(db, 'Oswin')
})

const table = (id: string): Edit => ({ kind: 'addTable', id, name: id, keyField: `${id}-key` })

test('people see the books they have a role in, with the role, by name', async () => {
  const [second, first] = [
    await testBook(db, averil, 'Sweeps', [table('Visit')]),
    await testBook(db, averil, 'Kennels', []),
  ]
  await opened(db, averil, second)
  await setRole(db, second, oswin.id, 'reader')
  expect(await booksOf(db, averil.id)).toEqual([
    { id: first, name: 'Kennels', role: 'administrator', opened: false },
    { id: second, name: 'Sweeps', role: 'administrator', opened: true },
  ])
  expect((await booksOf(db, oswin.id)).map(({ name, role }) => [name, role])).toEqual([['Sweeps', 'reader']])
})

test('books of one name, of odd names and of reserved names get databases of their own', async () => {
  const names = ['Visits', 'visits', 'SELECT', '¡¿…!', 'מרכז', 'a'.repeat(60)]
  const schemas = new Set<string>()
  for (const name of names) {
    const made = await makeBook(db, averil, name)
    if (!made.ok) throw new Error(wordProblem(made.problem))
    schemas.add((await stored(db, made.value)).liveSchema)
  }
  expect(schemas.size).toBe(names.length)
  for (const schema of schemas) expect(schema).toMatch(/^shelf_[a-z][a-z0-9_]{0,40}$/)
})

test.each([
  ['a blank name', '   ', 'Give the book a name.'],
  ['a long name', 'x'.repeat(61), /at most 60 characters/],
])('%s is refused in words', async (_what, name, words) => {
  const made = await makeBook(db, averil, name)
  expect(!made.ok && wordProblem(made.problem)).toMatch(words)
})

test('who may not make books makes none', async () => {
  const clerk = await makeAccount(db, 'Clerk', 'a long enough one')
  if (!clerk.ok) throw new Error('Expected an account.')
  expect((await makeBook(db, clerk.value, 'Own')).ok).toBe(false)
})

test('history pages back and tells others’ edits apart from one’s own', async () => {
  const id = await testBook(db, averil, 'History', [table('One'), table('Two')])
  await editAll(db, oswin, id, [table('Three'), { kind: 'renameTable', table: 'One', name: 'First' }])
  const all = await historyOf(db, id)
  expect(all.map(({ revision, who, say }) => [revision, who, say])).toEqual([
    [4, 'Oswin', 'Rename One to First'],
    [3, 'Oswin', 'Add the table Three'],
    [2, 'Averil', 'Add the table Two'],
    [1, 'Averil', 'Add the table One'],
  ])
  expect((await historyOf(db, id, 3, 1)).map(({ revision }) => revision)).toEqual([2])
  expect((await othersSince(db, id, 2, averil.id)).map(({ say }) => say)).toEqual([
    'Rename One to First',
    'Add the table Three',
  ])
  expect(await othersSince(db, id, 2, oswin.id)).toEqual([])
})

test('several edits as one are one entry, and clash with others as one', async () => {
  const id = await testBook(db, averil, 'Together', [table('Visit')])
  const together: Edit = {
    kind: 'together',
    say: 'Accept 2 proposals',
    edits: [
      { kind: 'addField', table: 'Visit', id: 'day', name: 'Day', holds: 'date' },
      { kind: 'setKnownBy', table: 'Visit', fields: ['day'] },
      { kind: 'setKnownBy', table: 'Visit', fields: ['Visit-key', 'day'] },
    ],
  }
  await editAll(db, averil, id, [together])
  const [newest] = await historyOf(db, id)
  expect(newest).toMatchObject({ revision: 2, say: 'Accept 2 proposals' })
  expect((await stored(db, id)).book.tables[0]?.knownBy).toEqual(['Visit-key', 'day'])
})
