import { beforeAll, expect, test } from 'vitest'
import { apply, type Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { editAll, stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { select } from '../database'
import { type Account, setRole } from '../people'
import { editBook, goBackTo, historyOf, othersSince, redo, stepsSince, undo } from '.'

let db: Catalogue
let rosa: Account
let bram: Account

beforeAll(async () => {
  db = await testCatalogue('editing')
  rosa = await testAccount(db, 'Rosa')
  bram = await testAccount(db, 'Bram')
})

const table = (id: string, name = id): Edit => ({ kind: 'addTable', id, name, keyField: `${id}-key` })
const rename = (name: string): Edit => ({ kind: 'renameTable', table: 'visit', name })
const seenName = (from: string) => [{ id: 'visit', key: 'name', from }]

async function bookWith(name: string, ...edits: Edit[]): Promise<string> {
  const id = await testBook(db, rosa, name, [table('visit', 'Visit'), ...edits])
  await setRole(db, id, bram.id, 'administrator')
  return id
}
const names = async (id: string) => (await stored(db, id)).book.tables.map((one) => one.name)

test('edits of two people on different things both stand, whatever each had seen', async () => {
  const id = await bookWith('Both stand')
  await Promise.all([
    editBook(db, id, rosa.id, rename('Call-out'), seenName('Visit')),
    editBook(db, id, bram.id, table('part', 'Part'), []),
  ])
  expect((await names(id)).sort()).toEqual(['Call-out', 'Part'])
  expect((await stored(db, id)).revision).toBe(3)
})

test('the one whose edit would overwrite the other’s is told what the other did', async () => {
  const id = await bookWith('Clash')
  await editBook(db, id, rosa.id, rename('Call-out'), seenName('Visit'))
  const late = await editBook(db, id, bram.id, rename('Job'), seenName('Visit'))
  expect(!late.ok && wordProblem(late.problem)).toBe(
    'Rosa made another change first: “Rename Visit to Call-out”. Yours was not made; look at it and decide.',
  )
  expect(await names(id)).toEqual(['Call-out'])
  expect(await othersSince(db, id, 1, bram.id)).toEqual([
    { who: 'Rosa', say: 'Rename Visit to Call-out', kind: 'edit' },
  ])
})

test('twenty edits at once are made in some order, none lost', async () => {
  const id = await bookWith('Twenty')
  await Promise.all(
    Array.from({ length: 20 }, (_, at) => editBook(db, id, at % 2 ? rosa.id : bram.id, table(`t${at}`), [])),
  )
  const book = await stored(db, id)
  expect(book.book.tables).toHaveLength(21)
  expect(book.revision).toBe(21)
})

test('undo takes back one’s own latest edit, not the other’s; redo makes it again', async () => {
  const id = await bookWith('Undo')
  await editBook(db, id, rosa.id, table('part', 'Part'), [])
  await editBook(db, id, bram.id, table('van', 'Van'), [])
  expect(await undo(db, id, rosa.id)).toMatchObject({ ok: true, value: { say: 'Add the table Part' } })
  expect(await names(id)).toEqual(['Visit', 'Van'])
  expect(await redo(db, id, rosa.id)).toMatchObject({ ok: true })
  expect((await names(id)).sort()).toEqual(['Part', 'Van', 'Visit'])
  const again = await redo(db, id, rosa.id)
  expect(!again.ok && again.problem.kind).toBe('nothing-to-redo')
})

test('undo after undo goes further back, and a new edit ends what could be done again', async () => {
  const id = await bookWith('Further', rename('A'), rename('B'))
  await undo(db, id, rosa.id)
  await undo(db, id, rosa.id)
  expect(await names(id)).toEqual(['Visit'])
  await redo(db, id, rosa.id)
  expect(await names(id)).toEqual(['A'])
  await editAll(db, rosa, id, [rename('C')])
  expect(await redo(db, id, rosa.id)).toMatchObject({ ok: false })
  await undo(db, id, rosa.id)
  expect(await names(id)).toEqual(['A'])
})

test('what others built on can’t be undone alone, and says so', async () => {
  const id = await bookWith('Built on')
  await editBook(db, id, rosa.id, table('part', 'Part'), [])
  await editBook(db, id, bram.id, { kind: 'renameTable', table: 'part', name: 'Spare' }, [])
  const undone = await undo(db, id, rosa.id)
  expect(!undone.ok && wordProblem(undone.problem)).toMatch(/^What “Add the table Part” did has changed since/)
  expect(await names(id)).toEqual(['Visit', 'Spare'])
})

test('going back and forth costs what it changes, however often', async () => {
  const id = await bookWith('Forth', ...Array.from({ length: 12 }, (_, at) => table(`t${at}`)))
  const steps = async () => {
    const [row] = await select<{ length: number }>(
      db,
      `SELECT CHAR_LENGTH(steps) AS length FROM editing.edits WHERE book_id = ? ORDER BY revision DESC LIMIT 1`,
      [id],
    )
    return row!.length
  }
  const all = await names(id)
  let first = 0
  for (let round = 0; round < 25; round++) {
    expect((await goBackTo(db, id, rosa.id, 3)).ok).toBe(true)
    expect(await names(id)).toEqual(all.slice(0, 3))
    first ||= await steps()
    expect((await goBackTo(db, id, rosa.id, 13)).ok).toBe(true)
    expect(await names(id)).toEqual(all)
  }
  expect(await steps()).toBeLessThan(first * 1.2)
  await undo(db, id, rosa.id)
  expect(await names(id)).toEqual(all.slice(0, 3))
  expect((await goBackTo(db, id, rosa.id, 1)).ok).toBe(true)
  expect(await names(id)).toEqual(['Visit'])
})

test('the book goes back to any point, and that can be undone', async () => {
  const id = await bookWith('Back', table('part', 'Part'), rename('Call-out'), table('van', 'Van'))
  const before = (await stored(db, id)).book
  await goBackTo(db, id, rosa.id, 2)
  expect(await names(id)).toEqual(['Visit', 'Part'])
  await undo(db, id, rosa.id)
  expect((await stored(db, id)).book).toEqual(before)
  const history = await historyOf(db, id)
  expect(history.map((entry) => [entry.say, entry.who, entry.undone])).toEqual([
    ['Go back to edit 2', 'Rosa', false],
    ['Go back to edit 2', 'Rosa', true],
    ['Add the table Van', 'Rosa', false],
    ['Rename Visit to Call-out', 'Rosa', false],
    ['Add the table Part', 'Rosa', false],
    ['Add the table Visit', 'Rosa', false],
  ])
})

test('the steps since any revision lead from the book as it was to the book as it is', async () => {
  const id = await bookWith('Steps')
  const books = [(await stored(db, id)).book]
  const after = async (change: Promise<unknown>) => {
    await change
    books.push((await stored(db, id)).book)
  }
  await after(editBook(db, id, bram.id, table('part', 'Part'), []))
  await after(editBook(db, id, rosa.id, rename('Call-out'), seenName('Visit')))
  await after(undo(db, id, rosa.id))
  await after(redo(db, id, rosa.id))
  await after(goBackTo(db, id, bram.id, 1))
  const last = books.length
  for (const [at, book] of books.entries()) {
    const now = apply(book, await stepsSince(db, id, at + 1, last))
    expect(now).toEqual({ ok: true, value: books.at(-1) })
  }
})
