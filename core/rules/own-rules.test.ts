import { wordProblem } from '@/core/words'
import { describe, expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { hiring, ruled as statesOf } from '@/tests/support/ruled-design'
import { type Book, type Edit, emptyBook, type RuleSays, tableOf } from '../book'
import { plainLook } from '../kinds'
import { checkForm, checkRecord } from '../records'
import { ownFacts } from '../expressions'
import { brokenRules, checkRules, ownRules, placeOf, readDraft, rulesInTheWay } from '.'

const base = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'loan', name: 'Loan', keyField: 'key' },
  { kind: 'addField', table: 'loan', id: 'lent', name: 'Lent on', holds: 'date' },
  { kind: 'addField', table: 'loan', id: 'back', name: 'Returned on', holds: 'date' },
  { kind: 'addField', table: 'loan', id: 'fee', name: 'Fee', holds: 'money' },
)

function ruled(book: Book, source: string, words = 'No.', id = 'rule'): Book {
  const read = readDraft(book, tableOf(book, 'loan'), { kind: 'written', source })
  if (!read.says) throw new Error(source)
  const edit: Edit = {
    kind: 'addRule',
    id,
    table: 'loan',
    says: read.says,
    words,
  }
  return made(book, edit)
}

const book = ruled(base, '"Returned on" >= "Lent on"', 'It can’t come back before it went out.')

test('a rule is said at the last of its fields, and only where it is plainly broken', () => {
  const said = { back: { kind: 'in-own-words', words: 'It can’t come back before it went out.' } }
  expect(brokenRules(book, 'loan', { lent: '2027-03-12', back: '2027-03-11' })).toEqual(said)
  expect(brokenRules(book, 'loan', { lent: '2027-03-12', back: '2027-03-12' })).toEqual({})
  expect(brokenRules(book, 'loan', { lent: '2027-03-12', back: null })).toEqual({})
  // What isn't known isn't judged.
  expect(brokenRules(book, 'loan', { back: '2027-03-11' })).toEqual({})
  expect(checkRecord(book, 'loan', { lent: '2027-03-12', back: '2027-03-11' })).toEqual({ ok: false, problem: said })
  const typed = (back: string) =>
    checkForm(
      book,
      'loan',
      { text: { lent: '12.3.2027', back }, labels: {}, insets: {} },
      { moment: '2027-03-12T09:30' },
    )
  expect(typed('11.3.2027')).toMatchObject({ sound: false, problems: said })
  expect(typed('12.3.2027')).toMatchObject({ sound: true, problems: {} })
})

test('rules go on holding under new names, and in money of other decimals', () => {
  const dear = ruled(book, 'Fee <= 12.50', 'Too dear.', 'dear')
  // Asked before, so that what is remembered of it doesn't outlive the change.
  expect(brokenRules(dear, 'loan', { fee: '12.51' })).toMatchObject({ fee: { words: 'Too dear.' } })
  const later = made(
    dear,
    { kind: 'changeField', field: 'fee', to: { name: 'Charge in full' } },
    { kind: 'changeLook', look: { currencyDecimals: 3 } },
  )
  expect(ownRules(later, 'loan').map(({ source }) => source)).toEqual([
    '"Returned on" >= "Lent on"',
    '"Charge in full" <= 12.50',
  ])
  expect(brokenRules(later, 'loan', { fee: '12.501' })).toMatchObject({ fee: { words: 'Too dear.' } })
  expect(rulesInTheWay(later)).toEqual([])
})

test('a rule that looks further than its record follows what it looks at, whatever its kind', () => {
  const design = hiring()
  const add = (id: string, says: RuleSays) => design.do({ kind: 'addRule', id, table: 'hire', words: id, says })
  add('closed', { kind: 'closed', once: design.tree('hire', 'COUNT(Extra) > 3'), except: [], rows: true })
  add('apart', { kind: 'apart', same: [], from: 'from', to: 'to', unless: design.tree('hire', 'Room.Seats > 9') })
  const sources = () => ownRules(design.book, 'hire').map(({ source }) => source)
  expect(sources()).toEqual([
    'nothing changes once COUNT(Extra) > 3',
    'no two overlap from From day to To day, unless Room.Seats > 9',
  ])
  design.do({ kind: 'renameTable', table: 'extra', name: 'Treat' })
  design.do({ kind: 'changeField', field: 'seats', to: { name: 'Chairs' } })
  expect(sources()).toEqual([
    'nothing changes once COUNT(Treat) > 3',
    'no two overlap from From day to To day, unless Room.Chairs > 9',
  ])
  design.do({ kind: 'changeField', field: 'seats', to: { kind: 'line' } })
  expect(rulesInTheWay(design.book).map(wordProblem).join()).toContain('The rule “apart” of Hire can’t be kept')
})

test('a field that holds something else now stops the rule, in words', () => {
  const changed = made(book, { kind: 'changeField', field: 'back', to: { kind: 'line' } })
  expect(rulesInTheWay(changed).map(wordProblem)[0]).toMatch(
    /^The rule “It can’t come back before it went out.” of Loan can’t be kept: Text can’t be compared/,
  )
  expect(brokenRules(changed, 'loan', { lent: '2027-03-12', back: 'x' })).toEqual({})
})

