import { beforeAll, expect, test } from 'vitest'
import { stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { editBook, historyOf, redo, undo } from '../books'
import { run, select } from '../database'
import type { Account } from '../people'
import type { Catalogue } from '.'
import { newlySaid, up } from './migrations/006-words'
import { up as undoWords } from './migrations/007-undo'
import { up as dismissals } from './migrations/008-dismissed'

let db: Catalogue
let rosa: Account

beforeAll(async () => {
  db = await testCatalogue('words')
  rosa = await testAccount(db, 'Rosa')
})

/** What the catalogue held before: the same, as it was called then. */
async function asBefore(id: string): Promise<void> {
  const called = (json: string) =>
    json
      .replaceAll('"kind":"choice"', '"kind":"pick"')
      .replaceAll('"role":"word-list"', '"role":"pick-list"')
      .replaceAll('"from":"line","to":"choice"', '"from":"line","to":"pick"')
      .replaceAll('advice/choiceOfOne/', 'advice/pickOfOne/')
  const [book] = await select<{ design: string }>(db, `SELECT design FROM \`${db.catalogue}\`.books WHERE id = ?`, [id])
  await run(db, `UPDATE \`${db.catalogue}\`.books SET design = ?, opened = ? WHERE id = ?`, [
    called(book!.design),
    called(book!.design),
    id,
  ])
  const edits = await select<{ revision: number; steps: string }>(
    db,
    `SELECT revision, steps FROM \`${db.catalogue}\`.edits WHERE book_id = ?`,
    [id],
  )
  for (const { revision, steps } of edits)
    await run(db, `UPDATE \`${db.catalogue}\`.edits SET steps = ? WHERE book_id = ? AND revision = ?`, [
      called(steps),
      id,
      revision,
    ])
}

test('a book stored before opens after, with its history and every undo of it', async () => {
  const choices = ['gas', 'wood'].map((word) => ({ id: word, word }))
  const id = await testBook(db, rosa, 'Stoves', [
    { kind: 'addTable', id: 'stove', name: 'Stove', keyField: 'stove-key' },
    { kind: 'addTable', id: 'fuel', name: 'Fuel', keyField: 'fuel-key', role: 'word-list' },
    { kind: 'addField', table: 'stove', id: 'state', name: 'State', holds: 'line' },
    { kind: 'addField', table: 'stove', id: 'draught', name: 'Draught', holds: 'choice' },
    { kind: 'changeField', field: 'draught', to: { choices } },
    { kind: 'dismiss', id: 'w', what: 'advice/choiceOfOne/draught', name: 'Draught has one choice only' },
  ])
  await editBook(db, id, rosa.id, { kind: 'changeField', field: 'state', to: { kind: 'choice', choices } }, [])
  const { book } = await stored(db, id)
  await asBefore(id)
  await up(db.sequelize.getQueryInterface(), db.catalogue)
  // As a server that has just been started reads it.
  const [row] = await select<{ design: string; opened: string }>(
    db,
    `SELECT design, opened FROM \`${db.catalogue}\`.books WHERE id = ?`,
    [id],
  )
  expect([JSON.parse(row!.design), JSON.parse(row!.opened)]).toEqual([book, book])
  // Cut off in the middle and begun again, it does the same once more.
  await up(db.sequelize.getQueryInterface(), db.catalogue)
  expect((await stored(db, id)).book).toEqual(book)
  for (let left = 7; left > 0; left--) expect(await undo(db, id, rosa.id)).toMatchObject({ ok: true })
  expect((await stored(db, id)).book.tables).toEqual([])
  expect(await historyOf(db, id)).toContainEqual(
    expect.objectContaining({ kind: 'undo', say: 'Add the word list Fuel' }),
  )
})

test('entries that take another back say so by their kind alone', async () => {
  const id = await testBook(db, rosa, 'Taken back', [{ kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'k' }])
  await undo(db, id, rosa.id)
  await run(
    db,
    `UPDATE \`${db.catalogue}\`.edits SET say = CONCAT('Undo: ', say) WHERE book_id = ? AND kind = 'undo'`,
    [id],
  )
  for (let times = 0; times < 2; times++) await undoWords(db.sequelize.getQueryInterface(), db.catalogue)
  expect((await historyOf(db, id)).map(({ kind, say }) => [kind, say])).toEqual([
    ['undo', 'Add the table Visit'],
    ['edit', 'Add the table Visit'],
  ])
  expect(await redo(db, id, rosa.id)).toMatchObject({ ok: true, value: { say: 'Add the table Visit' } })
})

test('what was ignored before it was called so is ignored after, and comes back by undo; people’s own words stay', async () => {
  const id = await testBook(db, rosa, 'Ignored', [
    { kind: 'addNeeds', needs: [{ id: 'n', text: 'The paper says "waved":[ and "list":"waved".' }] },
    { kind: 'dismiss', id: 'w', what: 'advice/choiceOfOne/draught', name: 'Draught' },
  ])
  const { book } = await stored(db, id)
  expect(book.dismissed).toHaveLength(1)
  const table = (name: string) => `\`${db.catalogue}\`.${name}`
  await run(
    db,
    `UPDATE ${table('books')} SET design = REPLACE(design, '"dismissed":[', '"waved":['), opened = design WHERE id = ?`,
    [id],
  )
  await run(
    db,
    `UPDATE ${table('edits')} SET steps = REPLACE(steps, '"list":"dismissed"', '"list":"waved"') WHERE book_id = ?`,
    [id],
  )
  for (let times = 0; times < 2; times++) await dismissals(db.sequelize.getQueryInterface(), db.catalogue)
  const [row] = await select<{ design: string; opened: string }>(
    db,
    `SELECT design, opened FROM ${table('books')} WHERE id = ?`,
    [id],
  )
  expect([JSON.parse(row!.design), JSON.parse(row!.opened)]).toEqual([book, book])
  expect(await undo(db, id, rosa.id)).toMatchObject({ ok: true })
  expect((await stored(db, id)).book.dismissed).toEqual([])
})

test.each([
  ['Tie each Visit to one Premises', 'Link each Visit to one Premises'],
  ['Undo: Tie Visit and Part, each with many', 'Undo: Link Visit and Part, many to many'],
  ['Untie Visit from Premises', 'Unlink Visit from Premises'],
  ['No direct tie between Part and Town', 'No direct link between Part and Town'],
  ['Wave off Extra → Weight has no unit', 'Ignore Extra → Weight has no unit'],
  ['Bring Client into Customer', 'Merge Client into Customer'],
  ['Undo: Add the pick list Fuel', 'Undo: Add the word list Fuel'],
  ['Choose what staff know Visit by', 'Choose what Visit is shown as'],
  ['Add State (pick) to Visit', 'Add State (choice) to Visit'],
  ['Write “Tie the ribbon”', 'Write “Tie the ribbon”'],
])('the history’s %j reads %j', (was, is) => {
  expect(newlySaid(was)).toBe(is)
})
