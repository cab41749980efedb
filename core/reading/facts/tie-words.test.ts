import { expect, test } from 'vitest'
import { plainReading, readNeeds } from '..'
import { elementsOf } from '../words/elements'
import { tieWords, turned } from './tie-words'
import { tokensOf } from '../words/tokens'

const said = (words: string, prep: string) => {
  const doing = elementsOf(tokensOf(words, 0)).find((element) => element.kind === 'doing')
  return doing?.kind === 'doing' ? tieWords(doing.doing, prep) : undefined
}

test.each([
  ['A booking is made by one member', 'by', { there: 'is made by', back: 'makes' }],
  ['A course is looked after by one keeper', 'by', { there: 'is looked after by', back: 'looks after' }],
  ['A piece is glazed by one member', 'by', { there: 'is glazed by', back: 'glazes' }],
  ['A repair is done by one mechanic', 'by', { there: 'is done by', back: 'does' }],
  ['A plot is let to one tenant', 'to', { there: 'is let to' }],
  ['A hire is by one customer', 'by', {}],
  ['A member borrows tools', '', { there: 'borrows', back: 'is borrowed by' }],
  ['Members write letters', '', { there: 'writes', back: 'is written by' }],
  ['A teacher runs courses', '', { there: 'runs', back: 'is run by' }],
  ['A tool belongs to one category', 'to', { there: 'belongs to' }],
  ['Each job is for one vehicle', 'for', { there: 'is for' }],
  ['A vehicle has owners', '', {}],
  ['A boat is never hired by two hirers', 'by', {}],
])('“%s” says how it reads', (words, prep, expected) => {
  expect(said(words, prep)).toEqual(expected)
  expect(turned(turned(expected))).toEqual(expected)
})

test('a tie reads from its one side and back, whichever way round it was told', () => {
  const ties = (...needs: string[]) =>
    readNeeds(needs).ties.map(({ from, to, says }) => `${from} ${says?.there ?? '—'} ${to} ${says?.back ?? '—'}`)
  const facts = 'A member has a name. A shelf has a colour.'
  expect(ties(facts, 'Each shelf is rented by one member.')).toEqual(['Member rents Shelf is rented by'])
  expect(ties(facts, 'A member rents several shelves, and each shelf has one member.')).toEqual([
    'Member rents Shelf is rented by',
  ])
  // Between many and many stands a table of its own, which reads otherwise.
  expect(plainReading(readNeeds([facts, 'Several members share several shelves.'])).links[0]?.kind).toBe('n-n')
})
