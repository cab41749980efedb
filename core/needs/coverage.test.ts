import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { type Book, type Edit, emptyBook } from '../book'
import { plainLook } from '../kinds'
import { coverageOf, noPlaceFor, noRuleFor, proposalsFor, type Reading, unaskedFor } from '.'

const at = (need: number) => [{ need, start: 0, end: 3 }]
const reading: Reading = {
  tables: [
    {
      name: 'Dog',
      fields: [
        { name: 'Name', kind: 'line', evidence: at(0) },
        { name: 'Weight', kind: 'exact', evidence: at(0) },
      ],
      evidence: at(0),
    },
  ],
  ties: [],
  questions: [
    { text: 'Which dogs are here', tables: ['Dog'], evidence: at(1) },
    { text: 'Which cats are here', tables: ['Cat'], evidence: at(2) },
  ],
  open: [],
  phrases: [],
}
const needs: Edit = { kind: 'addNeeds', needs: ['a', 'b', 'c', 'd'].map((id) => ({ id, text: `Need ${id}` })) }
const dog: Edit[] = [
  { kind: 'addTable', id: 'dog', name: 'Dog', keyField: 'dog-key' },
  { kind: 'addField', table: 'dog', id: 'name', name: 'Name', holds: 'line' },
]
const tick = (need: string, part: string): Edit => ({ kind: 'tieNeed', need, part, met: true })
const bookOf = (...edits: Edit[]) => made(emptyBook('Test', plainLook), ...edits)
const coverage = (book: Book) => coverageOf(book, proposalsFor(book, reading))

test('a need is not met before anything is ticked, and its words say what is missing', () => {
  expect(coverage(bookOf(needs))[0]).toEqual({
    state: 'not',
    open: 3,
    why: 'The words also mention Dog, Dog → Name and Dog → Weight.',
  })
})

test('it is met in part while its words ask for more, and wholly once that is there or dismissed', () => {
  const part = bookOf(needs, ...dog, tick('a', 'dog'))
  expect(coverage(part)[0]).toEqual({ state: 'part', open: 1, why: 'The words also mention Dog → Weight.' })
  const dismissed = made(part, { kind: 'dismiss', id: 'w', what: 'field/dog/weight', name: 'Weight' })
  expect(coverage(dismissed)[0]).toEqual({ state: 'met', open: 0 })
})

test('a question is met by ticking, and says which table it lacks', () => {
  const book = bookOf(needs, ...dog)
  expect(coverage(book)[1]?.why).toBe('Tick the tables that answer it.')
  expect(coverage(book)[2]?.why).toBe('The design has no cats to answer it from.')
  expect(coverage(made(book, tick('b', 'dog')))[1]).toEqual({ state: 'met', open: 0 })
})

test('what a need names has a place in the design, or was said to need none; else it is met in part', () => {
  const words = (said: string, ...place: string[]) => ({ words: said, place, evidence: at(1)[0]! })
  const phrases = [words('Names', 'names', 'name'), words('tower crew', 'crew'), words('promised … day', 'promised')]
  const asked = (book: Book) => coverageOf(book, proposalsFor(book, { ...reading, phrases }))[1]
  const book = bookOf(needs, ...dog, tick('b', 'dog'))
  expect(asked(book)).toEqual({
    state: 'part',
    open: 0,
    why: 'Nothing in the design is called “tower crew” and “promised … day”. Add what is missing, or say that it needs no place.',
    unplaced: ['tower crew', 'promised … day'],
  })
  const none: Edit = { kind: 'dismiss', id: 'w', what: noPlaceFor('b', 'tower crew'), name: 'tower crew' }
  const added: Edit = { kind: 'addField', table: 'dog', id: 'day', name: 'Promised for', holds: 'date' }
  expect(asked(made(book, none))?.unplaced).toEqual(['promised … day'])
  expect(asked(made(book, none, added))).toEqual({ state: 'met', open: 0 })
  // Another need's words are another's.
  expect(asked(made(book, added, { ...none, what: noPlaceFor('a', 'tower crew') }))?.state).toBe('part')
})

test('a need that lays down a rule is met in part until a rule is ticked for it, or none is needed', () => {
  const rule: Edit[] = [
    { kind: 'changeNeed', need: 'd', text: 'A dog must never be walked twice at the same time. Dogs are kept.' },
    { kind: 'addRule', id: 'once', table: 'dog', says: { kind: 'holds', tree: true }, words: 'Walked already.' },
  ]
  const book = bookOf(needs, ...dog, ...rule, tick('d', 'dog'))
  expect(coverage(book)[3]).toEqual({
    state: 'part',
    open: 0,
    rule: true,
    why: '“must never be walked twice at the same time” lays down a rule. Make it in Rules and tick it here, or say that none is needed.',
  })
  const met = { state: 'met', open: 0 }
  const ticked = made(book, tick('d', 'once'))
  expect(coverage(ticked)[3]).toEqual(met)
  expect(coverage(made(ticked, { kind: 'removeRule', rule: 'once' }))[3]).toMatchObject({ state: 'part' })
  expect(coverage(made(book, { kind: 'dismiss', id: 'w', what: noRuleFor('d'), name: 'the rule' }))[3]).toEqual(met)
})

test('where a limit was read from the words, nothing more is asked', () => {
  const text = 'A dog has at most three walks.'
  const book = bookOf(needs, ...dog, { kind: 'changeNeed', need: 'd', text }, tick('d', 'dog'))
  const limited = {
    ...reading,
    ties: [
      {
        from: 'Dog',
        to: 'Dog',
        kind: '1-n',
        must: false,
        least: false,
        limit: { most: 3, per: 'Dog', of: 'Dog' },
        fields: [],
        verb: 'have',
        evidence: [{ need: 3, start: 0, end: text.length }],
      },
    ],
  } as const satisfies Reading
  expect(coverageOf(book, { ...proposalsFor(book, reading), reading: limited })[3]?.state).toBe('met')
  expect(coverage(book)[3]?.state).toBe('part')
})

test('a need of which nothing was read can only be ticked', () => {
  expect(coverage(bookOf(needs))[3]).toEqual({ state: 'not', open: 0, why: 'Tick what meets it.' })
})

test('nobody asked for what neither is ticked nor leads to it', () => {
  const tables: Edit[] = ['Owner', 'Van'].map((id) => ({ kind: 'addTable', id, name: id, keyField: `${id}-key` }))
  const owned: Edit = {
    kind: 'answerPairing',
    a: 'Owner',
    b: 'dog',
    aHasSeveral: true,
    bHasSeveral: false,
    aMust: false,
    bMust: true,
    ids: { table: 't', links: ['l', 'm'], fields: ['f', 'g'] },
  }
  const book = bookOf(needs, ...dog, ...tables, owned, tick('a', 'name'))
  // A dog leads to its owner, so the owner is asked for; the van is not.
  expect(unaskedFor(book)).toEqual([{ table: 'Van', fields: [], whole: true }])
})
