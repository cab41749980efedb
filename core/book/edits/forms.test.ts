import { expect, test } from 'vitest'
import { made, refusalOf } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { type Edit, emptyBook, findForm, type Form, type FormPart, limits, readEdit } from '..'

const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  { kind: 'addField', table: 'visit', id: 'day', name: 'Day', holds: 'date' },
)
const form: Form = {
  ...{ id: 'card', table: 'visit', name: 'Job card', without: [] },
  lines: [[{ kind: 'field', id: 'day', span: 6 }]],
}
const add = (more: Partial<Form> = {}): Edit => ({ kind: 'addForm', ...form, ...more })
const after = (edit: Edit, before = book) => made(before, edit)
const refusal = (edit: Edit, before = book) => refusalOf(before, edit)

test('a form is kept with its words tidied: what nobody sees is out', () => {
  const odd: FormPart[] = [
    { kind: 'field', id: 'day', span: 4, label: 'The\u200b day', help: ' When\u0007 it is ' },
    { kind: 'words', id: 'w', span: 4, words: '\u200b' },
    { kind: 'group', id: 'g', span: 4, heading: 'More\u202e', lines: [[{ kind: 'line', id: 'l', span: 12 }]] },
  ]
  expect(findForm(after(add({ name: ' Job \u0007card ', lines: [odd] })), 'card')).toMatchObject({
    name: 'Job card',
    lines: [[{ label: 'The day', help: 'When it is' }, { words: '…' }, { heading: 'More' }]],
  })
})

test('changed, what it no longer says is gone', () => {
  const kept = after(add({ for: ['staff'], starts: { day: 'today' } }))
  const { id: _id, table: _table, ...to } = form
  expect(findForm(after({ kind: 'changeForm', form: 'card', to }, kept), 'card')).toEqual(form)
})

test('what can’t be kept is refused in words', () => {
  const kept = after(add())
  const twice: FormPart = { kind: 'totals', id: 'sums', span: 6, fields: ['day'] }
  expect(refusal(add({ table: 'gone' }))).toBe('gone')
  expect(refusal(add({ id: 'visit' }))).toBe('stale')
  expect(refusal(add({ name: ' \u200b ' }))).toBe('name-blank')
  expect(refusal(add({ id: 'other', name: 'JOB card' }), kept)).toBe('name-taken')
  expect(refusal(add({ lines: [...form.lines, [twice]] }))).toBe('stale')
  expect(refusal(add({ without: ['day'] }))).toBe('stale')
  expect(refusal({ kind: 'removeForm', form: 'nobody' })).toBe('gone')
  const line = (at: number): FormPart[] =>
    Array.from({ length: 6 }, (_, no) => ({ kind: 'line', id: `l${at}-${no}`, span: 2 }))
  const many = (parts: number) => Array.from({ length: Math.ceil(parts / 6) }, (_, at) => line(at))
  expect(refusal(add({ lines: many(limits.formParts - 6) }))).toBe(undefined)
  expect(refusal(add({ lines: many(limits.formParts + 1) }))).toBe('form-too-long')
})

test('a line that holds more than twelve columns is no form, nor is a group in a group', () => {
  const wide = [
    [
      { kind: 'field', id: 'day', span: 7 },
      { kind: 'line', id: 'l', span: 5, gap: 1 },
    ],
  ]
  expect(readEdit({ ...add(), lines: wide }).ok).toBe(false)
  const group = (lines: unknown) => ({ kind: 'group', id: 'g', span: 12, lines })
  expect(readEdit({ ...add(), lines: [[group([])]] }).ok).toBe(true)
  expect(readEdit({ ...add(), lines: [[group([[group([])]])]] }).ok).toBe(false)
})
