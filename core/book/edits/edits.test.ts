import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import type { Book } from '../book'
import { limits } from '../limits'
import { emptyBook } from '../empty-book'
import { findTable, fieldWith, tableOf } from '../find'
import { freeName, readName } from './edit-kind'
import { type Edit, applyEdit, readEdit, sayEdit } from './index'
import { goesWith } from './remove-table'

const { book: emberly } = emberlyDesign()

function after(book: Book, ...edits: readonly Edit[]): Book {
  return edits.reduce((now, edit) => {
    const made = applyEdit(now, edit)
    if (!made.ok) throw new Error(`${edit.kind}: ${wordProblem(made.problem)}`)
    return made.value.book
  }, book)
}

function refusal(book: Book, edit: Edit): string {
  const made = applyEdit(book, edit)
  return made.ok ? 'made' : wordProblem(made.problem)
}

const small = after(
  emptyBook('Small', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
  { kind: 'addField', table: 'visit', id: 'height', name: 'Ladder height', holds: 'exact' },
  { kind: 'addField', table: 'visit', id: 'state', name: 'State', holds: 'choice' },
  {
    kind: 'changeField',
    field: 'state',
    to: {
      choices: [
        { id: 'a', word: 'booked' },
        { id: 'b', word: 'done' },
      ],
      startsAs: 'booked',
    },
  },
  {
    kind: 'addNeeds',
    needs: [
      { id: 'n1', text: 'one' },
      { id: 'n2', text: 'two' },
      { id: 'n3', text: 'three' },
    ],
  },
)

const change = (field: string, to: Extract<Edit, { kind: 'changeField' }>['to']): Edit => ({
  kind: 'changeField',
  field,
  to,
})

test.each<[string, Edit, string]>([
  ['a blank name', { kind: 'renameTable', table: 'visit', name: '  ' }, 'Give the table a name.'],
  [
    'a long name',
    { kind: 'renameTable', table: 'visit', name: 'x'.repeat(61) },
    'The name of a table has at most 60 characters.',
  ],
  [
    'a taken name',
    { kind: 'addTable', id: 'x', name: 'VISIT', keyField: 'y' },
    'There is already a table called “VISIT”. Choose another name.',
  ],
  [
    'a taken field',
    { kind: 'addField', table: 'visit', id: 'x', name: 'state', holds: 'line' },
    'There is already a field called “state” in Visit. Choose another name.',
  ],
  [
    'a table that is gone',
    { kind: 'describeTable', table: 'nowhere', describe: 'x' },
    'That table is no longer in the book.',
  ],
  ['nothing new', { kind: 'renameTable', table: 'visit', name: 'Visit' }, 'There is nothing to change.'],
  [
    'a link by hand',
    { kind: 'addField', table: 'visit', id: 'x', name: 'Premises', holds: 'link' },
    'A link comes from a pairing: answer its two questions in Pairings.',
  ],
  ['crossed bounds', change('height', { least: '14', most: '2' }), 'Nothing can be at least 14.00 and at most 2.00.'],
  ['a bound that is no number', change('height', { least: 'tall' }), 'At least: “tall” is not a number such as 12.5.'],
  ['too many decimals', change('height', { decimals: 11 }), 'Decimals goes from 0 to 10.'],
  [
    'a bound with too many decimals',
    change('height', { decimals: 1, least: '2.05' }),
    'At least: At most 1 decimal fits here.',
  ],
  ['a start out of bounds', change('height', { most: '14', startsAs: '15' }), 'Starts as: This must be 14.00 or less.'],
  [
    'a start that is no choice',
    change('state', { startsAs: 'lost' }),
    'Starts as: “lost” is not one of the choices: booked or done.',
  ],
  [
    'the same choice twice',
    change('state', {
      choices: [
        { id: 'a', word: 'x' },
        { id: 'b', word: 'X' },
      ],
    }),
    '“X” is there twice.',
  ],
  [
    'a key that can’t tell apart',
    { kind: 'addField', table: 'visit', id: 'tick', name: 'Paid', holds: 'tick' },
    'made',
  ],
  ['a blank need', { kind: 'addNeeds', needs: [{ id: 'x', text: '  ' }] }, 'Give the need a name.'],
  [
    'a long need',
    { kind: 'changeNeed', need: 'n1', text: 'x'.repeat(2001) },
    'This is 2,001 characters long; at most 2,000 fit.',
  ],
  [
    'a tick for nothing',
    { kind: 'tieNeed', need: 'n1', part: 'nowhere', met: true },
    'That table is no longer in the book.',
  ],
])('%s: %s', (_what, edit, words) => {
  expect(refusal(small, edit)).toBe(words)
})

test.each([
  ['Bill', 'Bill number'],
  ['Phone number', 'Running number'],
])('the key of a new table %s is called %s', (name, key) => {
  const book = after(small, { kind: 'addTable', id: 'new', name, keyField: 'k' })
  expect(findTable(book, 'new')?.fields[0]?.name).toBe(key)
})

test('a tick, a passage or a file can’t be part of a key', () => {
  const book = after(small, { kind: 'addField', table: 'visit', id: 'note', name: 'Note', holds: 'passage' })
  expect(refusal(book, { kind: 'setKey', table: 'visit', fields: ['note'] })).toBe(
    'Note can’t be part of the key: passage can’t be the key of a record for good.',
  )
})

test('a new kind keeps what it has a use for and drops the rest', () => {
  const book = after(
    small,
    change('height', { least: '2', most: '14', unit: 'm', note: 'From the ground' }),
    change('height', { kind: 'line' }),
  )
  expect(fieldWith(book, 'height').field).toEqual({
    id: 'height',
    name: 'Ladder height',
    kind: 'line',
    length: 60,
    note: 'From the ground',
  })
})

test('bounds are kept in the shape of the kind', () => {
  const book = after(small, change('height', { decimals: 1, least: '2', most: '14' }))
  expect(fieldWith(book, 'height').field).toMatchObject({ least: '2.0', most: '14.0' })
})

test('a reworded choice takes the first value with it; a removed one takes it away', () => {
  const reworded = after(
    small,
    change('state', {
      choices: [
        { id: 'a', word: 'arranged' },
        { id: 'b', word: 'done' },
      ],
    }),
  )
  expect(fieldWith(reworded, 'state').field.startsAs).toBe('arranged')
  const removed = after(small, change('state', { choices: [{ id: 'b', word: 'done' }] }))
  expect(fieldWith(removed, 'state').field.startsAs).toBeUndefined()
})

test('needs are moved before another or to the end', () => {
  const order = (edit: Edit) => after(small, edit).needs.map((need) => need.id)
  expect(order({ kind: 'moveNeed', need: 'n3', before: 'n1' })).toEqual(['n3', 'n1', 'n2'])
  expect(order({ kind: 'moveNeed', need: 'n1', before: null })).toEqual(['n2', 'n3', 'n1'])
})

test('the first line of a table becomes what its records are known by', () => {
  const book = after(
    small,
    { kind: 'addField', table: 'visit', id: 'name', name: 'Name', holds: 'line' },
    { kind: 'addField', table: 'visit', id: 'other', name: 'Other', holds: 'line' },
  )
  expect(tableOf(book, 'visit').knownBy).toEqual(['name'])
})

test('removing a table takes its joining tables, the links to it and every tick along', () => {
  const { joining, fields } = goesWith(emberly, 'visit')
  expect(joining.map((table) => table.name)).toEqual(['Visit technician', 'Visit appliance', 'Visit part'])
  expect(fields.map(({ table, field }) => `${table.name} ${field.name}`)).toEqual(['Work line Visit', 'Payment Visit'])
  const book = after(emberly, { kind: 'removeTable', table: 'visit' })
  expect(book.tables.map((table) => table.name)).not.toContain('Visit appliance')
  expect(book.needs.flatMap((need) => need.metBy).filter((id) => id.startsWith('visit'))).toEqual([])
})

test('a key that others link to can’t be taken away, but may change', () => {
  expect(refusal(emberly, { kind: 'setKey', table: 'premises', fields: [] })).toBe(
    'Give Premises a key first; links point to it.',
  )
  expect(refusal(emberly, { kind: 'removeField', field: 'premises__key' })).toMatch(
    /^Other tables link to the key of Premises \(.*Visit.*\)\. Remove those links first\.$/,
  )
  expect(refusal(emberly, { kind: 'setKey', table: 'premises', fields: ['premises__address', 'premises__town'] })).toBe(
    'made',
  )
})

test('a key may not depend on itself through links', () => {
  expect(refusal(emberly, { kind: 'setKey', table: 'technician', fields: ['technician__supervisor'] })).toBe(
    'Supervisor can’t be part of the key: its own key would then depend on itself.',
  )
})

test('a link that must be filled can’t leave records without it', () => {
  const link = emberly.links.find((one) => one.field === 'visit__premises')!
  expect(refusal(emberly, { kind: 'changeLink', link: link.id, onRemove: 'leave' })).toBe(
    'Premises must be filled, so records can’t be left without it. Keep the record, or remove them too.',
  )
  const supervisor = emberly.links.find((one) => one.field === 'technician__supervisor')!
  expect(refusal(emberly, change('technician__supervisor', { must: true }))).toBe(
    'Supervisor must be filled, so records can’t be left without it. Keep the record, or remove them too.',
  )
  expect(supervisor.onRemove).toBe('leave')
})

test('a copied table has its own fields and links, and points to the same tables', () => {
  const table = tableOf(emberly, 'work-line')
  const links = emberly.links.filter((link) => link.many === 'work-line')
  const ids = Object.fromEntries([...table.fields, ...links].map((part, at) => [part.id, `copy-${at}`]))
  const book = after(emberly, { kind: 'copyTable', table: 'work-line', id: 'copy', name: 'Quote line', ids })
  expect(tableOf(book, 'copy').fields.map((field) => field.name)).toEqual(table.fields.map((field) => field.name))
  expect(book.links.filter((link) => link.many === 'copy').map((link) => link.one)).toEqual(
    links.map((link) => link.one),
  )
  expect(refusal(emberly, { kind: 'copyTable', table: 'work-line', id: 'copy', name: 'Quote line', ids: {} })).toBe(
    'Work line has changed since.',
  )
})

test('a book holds so many tables and no more', () => {
  const full = {
    ...small,
    tables: Array.from({ length: limits.tables }, (_, at) => ({
      ...small.tables[0]!,
      id: `t${at}`,
      name: `T${at}`,
      fields: [],
      key: [],
      knownBy: [],
    })),
  }
  expect(refusal(full, { kind: 'addTable', id: 'one-more', name: 'One more', keyField: 'k' })).toBe(
    'A book holds at most 300 tables here.',
  )
})

test('names are tidied, and a free one is found', () => {
  expect(readName('  Two\n words\u200b ', 'table', [])).toEqual({ ok: true, value: 'Two words' })
  expect(freeName('Visit', [{ name: 'visit' }, { name: 'Visit 2' }])).toBe('Visit 3')
})

test('messages that are no edits are refused before anything is touched', () => {
  for (const message of [
    null,
    'x',
    {},
    { kind: 'explode' },
    { kind: 'renameTable', table: 'visit' },
    { kind: 'renameTable', table: 'a b', name: 'x' },
    { kind: 'renameTable', table: 'visit', name: 'x', more: 1 },
  ]) {
    expect(readEdit(message).ok).toBe(false)
  }
})

test.each<[Edit, string]>([
  [{ kind: 'addField', table: 'visit', id: 'x', name: 'Note', holds: 'passage' }, 'Add Note (passage) to Visit'],
  [change('height', { name: 'Height' }), 'Rename Visit → Ladder height to Height'],
  [change('height', { kind: 'whole' }), 'Make Visit → Ladder height whole number'],
  [{ kind: 'setKey', table: 'visit', fields: ['height', 'state'] }, 'Make Ladder height and State the key of Visit'],
  [{ kind: 'tieNeed', need: 'n2', part: 'height', met: true }, 'Visit → Ladder height meets need 2'],
  [{ kind: 'changeLook', name: 'Otterby' }, 'Call the book Otterby'],
])('history tells %o as “%s”', (edit, words) => {
  expect(sayEdit(small, edit)).toBe(words)
})
