import fc from 'fast-check'
import { expect, test } from 'vitest'
import { askedBook, conditionOf } from '@/tests/support/random-lists'
import { runs } from '@/tests/support/runs'
import { tableOf, type Way } from '../../book'
import { wordProblem } from '../../words'
import { asksIn, compareDraft, type ConditionDraft, draftOfCondition, hasDraft, sayDraft } from './condition-draft'

const book = askedBook()
const saying = { book, table: tableOf(book, 'visit'), now: { moment: '2027-03-12T10:00' }, newId: () => 'q' }
const place = (field: string, way: Way = []) => ({ way, field })
const payments: Way = [{ to: 'rows', link: 'visit--payment' }]

test('a condition that is opened again says the same', () => {
  let reopened = 0
  fc.assert(
    fc.property(conditionOf(book, 'visit', 1), (condition) => {
      const draft = draftOfCondition(book, condition, [])
      if (!draft) return
      const said = sayDraft(saying, draft)
      // A count from nought has no bound that is worth saying.
      if (condition.kind === 'has' && !condition.least && condition.most === undefined) return
      if (
        condition.kind === 'compare' &&
        condition.how === 'is' &&
        draft.kind === 'compare' &&
        draft.typed[0] === undefined
      )
        return
      expect(said.ok && said.value.condition).toEqual(
        condition.kind === 'has' && condition.least === 0 ? { ...condition, least: undefined } : condition,
      )
      reopened++
    }),
    runs(400),
  )
  expect(reopened).toBeGreaterThan(5)
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
  expect(asksIn(condition, asks)).toEqual(asks)
  expect(asksIn({ kind: 'not', of: condition }, asks)).toEqual(asks)
  expect(asksIn(undefined, asks)).toEqual([])
  expect(draftOfCondition(book, condition, asks)).toMatchObject({ asked: true, typed: ['done'] })
})

test('two questions about one field are told apart', () => {
  const ask = (id: string) => ({ id, words: 'State', place: place('visit_state') })
  const asking = (id: string) =>
    ({ kind: 'compare', place: place('visit_state'), how: 'is', with: [{ ask: id }] }) as const
  const where = { kind: 'any', of: [asking('a'), asking('b'), asking('c')] } as const
  expect(asksIn(where, [ask('a'), ask('b'), ask('c')]).map(({ words }) => words)).toEqual([
    'State',
    'State 2',
    'State 3',
  ])
})