test('rules go with fields that move, also where their fields part', () => {
  const split = (fields: string[]): Edit => ({
    kind: 'splitTable',
    table: 'loan',
    id: 'dates',
    keyField: 'dates-key',
    link: 'dates-link',
    linkField: 'dates-at',
    name: 'Dates',
    fields,
    as: 'rows',
  })
  expect(made(book, split(['lent', 'back'])).rules).toMatchObject([{ id: 'rule', table: 'dates' }])
  // Of each of the dates, over its link back.
  expect(made(book, split(['back'])).rules).toMatchObject([{ id: 'rule', table: 'dates' }])
  expect(rulesInTheWay(made(book, split(['back'])))).toEqual([])
  expect(made(book, split(['lent', 'back']), { kind: 'mergeTables', from: 'dates', into: 'loan' }).rules).toMatchObject(
    [{ id: 'rule', table: 'loan' }],
  )
  expect(made(book, { kind: 'removeField', field: 'lent' }).rules).toEqual([])
})

test('a rule without words, or too long, is refused; changed and removed it says so', () => {
  const changed = made(book, { kind: 'changeRule', rule: 'rule', words: '  Back   before out? ' })
  expect(changed.rules[0]?.words).toBe('Back before out?')
  expect(made(changed, { kind: 'removeRule', rule: 'rule' }).rules).toEqual([])
})

test('a choice that is reworded is reworded wherever an expression compares it, and nowhere else', () => {
  const design = hiring()
  const holds = (id: string, table: string, source: string) =>
    design.do({
      kind: 'addRule',
      id,
      table,
      words: 'No.',
      says: { kind: 'holds', tree: design.tree(table, source) },
    })
  holds('same', 'hire', `NOT (State = 'AGREED') OR Guests > 0`)
  holds('listed', 'hire', `State IN ('asked', 'agreed') OR Note = 'agreed'`)
  design.derived('extra', 'extra-state', 'State of hire', 'borrowed', 'Hire.State')
  holds('borrowed', 'extra', `'agreed' <> "State of hire" OR Hire.State = 'over'`)
  design.derived('hire', 'hire-known', 'Known as', 'workedOut', `CASE WHEN State = 'agreed' THEN Note END`)
  const choices = [
    { id: 'asked', word: 'asked' },
    { id: 'agreed', word: 'settled' },
    { id: 'over', word: 'agreed' },
  ]
  const { book } = design.do({ kind: 'changeField', field: 'state', to: { choices } })
  const said = Object.fromEntries(
    ownRules(book).map(({ rule, source, problem }) => [rule.id, problem ? wordProblem(problem) : source]),
  )
  expect(said).toEqual({
    same: `NOT State = 'settled' OR Guests > 0`,
    listed: `State IN ('asked', 'settled') OR Note = 'agreed'`,
    borrowed: `'settled' <> "State of hire" OR Hire.State = 'agreed'`,
  })
  const known = tableOf(book, 'hire').fields.find(({ id }) => id === 'hire-known')!
  expect(JSON.stringify(known.source)).toContain('settled')
})

describe('words that may come after each other', () => {
  const { book: stated } = statesOf('follows')
  const now = { moment: '2027-03-12T09:30' }
  const broken = (was: string | null, is: string | null, stored = true) =>
    checkRules(stated, 'hire', {
      facts: ownFacts(stated, { state: is }, now),
      now,
      knows: () => true,
      ...(stored && { stored: { state: was } }),
    }).map(({ rule, field, problem }) => [rule.id, field, wordProblem(problem)])
  const said = [['follows', 'state', 'It can’t become that now.']]

  test.each<readonly [was: string | null, is: string | null, refused: boolean]>([
    ['asked', 'agreed', false],
    ['asked', 'over', true],
    ['over', 'asked', true],
    ['asked', 'asked', false],
    [null, 'over', false],
    ['asked', null, false],
  ])('from %s to %s', (was, is, refused) => {
    expect(broken(was, is)).toEqual(refused ? said : [])
  })

  test('a new record may begin with any of them', () => {
    expect(broken(null, 'over', false)).toEqual([])
  })
})

test('rules of new records are left to those, and those that warn don’t refuse', () => {
  const { book: hires } = statesOf('fresh', 'warned', 'within')
  const now = { moment: '2027-03-12T09:30' }
  const values = { from: '2027-03-01', to: '2027-02-01', guests: '300' }
  const asked = (stored?: object) =>
    checkRules(hires, 'hire', {
      facts: ownFacts(hires, values, now),
      now,
      knows: () => true,
      ...(stored && { stored: {} }),
    })
      .map(({ rule }) => rule.id)
      .sort()
  expect(asked()).toEqual(['fresh', 'warned', 'within'])
  expect(asked({})).toEqual(['warned', 'within'])
  expect(Object.keys(brokenRules(hires, 'hire', values, now))).toEqual(['to'])
  expect(ownRules(hires, 'room')).toEqual([])
  expect(ownRules(hires, 'hire')).toHaveLength(3)
})

test('a broken rule is said where it can be mended: the beginning of a time, else the last field that is typed', () => {
  const { book: hires } = statesOf('apart', 'within', 'gathered', 'follows')
  expect(Object.fromEntries(ownRules(hires).map((own) => [own.rule.id, placeOf(own)]))).toEqual({
    apart: 'from',
    within: 'to',
    gathered: 'price',
    follows: 'state',
  })
})
