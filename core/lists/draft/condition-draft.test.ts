import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import { conditionOf } from '@/tests/support/random-lists'
import { runs } from '@/tests/support/runs'
import { type Condition, conditionsIn, limits, type List, tableOf, type Way } from '../../book'
import { wordProblem } from '../../words'
import { sayCondition } from '../say/say-condition'
import { compareDraft, fieldsLike } from './compare-draft'
import { type ConditionDraft, draftOfCondition, hasDraft, sayDraft } from './condition-draft'
import { placed } from './place-condition'

const book = askedBook()
const saying = { book, table: tableOf(book, 'visit'), now: { moment: '2027-03-12T10:00' }, newId: () => 'q' }
const place = (field: string, way: Way = []) => ({ way, field })
const payments: Way = [{ to: 'rows', link: 'visit--payment' }]

/** As it is said again: a count from nought on has no bound that is worth saying. */
const tidied = (condition: Condition): Condition =>
  JSON.parse(JSON.stringify(condition).replaceAll('"least":0,"most"', '"most"')) as Condition
const hasNoBounds = (condition: Condition) =>
  conditionsIn(condition).some((one) => one.kind === 'has' && !one.least && one.most === undefined)

test('a condition that is opened again says the same, however deep', () => {
  const reopened = { plain: 0, deep: 0 }
  fc.assert(
    fc.property(conditionOf(book, 'visit', 2), (condition) => {
      const draft = draftOfCondition(book, saying.table, condition, [])
      if (!draft || hasNoBounds(condition)) return
      const said = sayDraft(saying, draft)
      expect(said.ok && said.value.condition).toEqual(tidied(condition))
      reopened.plain++
      if (conditionsIn(condition).length > 2) reopened.deep++
    }),
    runs(800),
  )
  expect(reopened.plain).toBeGreaterThan(10)
  expect(reopened.deep).toBeGreaterThan(2)
})

test('a field is compared with another that holds the like, turned round too', () => {
  const draft = compareDraft(place('visit_price'), 'more')
  const like = fieldsLike(book, saying.table, draft).map(({ place: { field } }) => field)
  expect(like).toContain('house_floors')
  expect(like).not.toContain('visit_day')
  expect(like).not.toContain('visit_price')
  expect(fieldsLike(book, saying.table, { ...draft, how: 'blank' })).toEqual([])
  const other = { way: [{ to: 'one', field: 'visit__house' }] as Way, field: 'house_floors' }
  const said = sayDraft(saying, { ...draft, other, not: true })
  expect(said.ok && said.value.condition).toEqual({
    kind: 'not',
    of: { kind: 'compare', place: place('visit_price'), how: 'more', with: [{ place: other }] },
  })
  expect(said.ok && draftOfCondition(book, saying.table, said.value.condition, [])).toEqual({
    ...draft,
    other,
    not: true,
  })
})

test('several as one lack what one of them lacks', () => {
  const state = compareDraft(place('visit_state'), 'filled')
  const of = (...all: (ConditionDraft | undefined)[]) => {
    const said = sayDraft(saying, { kind: 'group', joint: 'any', of: all })
    return said.ok ? said.value.condition : said.problem.kind
  }
  expect(of(state, undefined)).toBe('list-condition-missing')
  expect(of()).toBe('list-condition-missing')
  expect(of(state, compareDraft(place('visit_price'), 'more'))).toBe('list-value-missing')
  expect(of(state, state)).toMatchObject({ kind: 'any', of: [{ how: 'filled' }, { how: 'filled' }] })
})

test.each<readonly [ConditionDraft, string]>([
  [compareDraft(place('lost'), 'is'), 'Choose a field.'],
  [compareDraft(place('visit_price'), 'more'), 'Write what Price is compared with.'],
  [{ ...compareDraft(place('visit_price'), 'between'), typed: ['1'] }, 'Write what Price is compared with.'],
  [{ ...compareDraft(place('visit_price'), 'more'), typed: ['much'] }, 'number'],
  [{ ...hasDraft(payments), amount: 'least', count: 'some' }, 'Write how many, as a whole number.'],
  [{ ...hasDraft(payments), of: compareDraft(place('payment_amount'), 'more') }, 'Write what Amount is compared with.'],
])('%j lacks something', (draft, words) => {
  const said = sayDraft(saying, draft)
  expect(!said.ok && wordProblem(said.problem)).toContain(words)
})

