import { expect, test } from 'vitest'
import { type Book, type Edit, emptyBook, applyEdit } from '@/core/book'
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
    ok({ revision: ++revision, book, ...(say && { say }) } as EditReply)
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
