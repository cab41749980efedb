import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { wordProblem } from '../../words'
import {
  type Book,
  type Edit,
  emptyBook,
  faultsOf,
  findField,
  findTable,
  applyEdit,
  numberAsKey,
  pairAsKey,
  tableOf,
} from '..'

const refusal = (book: Book, edit: Edit) => {
  const next = applyEdit(book, edit)
  return next.ok ? undefined : wordProblem(next.problem)
}
const fuels = ['oil', 'wood'].map((word) => ({ id: word, word }))
const stoves = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'stove', name: 'Stove', keyField: 'stove-key' },
  { kind: 'addField', table: 'stove', id: 'fuel', name: 'Fuel', holds: 'choice' },
  { kind: 'changeField', field: 'fuel', to: { choices: fuels, startsAs: 'oil', must: true, note: 'As on the plate' } },
  { kind: 'addNeeds', needs: [{ id: 'need', text: 'Each stove burns oil or wood.' }] },
  { kind: 'tieNeed', need: 'need', part: 'fuel', met: true },
)
const toList: Edit = { kind: 'choicesToList', field: 'fuel', id: 'list', keyField: 'word', link: 'link', name: 'Fuel' }

test('a choice becomes a link to a list of its words, with what else was said of it', () => {
  const book = made(stoves, toList)
  expect(faultsOf(book)).toEqual([])
  expect(findTable(book, 'list')).toMatchObject({ name: 'Fuel', role: 'word-list', words: fuels, key: ['word'] })
  expect(findField(book, 'fuel')?.field).toEqual({
    id: 'fuel',
    name: 'Fuel',
    kind: 'link',
    must: true,
    note: 'As on the plate',
  })
  expect(book.links).toMatchObject([{ one: 'list', many: 'stove', field: 'fuel' }])
  expect(book.needs[0]?.metBy).toEqual(['fuel', 'list'])
})

test('a list becomes the choices of every field that uses it', () => {
  const book = made(stoves, toList, { kind: 'listToChoices', table: 'list' })
  expect(faultsOf(book)).toEqual([])
  expect(findTable(book, 'list')).toBeUndefined()
  expect(findField(book, 'fuel')?.field).toMatchObject({ kind: 'choice', choices: fuels, must: true })
  expect(book.needs[0]?.metBy).toEqual(['fuel'])
})

test('a list that holds more than words stays a list', () => {
  const book = made(stoves, toList, { kind: 'addField', table: 'list', id: 'price', name: 'Price', holds: 'money' })
  expect(refusal(book, { kind: 'listToChoices', table: 'list' })).toMatch(/^Fuel holds more than words/)
  expect(refusal(stoves, { kind: 'listToChoices', table: 'stove' })).toMatch(/^Stove holds more than words/)
  expect(refusal(stoves, { ...toList, name: 'Stove' })).toMatch(/already a table called “Stove”/)
})

test('the words of a list are checked like choices', () => {
  const book = made(stoves, toList)
  const words = (...list: string[]): Edit => ({
    kind: 'changeWords',
    table: 'list',
    words: list.map((word, at) => ({ id: `w${at}`, word })),
  })
  expect(findTable(made(book, words('peat', 'gas')), 'list')?.words?.map(({ word }) => word)).toEqual(['peat', 'gas'])
  expect(findTable(made(book, words()), 'list')).not.toHaveProperty('words')
  expect(refusal(book, words('peat', 'Peat'))).toMatch(/Peat/)
  expect(refusal(made(book, { kind: 'changeField', field: 'word', to: { length: 3 } }), words('peat'))).toMatch(/3/)
  expect(refusal(book, { ...words('a'), table: 'stove' } as Edit)).toMatch(/no longer in the book/)
})

test('a limit goes on counting a word that is reworded, and goes with a word that goes', () => {
  const book = made(
    stoves,
    { kind: 'addTable', id: 'house', name: 'House', keyField: 'house-key' },
    {
      kind: 'answerPairing',
      a: 'house',
      b: 'stove',
      aHasSeveral: true,
      bHasSeveral: false,
      aMust: false,
      bMust: false,
      ids: { table: 't', links: ['in', 'm'], fields: ['at', 'n'] },
    },
    { kind: 'limitLink', link: 'in', limits: [{ id: 'l', most: 2, when: { field: 'fuel', is: 'wood' } }] },
  )
  const choose = (...words: [string, string][]): Edit => ({
    kind: 'changeField',
    field: 'fuel',
    to: { choices: words.map(([id, word]) => ({ id, word })) },
  })
  const limits = (edit: Edit) => made(book, edit).links[0]?.limits
  expect(limits(choose(['oil', 'oil'], ['wood', 'logs']))).toMatchObject([{ when: { is: 'logs' } }])
  expect(limits(choose(['oil', 'oil']))).toBeUndefined()
  expect(limits({ kind: 'changeField', field: 'fuel', to: { kind: 'line' } })).toBeUndefined()
})

test('a table keyed by two links joins; with a number of its own it is a thing of its own', () => {
  const joined = made(
    stoves,
    { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'visit-key' },
    {
      kind: 'answerPairing',
      a: 'visit',
      b: 'stove',
      aHasSeveral: true,
      bHasSeveral: true,
      aMust: false,
      bMust: false,
      ids: { table: 'both', links: ['l1', 'l2'], fields: ['f1', 'f2'] },
    },
    { kind: 'addField', table: 'both', id: 'own', name: 'Line', holds: 'running' },
  )
  let last = 0
  const own = made(joined, ...numberAsKey(tableOf(joined, 'both'), () => `id${last++}`))
  expect(findTable(own, 'both')).toMatchObject({
    key: ['id0'],
    fields: [{ name: 'Visit stove number', kind: 'running' }, {}, {}, {}],
  })
  expect(findTable(own, 'both')?.role).toBeUndefined()
  const back = made(own, ...pairAsKey(own, tableOf(own, 'both'))!)
  expect(findTable(back, 'both')).toMatchObject({ role: 'joining', key: ['f1', 'f2'] })
  expect(findTable(back, 'both')?.fields.map(({ id }) => id)).toEqual(['f1', 'f2', 'own'])
  // A table with one link, or one that others lead to by its number, keeps it.
  expect(pairAsKey(own, tableOf(own, 'stove'))).toBeUndefined()
})

test('a live name is chosen, refused with why, and gives way where its field moves', () => {
  const name = (part: string, words: string): Edit => ({ kind: 'nameLive', part, name: words })
  const book = made(stoves, name('stove', 'ovens'), name('fuel', 'Burns'))
  expect([findTable(book, 'stove')?.liveName, findField(book, 'fuel')?.field.liveName]).toEqual(['ovens', 'Burns'])
  expect(findTable(made(book, name('stove', '')), 'stove')).not.toHaveProperty('liveName')
  expect(refusal(book, name('stove', 'select'))).toBe(
    '“select” can’t be a name in the database, because databases keep that word to themselves.',
  )
  expect(refusal(book, name('stove-key', 'BURNS'))).toMatch(/called so already/)
  const copy = made(book, {
    kind: 'copyTable',
    table: 'stove',
    id: 'copy',
    name: 'Other',
    ids: { 'stove-key': 'copy-key', fuel: 'copy-fuel' },
  })
  expect(faultsOf(copy)).toEqual([])
})
