import { wordProblem } from '@/core/words'
import { expect, test } from 'vitest'
import { type Edit, tableOf, fieldWith } from '@/core/book'
import { emberlyDesign } from '@/demo/emberly/design'
import { derivedInTheWay, writtenStored } from '@/core/expressions'
import { hiring } from '@/tests/support/ruled-design'
import { made } from '@/tests/support/made'
import { lostWith, ownRules, rulesInTheWay } from '.'

const split = (fields: string[], as: 'kind' | 'rows'): Edit => ({
  kind: 'splitTable',
  table: 'hire',
  id: 'terms',
  keyField: 'terms-key',
  link: 'terms-link',
  linkField: 'hire-terms',
  name: 'Terms',
  fields,
  as,
})
const rule = (design: ReturnType<typeof hiring>, id: string, source: string, table = 'hire') =>
  design.do({ kind: 'addRule', id, table, says: { kind: 'holds', tree: design.tree(table, source) }, words: `${id}.` })
const written = (book: ReturnType<typeof hiring>['book'], id: string) => {
  const { rule: found, table } = ownRules(book).find((one) => one.rule.id === id)!
  return found.says.kind === 'holds' ? `${table.name}: ${writtenStored(book, found.says.tree)}` : ''
}

const ruled = () => {
  const design = hiring()
  rule(design, 'days', '"To day" >= "From day"')
  rule(design, 'cheap', `Price < 900 OR State = 'agreed'`)
  rule(design, 'extras', 'Hire.Price > Cost', 'extra')
  rule(design, 'sum', 'COALESCE(SUM(Extra.Cost), 0) <= Price')
  return design
}

test('rules over fields that part go on over the new link to the kind', () => {
  const { book } = ruled()
  const wish = split(['price'], 'kind')
  expect(lostWith(book, wish)).toEqual([])
  const after = made(book, wish)
  expect(rulesInTheWay(after)).toEqual([])
  expect(['days', 'cheap', 'extras', 'sum'].map((id) => written(after, id))).toEqual([
    'Hire: "To day" >= "From day"',
    "Hire: Terms.Price < 900 OR State = 'agreed'",
    'Extra: Hire.Terms.Price > Cost',
    'Hire: COALESCE(SUM(Extra.Cost), 0) <= Terms.Price',
  ])
})

test('of rows each is held to what was said of the whole; what can’t be said any more is named before', () => {
  const { book } = ruled()
  const wish = split(['price'], 'rows')
  const after = made(book, wish)
  expect(written(after, 'cheap')).toBe("Terms: Price < 900 OR Hire.State = 'agreed'")
  expect(written(after, 'days')).toBe('Hire: "To day" >= "From day"')
  // A hire has several prices now: whichever is meant would have to be said.
  expect(lostWith(book, wish)).toEqual(['The rule “extras.” goes.', 'The rule “sum.” goes.'])
  expect(after.rules.map(({ id }) => id)).toEqual(['days', 'cheap'])
})

test('rules of nothing but what moves go along, also those that compare records', () => {
  const design = ruled()
  design.do({
    kind: 'addRule',
    id: 'apart',
    table: 'hire',
    says: { kind: 'apart', same: [], from: 'from', to: 'to' },
    words: 'apart.',
  })
  const after = made(design.book, split(['from', 'to'], 'rows'))
  expect(after.rules.filter(({ table }) => table === 'terms').map(({ id }) => id)).toEqual(['days', 'apart'])
})

test('choices made a list of words and fixed choices again keep every rule, also the one of states', () => {
  const { book } = emberlyDesign()
  const rules = book.rules.length
  const toList: Edit = {
    kind: 'choicesToList',
    field: 'visit__state',
    id: 'states',
    keyField: 'states-key',
    link: 'states-link',
    name: 'Visit state',
  }
  expect(book.rules.some(({ says }) => says.kind === 'follows' && says.field === 'visit__state')).toBe(true)
  // A total that stops moving once the visit is done may only ask what is typed into the visit itself.
  const lost = lostWith(book, toList)
  expect(lost).toContain(
    'When Bill total of Visit freezes isn’t clear: It may use only what is typed into the record itself.',
  )
  const listed = made(book, toList)
  const stopped = [...rulesInTheWay(listed), ...derivedInTheWay(listed)].map(wordProblem)
  expect([listed.rules.length, stopped.toSorted()]).toEqual([rules, lost.toSorted()])
  expect(stopped.filter((words) => !words.includes('Bill total'))).toEqual([])
  const back: Edit = { kind: 'listToChoices', table: 'states' }
  expect(lostWith(listed, back)).toEqual([])
  const again = made(listed, back)
  const said = (one: typeof book) => one.rules.map(({ says }) => JSON.stringify(says))
  expect(said(again)).toEqual(said(book))
  expect(fieldWith(again, 'visit__state').field.choices).toEqual(fieldWith(book, 'visit__state').field.choices)
  expect(tableOf(again, 'visit').fields.map(({ source }) => source)).toEqual(
    tableOf(book, 'visit').fields.map(({ source }) => source),
  )
})
