import { expect, test } from 'vitest'
import { applyEdit, type Book, type Edit, emptyBook, invertAll } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { fail, ok, type Problem, type Result } from '@/core/words'
import type { EditReply } from './actions'
import { BookStore, type BookApi } from './store'

const table = (name: string): Edit => ({ kind: 'addTable', id: name, name, keyField: `${name}-key` })

/** A server that takes its time, keeps what it is sent in order, and refuses the tables it is told to. */
function served(refused: readonly string[] = []) {
  const calls: string[] = []
  const problems: Problem[] = []
  const undoable: Book[] = []
  let book = emptyBook('Book', plainLook)
  let revision = 0
  const later = () => new Promise((done) => setTimeout(done, 5))
  const standing = (say?: string): Result<EditReply> =>
    ok({ revision: ++revision, change: { book }, ...(say && { say }) })
  const ways: BookApi = {
    save: async ({ edit }) => {
      await later()
      const name = (edit as { name: string }).name
      calls.push(name)
      if (refused.includes(name)) return fail({ kind: 'nothing-to-undo' })
      const made = applyEdit(book, edit)
      if (!made.ok) return made
      undoable.push(book)
      book = made.value.book
      return standing()
    },
    undo: async () => {
      await later()
      calls.push('undo')
      book = undoable.pop()!
      return standing('the last')
    },
    redo: () => Promise.reject(new Error('not asked for')),
    back: () => Promise.reject(new Error('not asked for')),
    whole: () => Promise.resolve({ revision, book }),
    refused: (problem) => void problems.push(problem),
    said: () => undefined,
  }
  const store = new BookStore(book, revision, ways)
  return { store, calls, problems, names: () => store.snapshot().book.tables.map((one) => one.name) }
}

test('undo waits for the edits before it, and takes back the last of them', async () => {
  const { store, calls, names } = served()
  store.edit(table('Visit'))
  store.edit(table('Part'))
  await store.undo()
  expect(calls).toEqual(['Visit', 'Part', 'undo'])
  expect(names()).toEqual(['Visit'])
})

test('an edit that is made while undo waits comes after it', async () => {
  const { store, calls, names } = served()
  store.edit(table('Visit'))
  store.edit(table('Part'))
  const undone = store.undo()
  store.edit(table('Van'))
  await undone
  while (store.snapshot().waiting > 0) await new Promise((done) => setTimeout(done, 5))
  expect(calls).toEqual(['Visit', 'Part', 'undo', 'Van'])
  expect(names()).toEqual(['Visit', 'Van'])
})

test('undo takes nothing else back where the edit that it was meant for is refused', async () => {
  const { store, calls, problems, names } = served(['Part'])
  store.edit(table('Visit'))
  store.edit(table('Part'))
  await store.undo()
  expect(calls).toEqual(['Visit', 'Part'])
  expect(problems).toHaveLength(1)
  expect(names()).toEqual(['Visit'])
})

/** What an edit of somebody else comes to. */
const stepsOf = (book: Book, name: string) => {
  const made = applyEdit(book, table(name))
  if (!made.ok) throw new Error(made.problem.kind)
  return { change: { steps: made.value.steps }, book: made.value.book }
}

const quiet: BookApi = {
  save: () => new Promise(() => undefined),
  undo: () => Promise.reject(new Error('not asked for')),
  redo: () => Promise.reject(new Error('not asked for')),
  back: () => Promise.reject(new Error('not asked for')),
  whole: () => Promise.reject(new Error('not asked for')),
  refused: () => undefined,
  said: () => undefined,
}
const empty = emptyBook('Book', plainLook)
const namesIn = (store: BookStore) => store.snapshot().book.tables.map((one) => one.name)

test('what somebody else did comes as steps, each once', async () => {
  const store = new BookStore(empty, 4, quiet)
  const visit = stepsOf(empty, 'Visit')
  await store.receive(visit.change, 4, 5)
  await store.receive(visit.change, 4, 5)
  await store.receive(stepsOf(visit.book, 'Part').change, 5, 6)
  expect([namesIn(store), store.snapshot().revision]).toEqual([['Visit', 'Part'], 6])
})

test('steps that don’t fit what is here are put right with the whole book; without a connection nothing is lost', async () => {
  const visit = stepsOf(empty, 'Visit')
  const misfit = { steps: [{ kind: 'set', id: 'nowhere', key: 'name', from: 'A', to: 'B' }] } as const
  const store = new BookStore(empty, 4, { ...quiet, whole: () => Promise.resolve({ revision: 7, book: visit.book }) })
  await store.receive(misfit, 4, 5)
  expect([namesIn(store), store.snapshot().revision]).toEqual([['Visit'], 7])
  const cutOff = new BookStore(visit.book, 4, quiet)
  await cutOff.receive(misfit, 4, 5)
  expect([namesIn(cutOff), cutOff.snapshot().revision]).toEqual([['Visit'], 4])
})

test('undo says what it was built on, and follows the steps that come back', async () => {
  const visit = stepsOf(empty, 'Visit')
  const asked: number[] = []
  const undo: BookApi['undo'] = ({ base }) => {
    asked.push(base)
    return Promise.resolve(ok({ revision: 6, say: 'Add Visit', change: { steps: invertAll(visit.change.steps) } }))
  }
  const store = new BookStore(visit.book, 5, { ...quiet, undo })
  await store.undo()
  expect([asked, namesIn(store), store.snapshot().revision]).toEqual([[5], [], 6])
})

test('a whole book that was on its way for long doesn’t take back what has come since', async () => {
  const visit = stepsOf(empty, 'Visit')
  const part = stepsOf(visit.book, 'Part')
  const misfit = { steps: [{ kind: 'set', id: 'nowhere', key: 'name', from: 'A', to: 'B' }] } as const
  let arrive: (whole: { revision: number; book: Book }) => void = () => undefined
  const whole = new Promise<{ revision: number; book: Book }>((done) => (arrive = done))
  const store = new BookStore(empty, 4, { ...quiet, whole: () => whole })
  const waiting = store.receive(misfit, 4, 5)
  await store.receive({ book: part.book }, 4, 6)
  arrive({ revision: 5, book: visit.book })
  await waiting
  expect([namesIn(store), store.snapshot().revision]).toEqual([['Visit', 'Part'], 6])
})
