import { describe, expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { hiring, ruled, rulings } from '@/tests/support/ruled-design'
import { type Book, findField, type RuleSays, tableOf } from '../book'
import { wordProblem } from '../words'
import { readRuleSays, sayRule } from './compiled-rule'

const design = hiring()
const { book } = design
const read = (table: string, says: RuleSays, more: { onlyNew?: true; warns?: true } = {}, of: Book = book) =>
  readRuleSays(of, tableOf(of, table), { says, ...more })
const problemOf = (...asked: Parameters<typeof read>) => {
  const found = read(...asked)
  return 'problem' in found ? wordProblem(found.problem) : undefined
}
const holds = (source: string, table = 'hire'): RuleSays => ({ kind: 'holds', tree: design.tree(table, source) })

describe('how a rule is said', () => {
  test.each([
    ['within', '"To day" >= "From day"'],
    ['together', 'no two have the same Hire and What'],
    ['alike', 'no two have the same Seats and Floor, where empty counts as the same as empty'],
    ['apart', "no two overlap from From day to To day for the same Room, unless State = 'called off'"],
    ['closed', "nothing but Note changes once State = 'over'"],
    ['follows', 'State: asked → agreed or called off · agreed → over or called off'],
  ])('%s: %s', (id, words) => {
    expect(sayRule(book, { says: rulings[id]!.says(design) })).toBe(words)
  })

  test('what has no exceptions, no conditions and nothing after it goes without them', () => {
    expect(sayRule(book, { says: { kind: 'apart', same: [], from: 'from', to: 'to' } })).toBe(
      'no two overlap from From day to To day',
    )
    const once = design.tree('hire', "State = 'over'")
    expect(sayRule(book, { says: { kind: 'closed', once, except: [], rows: false } })).toBe(
      "nothing changes once State = 'over'",
    )
    expect(sayRule(book, { says: { kind: 'follows', field: 'state', steps: [{ from: 'over', to: [] }] } })).toBe(
      'State: over → nothing else',
    )
  })

  test('words and fields that are gone are left out, and named as gone', () => {
    const steps = [
      { from: 'lost', to: ['over'] },
      { from: 'asked', to: ['lost', 'over'] },
    ]
    expect(sayRule(book, { says: { kind: 'follows', field: 'state', steps } })).toBe('State: asked → over')
    expect(sayRule(book, { says: { kind: 'follows', field: 'lost', steps: [] } })).toContain('a field that is gone: ')
    expect(sayRule(book, { says: { kind: 'together', fields: ['lost', 'seats'], blanks: 'differ' } })).toBe(
      'no two have the same a field that is gone and Seats',
    )
  })
})

describe('why a rule can’t hold as it is', () => {
  const gone = 'It uses fields that Hire no longer has.'
  test.each<readonly [string, RuleSays, string]>([
    ['fields that are elsewhere', { kind: 'together', fields: ['seats', 'guests'], blanks: 'differ' }, gone],
    ['a beginning that is gone', { kind: 'apart', same: [], from: 'lost', to: 'to' }, gone],
    ['an end that is gone', { kind: 'apart', same: [], from: 'from', to: 'lost' }, gone],
    ['what is the same is gone', { kind: 'apart', same: ['lost'], from: 'from', to: 'to' }, gone],
    [
      'a beginning that is no time',
      { kind: 'apart', same: [], from: 'guests', to: 'guests' },
      'Guests and Guests must both be dates, both dates with times, or both times.',
    ],
    [
      'times of two kinds',
      { kind: 'apart', same: [], from: 'from', to: 'guests' },
      'From day and Guests must both be dates, both dates with times, or both times.',
    ],
    [
      'an exception that is no condition',
      { kind: 'apart', same: [], from: 'from', to: 'to', unless: design.tree('hire', 'Guests') },
      'A rule is something that is true or not, such as a comparison.',
    ],
    [
      'a closing that is no condition',
      { kind: 'closed', once: design.tree('hire', 'Guests'), except: [], rows: true },
      'A rule is something that is true or not, such as a comparison.',
    ],
    [
      'states of a field without words',
      { kind: 'follows', field: 'note', steps: [] },
      'It uses the choices of a field, which Hire no longer has.',
    ],
    [
      'states of a field that is gone',
      { kind: 'follows', field: 'lost', steps: [] },
      'It uses the choices of a field, which Hire no longer has.',
    ],
    ['no fields', holds('1 > 2'), 'A rule uses at least one field of hire.'],
  ])('%s', (_, says, words) => {
    expect(problemOf('hire', says)).toBe(words)
  })

  test('passages, ticks, files and what is calculated can’t be compared for being the same; copies can', () => {
    const more = made(
      book,
      { kind: 'addField', table: 'hire', id: 'story', name: 'Story', holds: 'passage' },
      { kind: 'addField', table: 'hire', id: 'due', name: 'Due', holds: 'workedOut' },
      { kind: 'changeField', field: 'due', to: { source: design.tree('hire', 'Price * 2') } },
      { kind: 'addField', table: 'hire', id: 'copy', name: 'Seats then', holds: 'copied' },
      { kind: 'changeField', field: 'copy', to: { source: design.tree('hire', 'Room.Seats') } },
    )
    const same = (field: string): RuleSays => ({ kind: 'together', fields: ['guests', field], blanks: 'differ' })
    expect(problemOf('hire', same('story'), {}, more)).toBe('Story of Hire can’t be compared for being the same.')
    expect(problemOf('hire', same('due'), {}, more)).toBe('Due of Hire can’t be compared for being the same.')
    expect(problemOf('hire', same('copy'), {}, more)).toBeUndefined()
    expect(problemOf('hire', { kind: 'apart', same: ['due'], from: 'from', to: 'to' }, {}, more)).toBe(
      'What is the same must be typed or linked in Hire itself.',
    )
  })

  test('what speaks of today may be asked at one moment alone', () => {
    const today = holds('"From day" >= CURRENT_DATE')
    expect(problemOf('hire', today)).toMatch(/changes from day to day/)
    expect(problemOf('hire', today, { onlyNew: true })).toBeUndefined()
    expect(problemOf('hire', today, { warns: true })).toBeUndefined()
  })

  test('without a key only what a row is held to by itself can be kept', () => {
    const keyless = made(book, { kind: 'setKey', table: 'extra', fields: [] })
    const words = 'It looks at several records, which Extra can’t do without a key. Give it one first.'
    const alone = holds('Cost > 1', 'extra')
    expect(problemOf('extra', alone, {}, keyless)).toBeUndefined()
    expect(problemOf('extra', alone, { onlyNew: true }, keyless)).toBe(words)
    expect(problemOf('extra', alone, { warns: true }, keyless)).toBe(words)
    expect(problemOf('extra', holds('Cost <= Hire.Price', 'extra'), {}, keyless)).toBe(words)
    expect(problemOf('extra', { kind: 'together', fields: ['what', 'cost'], blanks: 'differ' }, {}, keyless)).toBe(
      words,
    )
  })
})

test.each([
  ['"To day" >= "From day"', true],
  ['Guests <= Room.Seats', false],
  ['Room IS NOT NULL', false],
  ['COUNT(Extra) > 0', false],
])('whether a row can be held to %s by itself: %s', (source, alone) => {
  expect(read('hire', holds(source))).toMatchObject({ compiled: { kind: 'holds', alone } })
})

test('what freezes is not looked at in the row alone', () => {
  const frozen = hiring().derived('hire', 'due', 'Due', 'workedOut', 'Price * 2', "State = 'over'")
  const says: RuleSays = { kind: 'holds', tree: frozen.tree('hire', 'Due > 1') }
  expect(read('hire', says, {}, frozen.book)).toMatchObject({ compiled: { alone: false } })
})

test('states are told by their words, those that are gone left out', () => {
  const { book: own } = ruled('follows')
  const found = read('hire', own.rules[0]!.says, {}, own)
  const after = 'compiled' in found && found.compiled.kind === 'follows' ? [...found.compiled.after] : []
  expect(after).toEqual([
    ['asked', ['agreed', 'called off']],
    ['agreed', ['over', 'called off']],
  ])
  const lost = { kind: 'follows', field: 'state', steps: [{ from: 'lost', to: ['over'] }] } as const
  const other = read('hire', lost)
  expect('compiled' in other && other.compiled.kind === 'follows' && other.compiled.after.size).toBe(0)
  expect(findField(own, 'state')?.field.choices).toHaveLength(4)
})
