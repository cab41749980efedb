import fc from 'fast-check'
import { expect, test } from 'vitest'
import { Designing } from '@/tests/support/derived-design'
import { field } from '@/tests/support/edits'
import { tableOf } from '../../book'
import { evaluate, type Facts } from '../../expressions'
import type { Value } from '../../kinds'
import { ownRules } from '../own-rules'
import { ruleDoubts } from './doubts'
import { atLeast, runs } from '@/tests/support/runs'

const now = { moment: '2027-03-12T09:30' }
const words = (...all: string[]) => ({ choices: all.map((word) => ({ id: word, word })) })

const trip = (...rules: readonly string[]) => {
  const design = new Designing().do(
    { kind: 'addTable', id: 'trip', name: 'Trip', keyField: 'trip-key' },
    ...field('trip', 'seats', 'Seats', 'whole', { least: '1', most: '4' }),
    ...field('trip', 'guests', 'Guests', 'whole', { least: '0', most: '5' }),
    ...field('trip', 'share', 'Share', 'exact', { digits: 1, decimals: 1, least: '0', most: '1' }),
    ...field('trip', 'out', 'Out', 'date'),
    ...field('trip', 'back', 'Back', 'date'),
    ...field('trip', 'home', 'Home', 'date'),
    ...field('trip', 'state', 'State', 'choice', words('asked', 'sure', 'off')),
    ...field('trip', 'paid', 'Paid', 'tick'),
  )
  for (const [at, source] of rules.entries())
    design.do({
      kind: 'addRule',
      id: `r${at}`,
      table: 'trip',
      words: source,
      says: { kind: 'holds', tree: design.tree('trip', source) },
    })
  return design.book
}

const doubts = (...rules: readonly string[]) => {
  const book = trip(...rules)
  return ruleDoubts(book, tableOf(book, 'trip')).map((doubt) =>
    doubt.kind === 'never'
      ? `never ${doubt.rule.id}${doubt.because.map(({ id }) => ` by ${id}`).join('')}`
      : `against ${doubt.rules.map(({ id }) => id).join(' ')}`,
  )
}

test.each([
  [['Seats <= 9'], ['never r0']],
  [['Seats <= 4 AND Guests >= 0'], ['never r0']],
  [['Guests < Seats + 5'], ['never r0']],
  [['Guests < Seats + 4'], []],
  [['Seats > 4'], ['against r0']],
  [['Guests >= 3', 'Guests < 3'], ['against r0 r1']],
  [['Guests > 2', 'Guests > 1'], ['never r1 by r0']],
  [['Guests > 1', 'Guests > 2'], []],
  [['Back >= Out', 'Home > Back', 'Home < Out'], ['against r0 r1 r2']],
  [["Back >= Out + INTERVAL '2' DAY", 'Home >= Back', 'Home - Out <= 1'], ['against r0 r1 r2']],
  [['Back >= Out', 'Back > Out'], []],
  [['Back > Out', 'Back >= Out'], ['never r1 by r0']],
  [["State IN ('asked', 'sure', 'off')"], ['never r0']],
  [["State = 'asked'", "State <> 'ASKED'"], ['against r0 r1']],
  [["State <> 'asked' AND State <> 'sure' AND State <> 'off'"], ['against r0']],
  [['Paid OR NOT Paid'], ['never r0']],
  [['Paid', 'NOT Paid'], ['against r0 r1']],
  [["NOT (State = 'sure') OR Guests > 2", "NOT (State = 'sure') OR Guests > 0"], ['never r1 by r0']],
  [["NOT (State = 'sure') OR Guests > 2", "NOT (State = 'sure') OR Guests < 1"], []],
  [['Out IS NULL OR Back IS NULL'], []],
  [['Share < 0.1', 'Share > 0'], ['against r0 r1']],
  [['Share BETWEEN 0 AND 1'], ['never r0']],
  [["State LIKE 'a%'", "State LIKE 'b%'"], []],
  [['MOD(Guests, 2) = 0', 'MOD(Guests, 2) = 1'], ['against r0 r1']],
])('%j: %j', (rules, found) => {
  expect(doubts(...rules)).toEqual(found)
})

/** Every record that could be entered, with a few days to choose from. */
function* records(filled: boolean): Generator<Record<string, Value>> {
  const blank = filled ? [] : [null]
  const some = (...values: Value[]) => [...values, ...blank]
  for (const seats of some('1', '2', '3', '4'))
    for (const guests of some('0', '1', '2', '3', '4', '5'))
      for (const state of some('asked', 'sure', 'off'))
        for (const out of some('2027-03-01', '2027-03-02', '2027-03-04'))
          for (const back of some('2027-03-01', '2027-03-03'))
            for (const paid of ['0', '1']) yield { seats, guests, state, out, back, paid }
}

const factsOf = (record: Record<string, Value>): Facts => ({
  value: (id) => record[id.replace('trip-', '').replace('trip_', '')] ?? null,
  linked: () => undefined,
  rows: () => [],
})

const number = fc.constantFrom('Seats', 'Guests', 'Seats + 1', 'Guests - 2', '0', '2', '3', '6', 'Back - Out')
const atom = fc.oneof(
  fc.tuple(number, fc.constantFrom('<', '<=', '=', '<>', '>', '>='), number).map((parts) => parts.join(' ')),
  fc
    .tuple(
      fc.constantFrom('Out', 'Back', "Out + INTERVAL '1' DAY"),
      fc.constantFrom('<', '<=', '>', '<>'),
      fc.constantFrom('Back', 'Out'),
    )
    .map((parts) => parts.join(' ')),
  fc.constantFrom(
    "State = 'sure'",
    "State <> 'off'",
    "State IN ('asked', 'off')",
    'Paid',
    'NOT Paid',
    'Seats IS NULL',
    'Guests IN (1, 3)',
  ),
)
const source = fc.oneof(
  atom,
  fc.tuple(atom, fc.constantFrom(' AND ', ' OR '), atom).map((parts) => parts.join('')),
  fc.tuple(atom, atom).map(([a, b]) => `NOT (${a}) OR ${b}`),
)

test('what is said of rules is so for every record', () => {
  let spoke = 0
  fc.assert(
    fc.property(fc.array(source, { minLength: 1, maxLength: 4 }), (sources) => {
      let book
      try {
        book = trip(...sources)
      } catch {
        return
      }
      const found = ruleDoubts(book, tableOf(book, 'trip'))
      const trees = new Map(
        ownRules(book, 'trip').flatMap(({ rule, compiled }) =>
          compiled?.kind === 'holds' ? [[rule.id, compiled.tree]] : [],
        ),
      )
      const gives = (id: string, record: Record<string, Value>) => {
        const tree = trees.get(id)
        return tree ? evaluate(tree, factsOf(record), now) : null
      }
      for (const doubt of found) {
        spoke++
        if (doubt.kind === 'never')
          for (const record of records(false)) {
            const others = doubt.because.some(({ id }) => gives(id, record) === '0')
            expect(others || gives(doubt.rule.id, record) !== '0').toBe(true)
          }
        else
          for (const record of records(true))
            expect(doubt.rules.every(({ id }) => gives(id, record) === '1')).toBe(false)
      }
    }),
    runs(150),
  )
  expect(spoke).toBeGreaterThan(atLeast(20))
})
