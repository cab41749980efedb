import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Book } from '@/core/book'
import { fieldOf, tableOf } from '@/core/book'
import { unmatched } from '@/core/kinds'
import type { ListRow } from '@/core/records'
import { emberlyDesign } from '@/demo/emberly/design'
import {
  checkRow,
  changedFields,
  dropRows,
  emptyGrid,
  fillDown,
  freshRow,
  type GridRow,
  onNewer,
  openNames,
  pasteBlock,
  putRows,
  storedRow,
  withCells,
  withNames,
} from '.'

const book: Book = emberlyDesign().book
const now = { moment: '2027-03-12T09:30' }
const around = { book, now, linked: () => undefined }
const payment = tableOf(book, 'payment')
const [visit, way, paid, amount] = ['payment__visit', 'payment__way-of-paying', 'payment__paid-on', 'payment__amount']
const columns = [visit, way, paid, amount].map((id) => fieldOf(payment, id))

const stored = (ref: string, values: Record<string, string | null>, rev = 1): ListRow => ({
  ...{ ref, label: ref, labels: {}, rev, changedAt: '', changedBy: null, cursor: [] },
  values: { payment__key: ref, ...values },
})
const one = stored('7', { [visit]: 'V-1', [way]: 'cash', [paid]: '2027-03-01', [amount]: '62.00' })
const cell = (row: GridRow, field: string, text: string) => withCells(row, new Map([[field, { text }]]))
const fresh = (id: string) => freshRow(book, 'payment', id, now)
let given = 0
const paste = (cells: string[][], more: Partial<Parameters<typeof pasteBlock>[0]> = {}) =>
  pasteBlock({
    ...{ book, tableId: 'payment', columns, from: visit, onto: [], cells, now },
    freshId: () => `n${given++}`,
    ...more,
  })

test('a new row is checked like a form, its words being those of the form', () => {
  const row = cell(cell(fresh('a'), amount, '0'), paid, 'no day')
  const { problems } = checkRow({ ...around, tableId: 'payment' }, row)
  expect(Object.keys(problems).sort()).toEqual([amount, paid, visit, way].sort())
  expect(problems[amount]).toMatchObject({ kind: 'below' })
})

test('of a stored record only what was changed is sent; changed back, it is changed no more', () => {
  const row = storedRow(book, 'payment', one)
  const changed = cell(row, amount, '70')
  expect(checkRow({ ...around, tableId: 'payment' }, changed)).toMatchObject({
    problems: {},
    values: { [amount]: '70.00' },
  })
  expect(Object.keys(checkRow({ ...around, tableId: 'payment' }, changed).values)).toEqual([amount])
  const grid = putRows(book, 'payment', emptyGrid, [changed])
  expect([...grid.changed.keys()]).toEqual(['7'])
  expect(putRows(book, 'payment', grid, [cell(changed, amount, '62.00')])).toEqual(emptyGrid)
})

test('a rule that counts the rows of a stored record isn’t told where they aren’t there', () => {
  const visited = {
    ...stored('V-1', {}),
    values: { visit__state: 'booked', visit__premises: 'P-1', 'visit__booked-for': '2027-03-12T10:00' },
  }
  const row = storedRow(book, 'visit', visited)
  const done = cell(row, 'visit__state', 'done')
  // A visit that is done has a work line: it may have one.
  expect(checkRow({ ...around, tableId: 'visit' }, done).problems).toEqual({})
  // A new one can have none yet.
  const first = ['visit__state', 'visit__premises', 'visit__booked-for'].reduce(
    (made, id) => cell(made, id, done.text[id]!),
    freshRow(book, 'visit', 'new', now),
  )
  expect(checkRow({ ...around, tableId: 'visit' }, first).problems).toEqual({
    visit__state: { kind: 'in-own-words', words: 'A visit that is done has at least one work line.' },
  })
})