test('what is typed is read as people write it', () => {
  const say = (draft: ConditionDraft) => {
    const said = sayDraft(saying, draft)
    return said.ok ? said.value.condition : said.problem
  }
  expect(say({ ...compareDraft(place('visit_day'), 'more'), typed: ['1.2.2027'] })).toMatchObject({
    with: [{ value: '2027-02-01' }],
  })
  expect(say({ ...compareDraft(place('visit_price'), 'oneOf'), typed: ['10, 20.5,'] })).toMatchObject({
    with: [{ value: '10.00' }, { value: '20.50' }],
  })
})

test('what is asked each time starts with what was typed, and goes when nothing asks for it any more', () => {
  const said = sayDraft(saying, { ...compareDraft(place('visit_state'), 'is'), typed: ['done'], asked: true })
  if (!said.ok) throw new Error('Expected a condition.')
  const { condition, asks } = said.value
  expect(condition).toMatchObject({ with: [{ ask: 'q' }] })
  expect(asks).toEqual([{ id: 'q', words: 'State', place: place('visit_state'), start: 'done' }])
  const list: List = { id: 'list', table: 'visit', columns: [], asks: [], order: [] }
  const kept = placed(list, undefined, said.value)
  expect(kept).toEqual({ ok: true, value: { where: { kind: 'all', of: [condition] }, asks } })
  const gone = kept.ok && placed({ ...list, ...kept.value }, 0, undefined)
  expect(gone).toEqual({ ok: true, value: { where: undefined, asks: [] } })
  expect(draftOfCondition(book, saying.table, condition, asks)).toMatchObject({ asked: true, typed: ['done'] })
})

describe('conditions in their places', () => {
  const state = (how: 'blank' | 'filled'): Condition => ({
    kind: 'compare',
    place: place('visit_state'),
    how,
    with: [],
  })
  const list = (...of: Condition[]): List => ({
    id: 'list',
    table: 'visit',
    columns: [],
    asks: [],
    order: [],
    where: { kind: 'all', of },
  })
  const asking = (id: string) => {
    const ask = { id, words: 'State', place: place('visit_state') }
    const condition: Condition = { kind: 'compare', place: place('visit_state'), how: 'is', with: [{ ask: id }] }
    return { condition, asks: [ask] }
  }

  test('one takes the place of another, or comes last', () => {
    const [blank, filled] = [state('blank'), state('filled')]
    const of = (made: ReturnType<typeof placed>) => made.ok && made.value.where
    const said = { condition: filled, asks: [] }
    expect(of(placed(list(blank, blank), 0, said))).toEqual({ kind: 'all', of: [filled, blank] })
    expect(of(placed(list(blank), undefined, said))).toEqual({ kind: 'all', of: [blank, filled] })
    expect(of(placed(list(blank, filled), 0, undefined))).toEqual({ kind: 'all', of: [filled] })
  })

  test('questions about one field are told apart; more than there may be are refused in words', () => {
    let asked: List = list(state('filled'))
    for (let at = 0; at < limits.asks; at++) {
      const made = placed(asked, undefined, asking(`q${at}`))
      if (!made.ok) throw new Error(wordProblem(made.problem))
      asked = { ...asked, ...made.value }
    }
    expect(asked.asks.slice(0, 3).map(({ words }) => words)).toEqual(['State', 'State 2', 'State 3'])
    const more = placed(asked, undefined, asking('more'))
    expect(!more.ok && wordProblem(more.problem)).toBe('A list has at most 12 questions. Take one out first.')
  })

  test('more conditions, values or letters than there may be are refused in words', () => {
    const full = list(...Array.from({ length: limits.conditions - 1 }, () => state('blank')))
    const more = placed(full, undefined, { condition: state('blank'), asks: [] })
    expect(!more.ok && wordProblem(more.problem)).toBe('A list has at most 200 conditions. Take one out first.')
    const values = { ...compareDraft(place('house_town'), 'oneOf'), typed: [Array(201).fill('x').join(',')] }
    const many = sayDraft(saying, values)
    expect(!many.ok && wordProblem(many.problem)).toBe('There may be at most 200 values here. Take some out.')
    const long = sayDraft(saying, { ...compareDraft(place('house_town'), 'contains'), typed: ['x'.repeat(401)] })
    expect(!long.ok && wordProblem(long.problem)).toContain('401')
  })
})

