import { expect, test } from 'vitest'
import { made, refusalOf } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { type Block, type Edit, emptyBook, faultsOf, findTemplate, limits, type Template } from '..'

const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  { kind: 'addField', table: 'visit', id: 'day', name: 'Day', holds: 'date' },
)
const template: Template = {
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  columns: [{ id: 'c1', shows: { kind: 'field', place: { way: [], field: 'day' } } }],
  blocks: [{ kind: 'words', of: [{ kind: 'field', column: 'c1' }] }],
}
const add = (more: Partial<Template> = {}): Edit => ({ kind: 'addTemplate', ...template, ...more })
const after = (edit: Edit, before = book) => made(before, edit)
const refusal = (edit: Edit, before = book) => refusalOf(before, edit)

test('a document is kept with its words tidied: what no paper can hold is out', () => {
  const odd: Block[] = [
    { kind: 'words', of: [{ kind: 'text', words: 'Dear\u0007all\u202e' }] },
    { kind: 'signatures', of: [' Signed\u200b '] },
  ]
  const kept = findTemplate(after(add({ name: '  The \u0007bill ', blocks: odd })), 'bill')
  expect(kept?.name).toBe('The bill')
  expect(kept?.blocks).toEqual([
    { kind: 'words', of: [{ kind: 'text', words: 'Dear all ' }] },
    { kind: 'signatures', of: ['Signed'] },
  ])
})

test('changed, what it no longer says is gone; a change that changes nothing is none', () => {
  const kept = after(add({ window: 'uk', bare: true }))
  const { id: _id, table: _table, ...to } = template
  const bare = after({ kind: 'changeTemplate', template: 'bill', to }, kept)
  expect(findTemplate(bare, 'bill')).toEqual(template)
  expect(refusal({ kind: 'changeTemplate', template: 'bill', to }, bare)).toBe('nothing-to-change')
})

test('what can’t be kept is refused in words', () => {
  const kept = after(add())
  expect(refusal(add({ table: 'gone' }))).toBe('gone')
  expect(refusal(add({ id: 'visit' }))).toBe('stale')
  expect(refusal(add({ name: ' \u200b ' }))).toBe('name-blank')
  expect(refusal(add({ id: 'other', name: 'bILL' }), kept)).toBe('name-taken')
  expect(refusal(add({ name: 'x'.repeat(limits.nameLength + 1) }))).toBe('too-long')
  expect(refusal(add({ columns: [...template.columns, ...template.columns] }))).toBe('stale')
  const inner: Block = { kind: 'only', id: 'o', when: { kind: 'has', way: [], least: 1 }, of: [{ kind: 'line' }] }
  expect(refusal(add({ blocks: [inner, inner] }))).toBe('stale')
  const many = Array.from({ length: limits.blocks }, (): Block => ({ kind: 'line' }))
  expect(refusal(add({ blocks: many }))).toBe(undefined)
  expect(refusal(add({ blocks: [...many.slice(1), inner] }))).toBe('document-too-long')
  expect(refusal({ kind: 'removeTemplate', template: 'gone' })).toBe('gone')
  const full = {
    ...kept,
    templates: Array.from({ length: limits.templates }, (_, at) => ({ ...template, id: `t${at}`, name: `Bill ${at}` })),
  }
  expect(refusal(add({ id: 'more', name: 'More' }), full)).toBe('too-many')
})

test('with its table it goes', () => {
  const gone = after({ kind: 'removeTable', table: 'visit' }, after(add()))
  expect([gone.templates, faultsOf(gone)]).toEqual([[], []])
})
