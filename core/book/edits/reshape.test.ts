import { expect, test } from 'vitest'
import { tie } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import { type Book, type Edit, emptyBook, faultsOf, findTable, applyEdit } from '..'

const refusal = (book: Book, edit: Edit) => {
  const next = applyEdit(book, edit)
  return next.ok ? undefined : wordProblem(next.problem)
}

const table = (id: string, ...fields: string[]): Edit[] => [
  { kind: 'addTable', id, name: id, keyField: `${id}-key` },
  ...fields.map((name): Edit => ({ kind: 'addField', table: id, id: `${id}-${name}`, name, holds: 'line' })),
]
const link = (one: string, many: string) =>
  tie(one, many, { link: `${one}-${many}`, field: `${many}-to-${one}` }, { bMust: true })
const names = (book: Book, id: string) => findTable(book, id)?.fields.map((field) => field.name)

const stoves = made(
  emptyBook('Test', plainLook),
  ...table('Maker', 'Name'),
  ...table('Stove', 'Room', 'Make', 'Fuel'),
  ...table('Visit', 'Day'),
  link('Maker', 'Stove'),
  link('Stove', 'Visit'),
  { kind: 'addNeeds', needs: [{ id: 'n', text: 'Each model has a make and a fuel.' }] },
  { kind: 'tieNeed', need: 'n', part: 'Stove-Fuel', met: true },
)
const split = (as: 'kind' | 'rows', fields: string[], name = 'Model'): Edit => ({
  kind: 'splitTable',
  table: 'Stove',
  id: 'model',
  keyField: 'model-key',
  link: 'model-link',
  linkField: 'model-field',
  name,
  fields,
  as,
})

test('a kind takes its facts and links along; each thing leads to one kind', () => {
  const book = made(stoves, split('kind', ['Stove-Make', 'Stove-Fuel', 'Stove-to-Maker']))
  expect(names(book, 'model')).toEqual(['Model number', 'Maker', 'Make', 'Fuel'])
  expect(names(book, 'Stove')).toEqual(['Stove number', 'Room', 'Model'])
  expect(book.links.find((one) => one.id === 'Maker-Stove')?.many).toBe('model')
  expect(book.links.find((one) => one.id === 'model-link')).toMatchObject({
    one: 'model',
    many: 'Stove',
    onRemove: 'keep',
  })
  expect(book.needs[0]?.metBy).toEqual(['Stove-Fuel', 'model'])
  expect(findTable(book, 'model')?.knownBy).toEqual(['Stove-Make'])
  expect(faultsOf(book)).toEqual([])
})

test('rows hang on the thing they were taken from and go with it', () => {
  const book = made(stoves, split('rows', ['Stove-Fuel'], 'Fuel burnt'))
  expect(names(book, 'model')).toEqual(['Fuel burnt number', 'Fuel', 'Stove'])
  expect(book.links.find((one) => one.id === 'model-link')).toMatchObject({
    one: 'Stove',
    many: 'model',
    onRemove: 'remove',
  })
  expect(faultsOf(book)).toEqual([])
})

test('a key can’t move, and a name can’t be taken', () => {
  expect(refusal(stoves, split('kind', ['Stove-key']))).toBe(
    'Stove number is the key and stays where it is. Choose other fields, or another key first.',
  )
  expect(refusal(stoves, split('kind', ['Stove-Make'], 'visit'))).toMatch(/already a table called/)
})

test('two tables become one: links lead there, like facts once, needs follow', () => {
  const two = made(
    stoves,
    ...table('Boiler', 'Room', 'Litres'),
    ...table('Bill', 'Amount'),
    link('Boiler', 'Bill'),
    { kind: 'tieNeed', need: 'n', part: 'Boiler', met: true },
    { kind: 'tieNeed', need: 'n', part: 'Boiler-Room', met: true },
  )
  const book = made(two, { kind: 'mergeTables', from: 'Boiler', into: 'Stove' })
  expect(names(book, 'Stove')).toEqual(['Stove number', 'Maker', 'Room', 'Make', 'Fuel', 'Litres'])
  expect(book.links.find((one) => one.id === 'Boiler-Bill')?.one).toBe('Stove')
  expect(book.needs[0]?.metBy).toEqual(['Stove-Fuel', 'Stove', 'Stove-Room'])
  expect(faultsOf(book)).toEqual([])
})

test('two tables tied to each other become one without a tie to itself', () => {
  const book = made(stoves, { kind: 'mergeTables', from: 'Visit', into: 'Stove' })
  expect(names(book, 'Stove')).toEqual(['Stove number', 'Maker', 'Room', 'Make', 'Fuel', 'Day'])
  expect(book.links.map((one) => one.id)).toEqual(['Maker-Stove'])
})

test('several edits as one are all made or none', () => {
  const together = (...edits: Edit[]): Edit => ({ kind: 'together', say: 'Both', edits })
  expect(
    refusal(stoves, together({ kind: 'removeField', field: 'Stove-Fuel' }, { kind: 'removeField', field: 'nobody' })),
  ).toMatch(/removed|no longer/)
  const book = made(
    stoves,
    together({ kind: 'removeField', field: 'Stove-Fuel' }, { kind: 'renameTable', table: 'Stove', name: 'Fire' }),
  )
  expect(findTable(book, 'Stove')).toMatchObject({ name: 'Fire' })
})

test('a limit goes with the field it asked, or with its link', () => {
  const limited = made(
    stoves,
    { kind: 'addField', table: 'Visit', id: 'led', name: 'Led', holds: 'tick' },
    {
      kind: 'limitLink',
      link: 'Stove-Visit',
      limits: [
        { id: 'a', most: 3 },
        { id: 'b', most: 1, when: { field: 'led', is: '1' } },
      ],
    },
  )
  const book = made(limited, { kind: 'removeField', field: 'led' })
  expect(book.links.find((one) => one.id === 'Stove-Visit')?.limits).toEqual([{ id: 'a', most: 3 }])
})
