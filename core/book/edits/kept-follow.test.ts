import { expect, test } from 'vitest'
import { tie } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { apply, applyEdit, type Book, type Edit, emptyBook, faultsOf, invertAll } from '..'

const stoves = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'stove', name: 'Stove', keyField: 'stove-key' },
  { kind: 'addTable', id: 'boiler', name: 'Boiler', keyField: 'boiler-key' },
  { kind: 'addField', table: 'boiler', id: 'litres', name: 'Litres', holds: 'whole' },
  { kind: 'addField', table: 'boiler', id: 'fuel', name: 'Fuel', holds: 'choice' },
  { kind: 'changeField', field: 'fuel', to: { choices: [{ id: 'w', word: 'Wood' }] } },
)

/** A list, its report, a document and a form of a table. */
const keptOf = (table: string): Edit[] => [
  {
    kind: 'addList',
    ...{ id: 'l', table, name: 'All of them', asks: [], order: [] },
    columns: [{ id: 'c', shows: { kind: 'field', place: { way: [], field: 'litres' } } }],
  },
  {
    kind: 'addReport',
    id: 'r',
    list: 'l',
    paper: { size: 'a4', margin: 20 },
    letters: 10,
    rows: 'lines',
    room: 'usual',
  },
  {
    kind: 'addTemplate',
    ...{ id: 't', table, name: 'Sheet', paper: { size: 'a4', margin: 20 }, letters: 10, columns: [], blocks: [] },
  },
  { kind: 'addForm', id: 'f', table, name: 'Short', lines: [], without: [] },
]

const idsOf = (book: Book) =>
  [book.lists, book.reports, book.templates, book.forms].map((parts) => parts.map(({ id }) => id))

test('merged into another, a table leaves its lists and documents to that; its forms go', () => {
  const book = made(stoves, ...keptOf('boiler'), { kind: 'mergeTables', from: 'boiler', into: 'stove' })
  expect(faultsOf(book)).toEqual([])
  expect(idsOf(book)).toEqual([['l'], ['r'], ['t'], []])
  expect([book.lists[0]?.table, book.templates[0]?.table]).toEqual(['stove', 'stove'])
})

test('a joining table that goes takes along what is kept of it', () => {
  const tied = made(stoves, tie('stove', 'boiler', { link: 'a', field: 'b', table: 'both' }, { bHasSeveral: true }))
  const joining = tied.tables.find(({ role }) => role === 'joining')!.id
  const book = made(tied, ...keptOf(joining), { kind: 'untie', tie: joining })
  expect([faultsOf(book), idsOf(book)]).toEqual([[], [[], [], [], []]])
})

test('so does a word list whose words become choices', () => {
  const listed = made(stoves, {
    kind: 'choicesToList',
    ...{ field: 'fuel', id: 'fuels', name: 'Fuel kind', keyField: 'fuels-key', link: 'fuels-link' },
  })
  const book = made(listed, ...keptOf('fuels'), { kind: 'listToChoices', table: 'fuels' })
  expect([faultsOf(book), idsOf(book)]).toEqual([[], [[], [], [], []]])
})

test('removed, a table takes all of them along, and brings them back', () => {
  const before = made(stoves, ...keptOf('boiler'))
  const removed = applyEdit(before, { kind: 'removeTable', table: 'boiler' })
  if (!removed.ok) throw new Error('It was refused.')
  const { book, steps } = removed.value
  expect([faultsOf(book), idsOf(book)]).toEqual([[], [[], [], [], []]])
  expect(apply(book, invertAll(steps))).toEqual({ ok: true, value: before })
})