test('a block fills rows and adds others; names of columns in its first row say what goes where', () => {
  const written = paste(
    [
      ['V-1', 'cash', '12 3 2027', '3.5'],
      ['V-2', 'card', 'soon', '4'],
    ],
    { onto: [fresh('a')] },
  )
  expect(written.rows.map(({ id, text }) => [id, text[amount], text[paid], text[visit]])).toEqual([
    ['a', '3.50', '12 Mar 2027', unmatched('V-1')],
    [expect.any(String), '4.00', 'soon', unmatched('V-2')],
  ])
  const named = paste([
    ['Amount', 'Nothing of ours', 'Visit'],
    ['5', 'x', 'V-3'],
  ])
  expect(named).toMatchObject({ over: 0, beyond: 1 })
  expect(named.rows[0]!.text).toMatchObject({ [amount]: '5.00', [visit]: unmatched('V-3') })
  expect(paste([['V-1'], ['V-2'], ['V-3']], { onto: [fresh('a')], freshId: undefined })).toMatchObject({ over: 2 })
})

test('each name is asked once, and what it names comes into every row that has it', () => {
  const { rows } = paste([['V-1'], ['V-2'], ['V-1']])
  expect(openNames(book, 'payment', rows).map(({ words, rows: count }) => [words, count])).toEqual([
    ['V-1', 2],
    ['V-2', 1],
  ])
  const settled = withNames(book, 'payment', rows, (_, words) =>
    words === 'V-1' ? { text: 'V-00001', label: 'V-00001, 12 Mar' } : undefined,
  )
  expect(settled).toHaveLength(2)
  expect(settled[0]).toMatchObject({ text: { [visit]: 'V-00001' }, labels: { [visit]: 'V-00001, 12 Mar' } })
})

test('filled down, each row has what the first has, but for what is given on saving', () => {
  const rows = [withCells(fresh('a'), new Map([[visit, { text: 'V-1', label: 'The first' }]])), fresh('b'), fresh('c')]
  expect(fillDown(rows, payment.fields).map(({ text, labels }) => [text[visit], labels[visit]])).toEqual([
    ['V-1', 'The first'],
    ['V-1', 'The first'],
  ])
})

test('rows taken out are gone, or as they were stored', () => {
  const grid = putRows(book, 'payment', emptyGrid, [fresh('a'), cell(storedRow(book, 'payment', one), amount, '1')])
  expect(dropRows(grid, new Set(['a', '7']))).toEqual(emptyGrid)
})

const money = fc.integer({ min: 1, max: 9 }).map((value) => `${value}.00`)
const values = fc.record({ [amount]: money, [paid]: fc.constantFrom('2027-03-01', '2027-03-02') })

test('laid onto somebody’s newer record, what was typed stays, theirs comes where nothing was typed, and both are told', () => {
  fc.assert(
    fc.property(
      values,
      values,
      fc.record({ [amount]: fc.option(money), [paid]: fc.option(fc.constantFrom('1 Mar 2027', '2 Mar 2027')) }),
      (was, theirs, typed) => {
        const base = storedRow(book, 'payment', stored('7', was))
        const row = Object.entries(typed).reduce(
          (made, [id, text]) => (text === null ? made : cell(made, id, text)),
          base,
        )
        const own = changedFields(book, 'payment', row)
        const latest = stored('7', theirs, 2)
        const newer = onNewer(book, 'payment', row, latest)
        const shown = storedRow(book, 'payment', latest).text
        for (const id of [amount, paid]) {
          expect(newer.row.text[id]).toBe(own.includes(id) ? row.text[id] : shown[id])
          const isBoth = own.includes(id) && shown[id] !== base.text[id] && shown[id] !== row.text[id]
          expect(id in newer.theirs).toBe(isBoth)
        }
        expect(newer.row.stored).toBe(latest)
        expect(changedFields(book, 'payment', newer.row).every((id) => own.includes(id))).toBe(true)
      },
    ),
  )
})
