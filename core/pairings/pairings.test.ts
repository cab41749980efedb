import fc from 'fast-check'
import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { aimed, dice } from '@/tests/support/random-edits'
import { type Book, emptyBook, applyEdit, type Edit } from '../book'
import { plainLook } from '../kinds'
import { wordProblem } from '../words'
import { allPairs, feetFor, openPairs, pairState, sayOutcome } from '.'

const bookOf = (...edits: Edit[]): Book => made(emptyBook('Test', plainLook), ...edits)

const table = (id: string): Edit => ({ kind: 'addTable', id, name: id, keyField: `${id}-key` })
const answer = (
  aHasSeveral: boolean,
  bHasSeveral: boolean,
  more: Partial<Extract<Edit, { kind: 'answerPairing' }>> = {},
): Edit => ({
  kind: 'answerPairing',
  a: 'Visit',
  b: 'Part',
  aHasSeveral,
  bHasSeveral,
  aMust: false,
  bMust: false,
  ids: { table: 'joining', links: ['l1', 'l2'], fields: ['f1', 'f2'] },
  ...more,
})
const pair = [table('Visit'), table('Part')]

test('every answer that can be given is given back as it was', () => {
  for (const bits of Array.from({ length: 16 }, (_, at) => at)) {
    const answers = { aHasSeveral: !!(bits & 1), bHasSeveral: !!(bits & 2), aMust: !!(bits & 4), bMust: !!(bits & 8) }
    const state = pairState(bookOf(...pair, answer(answers.aHasSeveral, answers.bHasSeveral, answers)), 'Visit', 'Part')
    expect(state.kind === 'tied' && state.ties.map((tie) => tie.answers)).toEqual([answers])
  }
})

test('many to many makes a joining table whose pair is its key', () => {
  const book = bookOf(...pair, answer(true, true))
  expect(book.tables.find((one) => one.id === 'joining')).toMatchObject({
    name: 'Visit part',
    role: 'joining',
    key: ['f1', 'f2'],
  })
  expect(feetFor({ aHasSeveral: true, bHasSeveral: true, aMust: false, bMust: true })).toEqual({
    atA: 'one-or-more',
    atB: 'none-or-more',
  })
})

test('one to many puts the link on the many side, behind the key', () => {
  const [, part] = bookOf(...pair, answer(true, false, { bMust: true })).tables
  expect(part!.fields.map((field) => [field.name, field.kind, field.must])).toEqual([
    ['Part number', 'running', true],
    ['Visit', 'link', true],
  ])
})

test('a table can be tied to itself, and two tables twice, by other names', () => {
  const book = bookOf(
    ...pair,
    answer(true, false),
    answer(true, false, { name: 'Second visit', ids: { table: 'x', links: ['l3', 'l4'], fields: ['f3', 'f4'] } }),
    {
      ...answer(true, false, { name: 'Follows', ids: { table: 'y', links: ['l5', 'l6'], fields: ['f5', 'f6'] } }),
      b: 'Visit',
    } as Edit,
  )
  const state = pairState(book, 'Visit', 'Part')
  expect(state.kind === 'tied' && state.ties.map((tie) => tie.name)).toEqual(['Visit', 'Second visit'])
  expect(pairState(book, 'Visit', 'Visit').kind).toBe('tied')
})

test('an answer that replaces another leaves nothing of the first behind', () => {
  const book = bookOf(
    ...pair,
    answer(true, false),
    answer(true, true, { instead: 'l1', ids: { table: 'j2', links: ['l3', 'l4'], fields: ['f3', 'f4'] } }),
  )
  expect(book.links.map((link) => link.id)).toEqual(['l3', 'l4'])
  expect(book.tables.find((one) => one.id === 'Part')!.fields).toHaveLength(1)
})

test('a link turned round is called after the other table, keeps a name that was chosen, and meets the same needs', () => {
  const needs: Edit[] = [
    { kind: 'addNeeds', needs: [{ id: 'n', text: 'Which parts went into a visit.' }] },
    { kind: 'tieNeed', need: 'n', part: 'l1', met: true },
  ]
  const turn = (name: string) =>
    answer(false, true, { instead: 'l1', name, ids: { table: 'j', links: ['l3', 'l4'], fields: ['f3', 'f4'] } })
  const fieldOf = (book: Book) => book.tables.flatMap((one) => one.fields).find(({ id }) => id === 'f3')!.name
  const turned = bookOf(...pair, answer(true, false), ...needs, turn('Visit'))
  expect([fieldOf(turned), turned.links[0]!.many, turned.needs[0]!.metBy]).toEqual(['Part', 'Visit', ['l3']])
  const chosen = bookOf(...pair, answer(true, false, { name: 'Fitted' }), ...needs, turn('Fitted'))
  expect(fieldOf(chosen)).toBe('Fitted')
  const joined = answer(true, true, {
    instead: 'l1',
    name: 'Visit',
    ids: { table: 'j', links: ['l3', 'l4'], fields: ['f3', 'f4'] },
  })
  const both = bookOf(...pair, answer(true, false), ...needs, joined)
  expect([both.tables.at(-1)!.name, both.needs[0]!.metBy]).toEqual(['Visit part', ['j']])
})

test('a joining table that keeps facts is not thrown away with a new answer', () => {
  const book = bookOf(...pair, answer(true, true), {
    kind: 'addField',
    table: 'joining',
    id: 'q',
    name: 'Quantity',
    holds: 'whole',
  })
  const made = applyEdit(book, { kind: 'untie', tie: 'joining' })
  expect(!made.ok && wordProblem(made.problem)).toBe(
    'Visit part has fields of its own (Quantity). Remove the table yourself if they may go.',
  )
})

test('pairs nobody answered are open until tied or said to have no tie', () => {
  const three = [...pair, table('Van')]
  expect(allPairs(bookOf(...three))).toHaveLength(3)
  const book = bookOf(...three, answer(true, false), { kind: 'sayNoTie', a: 'Visit', b: 'Van', id: 'none' })
  expect(openPairs(book).map(({ a, b }) => `${a.name} ${b.name}`)).toEqual(['Part Van'])
})

test('what comes of the answers is said in the office’s words', () => {
  const [visit, part] = bookOf(...pair).tables
  expect(sayOutcome(visit!, part!, { aHasSeveral: true, bHasSeveral: false, aMust: false, bMust: true })).toEqual({
    head: 'Each part gets a link to one visit.',
    text: 'Parts get the field “Visit”, which must be filled. A visit can have any number of parts.',
  })
})

test('the open pairs are those whose state is to be asked, whatever is done to a book', () => {
  fc.assert(
    fc.property(fc.array(dice, { maxLength: 40 }), (throws) => {
      let book = emptyBook('Any', plainLook)
      for (const [turn, one] of throws.entries()) {
        const done = applyEdit(book, aimed(book, one, turn))
        if (done.ok) book = done.value.book
      }
      const asked = allPairs(book).filter(({ a, b }) => pairState(book, a.id, b.id).kind === 'ask')
      const name = ({ a, b }: (typeof asked)[number]) => `${a.id} ${b.id}`
      expect(openPairs(book).map(name).sort()).toEqual(asked.map(name).sort())
    }),
  )
})
