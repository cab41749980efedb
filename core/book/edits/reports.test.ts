import { expect, test } from 'vitest'
import { made, refusalOf } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { type Edit, emptyBook, faultsOf, findReport, limits, type List, type Report } from '..'

const list: List = {
  id: 'visits',
  table: 'visit',
  columns: [{ id: 'a', shows: { kind: 'field', place: { way: [], field: 'day' } } }],
  asks: [],
  order: [],
}
const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  { kind: 'addField', table: 'visit', id: 'day', name: 'Day', holds: 'date' },
  { kind: 'addList', ...list, name: 'Visits' },
)
const report: Report = {
  id: 'paper',
  list: 'visits',
  paper: { size: 'a4', margin: 18 },
  letters: 9,
  rows: 'lines',
  room: 'usual',
}
const add = (more: Partial<Report> = {}): Edit => ({ kind: 'addReport', ...report, ...more })
const after = (edit: Edit, before = book) => made(before, edit)
const refusal = (edit: Edit, before = book) => refusalOf(before, edit)

test('a report is kept with its words tidied, passages with their lines', () => {
  const kept = after(add({ name: '  By \u0007town ', opening: ' Dear all,\nthis is it.\u200b ', closing: '   ' }))
  expect(findReport(kept, 'paper')).toEqual({ ...report, name: 'By town', opening: 'Dear all,\nthis is it.' })
  expect(faultsOf(kept)).toEqual([])
})

test('changed, what it no longer says is gone; a change that changes nothing is none', () => {
  const kept = after(add({ name: 'By town', opening: 'Dear all', apart: true, without: ['a'] }))
  const { id: _id, list: _list, ...rest } = report
  const bare = after({ kind: 'changeReport', report: 'paper', to: rest }, kept)
  expect(findReport(bare, 'paper')).toEqual(report)
  expect(refusal({ kind: 'changeReport', report: 'paper', to: { ...rest, without: [] } }, bare)).toBe(
    'nothing-to-change',
  )
})

test('what can’t be kept is refused in words', () => {
  const kept = after(add({ name: 'By town' }))
  expect(refusal(add({ list: 'gone' }))).toBe('gone')
  expect(refusal(add({ id: 'visits' }))).toBe('stale')
  expect(refusal(add({ id: 'other', name: 'by TOWN' }), kept)).toBe('name-taken')
  expect(refusal(add({ opening: 'x'.repeat(limits.describeLength + 1) }))).toBe('too-long')
  expect(refusal({ kind: 'removeReport', report: 'gone' })).toBe('gone')
})

test('with its list it goes, and with the list’s table', () => {
  const kept = after(add())
  for (const edit of [
    { kind: 'removeList', list: 'visits' },
    { kind: 'removeTable', table: 'visit' },
  ] as const) {
    const gone = after(edit, kept)
    expect([gone.reports, gone.lists, faultsOf(gone)]).toEqual([[], [], []])
  }
})

test('a letterhead is tidied, taken out where nothing is left of it, and refused where it is too long', () => {
  const change = (to: Extract<Edit, { kind: 'changeLetterhead' }>['to']): Edit => ({ kind: 'changeLetterhead', to })
  const kept = after(change({ name: ' Emberly \u0007', lines: '4 Ferry Lane\nOtterby\u200b', foot: '  ' }))
  expect(kept.letterhead).toEqual({ name: 'Emberly', lines: '4 Ferry Lane\nOtterby' })
  expect(refusal(change({ name: 'Emberly', lines: '4 Ferry Lane\nOtterby' }), kept)).toBe('nothing-to-change')
  expect(refusal(change({ foot: 'x'.repeat(limits.letterheadLength + 1) }))).toBe('too-long')
  expect(after(change({}), kept).letterhead).toBe(undefined)
  expect(after(change({ colours: { words: '#7d3b24' } })).letterhead).toEqual({ colours: { words: '#7d3b24' } })
  expect(after(change({ name: 'Emberly', colours: {} })).letterhead).toEqual({ name: 'Emberly' })
  expect(refusal(change({ colours: { words: '#e0b354' } }))).toBe('colour-pale')
  expect(refusal(change({ colours: { lines: '#f8f8f8' } }))).toBe('colour-pale')
  const logo = { hash: 'f'.repeat(64), width: 40, height: 30 }
  expect(after(change({ logo, foot: '  ' })).letterhead).toEqual({ logo })
})