test('what is there more than once is asked by up to four fields, and opened again as it was', () => {
  const draft = { kind: 'repeats', fields: ['visit_day', 'visit_state'], nearly: true } as const
  const said = sayDraft(saying, draft)
  expect(said.ok && said.value.condition).toEqual({
    kind: 'repeats',
    places: [place('visit_day'), place('visit_state')],
    nearly: true,
  })
  expect(said.ok && draftOfCondition(book, saying.table, said.value.condition, [])).toEqual(draft)
  const wrong = [[], ['a', 'b', 'c', 'd', 'e']].map((fields) => sayDraft(saying, { ...draft, fields }))
  expect(wrong.map((one) => !one.ok && wordProblem(one.problem))).toEqual([
    'Choose a field.',
    'A list has at most 4 fields to compare by. Take one out first.',
  ])
  expect(
    draftOfCondition(
      book,
      saying.table,
      { kind: 'repeats', places: [place('house_town', [{ to: 'one', field: 'visit__house' }])] },
      [],
    ),
  ).toBe(undefined)
})

test('which record a link leads to is asked each time, or named, with what it is called', () => {
  const said = sayDraft(saying, { ...compareDraft(place('visit__house'), 'is'), asked: true })
  expect(said.ok && said.value).toEqual({
    condition: { kind: 'compare', place: place('visit__house'), how: 'is', with: [{ ask: 'q' }] },
    asks: [{ id: 'q', words: 'House', place: place('visit__house') }],
  })
  const named: Condition = { kind: 'compare', place: place('visit__house'), how: 'is', with: [{ value: '7' }] }
  expect(draftOfCondition(book, saying.table, named, [])).toMatchObject({ typed: ['7'] })
  const draft = { ...compareDraft(place('visit__house'), 'isNot'), typed: ['7'], called: 'Heron Cottage' } as const
  const isNot = sayDraft(saying, draft)
  const condition = isNot.ok ? isNot.value.condition : named
  expect(sayCondition(book, 'visit', condition, { asks: [] })).toBe('whose house is not “Heron Cottage”')
  expect(draftOfCondition(book, saying.table, condition, [])).toEqual(draft)
  expect(sayDraft(saying, compareDraft(place('visit__house'), 'is'))).toMatchObject({
    problem: { kind: 'list-value-missing' },
  })
})

test('a condition put beside others keeps to what joins them', () => {
  const [a, b] = ['blank', 'filled'].map((how): Condition => ({
    kind: 'compare',
    place: place('visit_day'),
    how: how as 'blank',
    with: [],
  }))
  const any: List = { id: 'l', table: 'visit', columns: [], asks: [], order: [], where: { kind: 'any', of: [a!, b!] } }
  const whereOf = (more: ReturnType<typeof placed>) => more.ok && more.value.where
  expect(whereOf(placed(any, undefined, { condition: a!, asks: [] }))).toEqual({ kind: 'any', of: [a, b, a] })
  // One alone is joined by nothing.
  expect(whereOf(placed(any, 0, undefined))).toEqual({ kind: 'all', of: [b] })
})

test('what is written is read as an expression, and opened again as it was written', () => {
  const say = (source: string) => sayDraft(saying, { kind: 'written', source })
  const said = say('Price > 2 * House.Floors')
  expect(said.ok && said.value.condition.kind).toBe('holds')
  expect(said.ok && draftOfCondition(book, saying.table, said.value.condition, [])).toEqual({
    kind: 'written',
    source: 'Price > 2 * House.Floors',
  })
  expect(said.ok && sayCondition(book, 'visit', said.value.condition, { asks: [] })).toBe(
    'of which “Price > 2 * House.Floors” is so',
  )
  const wrong = (source: string) => {
    const found = say(source)
    return found.ok ? '' : found.problem.kind
  }
  expect([wrong(' '), wrong('Price * 2'), wrong('Price >')]).toEqual([
    'list-condition-missing',
    'list-condition-no-truth',
    'list-calculation-wrong',
  ])
})
