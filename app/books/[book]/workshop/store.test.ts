import { beforeEach, expect, test, vi } from 'vitest'
import { type Book, type Edit, emptyBook, make } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { fail, ok, type Problem, type Result } from '@/core/words'
import type { Standing } from './actions'
import { BookStore, type Ways } from './store'

const table = (name: string): Edit => ({ kind: 'addTable', id: name, name, keyField: `${name}-key` })

function made(book: Book, edit: Edit): Book {
  const result = make(book, edit)
  if (!result.ok) throw new Error(result.problem.kind)
  return result.value.book
}

const start = made(emptyBook('Book', plainLook), table('Visit'))
const names = (store: BookStore) => store.snapshot().book.tables.map((one) => one.name)
const said: string[] = []
const refused: Problem[] = []

/** A server whose answers the test gives one by one. */
function server() {
  const waiting: {
    edit: Edit
    seen: unknown
    base: number
    answer: (result: Result<Standing>) => void
    lose: () => void
  }[] = []
  const ways: Ways = {
    save: ({ edit, seen, base }) =>
      new Promise((answer, lose) =>
        waiting.push({ edit, seen, base, answer, lose: () => lose(new Error('no connection')) }),
      ),
    undo: async () => ok({ revision: 9, book: start, say: 'Add the table Part' }),
    redo: async () => fail({ kind: 'nothing-to-redo' }),
    back: async () => ok({ revision: 9, book: start }),
    refused: (problem) => refused.push(problem),
    said: (words) => said.push(words),
  }
  return { waiting, store: new BookStore(start, 1, ways) }
}

const settle = () => new Promise((done) => setTimeout(done))

beforeEach(() => {
  said.length = 0
  refused.length = 0
})

test('an edit shows at once and is sent with what it was built on', async () => {
  const { store, waiting } = server()
  expect(store.edit(table('Part')).ok).toBe(true)
  expect(names(store)).toEqual(['Visit', 'Part'])
  expect(store.snapshot().waiting).toBe(1)
  waiting[0]!.answer(ok({ revision: 2 }))
  await settle()
  expect(store.snapshot()).toMatchObject({ revision: 2, waiting: 0 })
})

test('several edits as one are sent with what stood there before the first of them', () => {
  const { store, waiting } = server()
  const [visit] = start.tables
  const known = (fields: string[]): Edit => ({ kind: 'setKnownBy', table: 'Visit', fields })
  store.edit({
    kind: 'together',
    say: 'Two at once',
    edits: [
      { kind: 'addField', table: 'Visit', id: 'day', name: 'Day', holds: 'date' },
      known(['day']),
      known([visit!.key[0]!, 'day']),
    ],
  })
  expect(waiting[0]!.seen).toEqual([{ id: 'Visit', key: 'knownBy', from: visit!.knownBy }])
})

test('edits go one after another, in order', async () => {
  const { store, waiting } = server()
  for (const name of ['A', 'B', 'C']) store.edit(table(name))
  expect(waiting).toHaveLength(1)
  waiting[0]!.answer(ok({ revision: 2 }))
  await settle()
  expect(waiting.map((one) => one.base)).toEqual([1, 2])
  waiting[1]!.answer(ok({ revision: 3 }))
  await settle()
  waiting[2]!.answer(ok({ revision: 4 }))
  await settle()
  expect(names(store)).toEqual(['Visit', 'A', 'B', 'C'])
})

test('an edit that can’t be made is neither shown nor sent', () => {
  const { store, waiting } = server()
  expect(store.edit(table('Visit'))).toMatchObject({ ok: false })
  expect(waiting).toEqual([])
})

test('others’ edits come in under those still on their way', async () => {
  const { store, waiting } = server()
  store.edit(table('Mine'))
  store.edit(table('Also mine'))
  const theirs = made(made(start, table('Theirs')), table('Mine'))
  waiting[0]!.answer(ok({ revision: 3, book: theirs }))
  await settle()
  expect(names(store)).toEqual(['Visit', 'Theirs', 'Mine', 'Also mine'])
})

test('a refused edit is taken back and told; those after it stay where they can', async () => {
  const { store, waiting } = server()
  store.edit({ kind: 'renameTable', table: 'Visit', name: 'Call-out' })
  store.edit(table('Part'))
  waiting[0]!.answer(fail({ kind: 'clash', by: 'Rosa', did: 'Rename Visit to Job' }))
  await settle()
  expect(refused.map((problem) => problem.kind)).toEqual(['clash'])
  expect(names(store)).toEqual(['Visit', 'Part'])
})

test('an edit built on one that was refused is told too, not half made', async () => {
  const { store, waiting } = server()
  store.edit(table('Part'))
  store.edit({ kind: 'renameTable', table: 'Part', name: 'Spare' })
  waiting[0]!.answer(fail({ kind: 'too-many', what: 'table', limit: 300 }))
  await settle()
  expect(refused.map((problem) => problem.kind)).toEqual(['too-many', 'gone'])
  expect(names(store)).toEqual(['Visit'])
})

test('a lost connection is shown, and the edit is sent again until it is saved', async () => {
  vi.useFakeTimers()
  const { store, waiting } = server()
  store.edit(table('Part'))
  waiting[0]!.lose()
  await vi.advanceTimersByTimeAsync(10)
  expect(store.snapshot()).toMatchObject({ cutOff: true, waiting: 1 })
  await vi.advanceTimersByTimeAsync(3100)
  expect(waiting).toHaveLength(2)
  waiting[1]!.answer(ok({ revision: 2 }))
  await vi.advanceTimersByTimeAsync(10)
  expect(store.snapshot()).toMatchObject({ cutOff: false, waiting: 0, revision: 2 })
  vi.useRealTimers()
})

test('what somebody else saved is taken in, but never something older', () => {
  const { store } = server()
  const newer = made(start, table('Theirs'))
  store.receive(newer, 2)
  expect(names(store)).toEqual(['Visit', 'Theirs'])
  store.receive(start, 1)
  expect(names(store)).toEqual(['Visit', 'Theirs'])
})

test('undo and going back bring the server’s book and say what was done', async () => {
  const { store } = server()
  await store.undo()
  await store.redo()
  await store.backTo(0)
  expect(said).toEqual(['Undone: Add the table Part', 'The book is back as it was.'])
  expect(refused.map((problem) => problem.kind)).toEqual(['nothing-to-redo'])
})

test('who listens hears of every change, until they stop', () => {
  const { store } = server()
  const heard = vi.fn()
  const stop = store.subscribe(heard)
  store.edit(table('A'))
  stop()
  store.edit(table('B'))
  expect(heard).toHaveBeenCalledTimes(1)
})
