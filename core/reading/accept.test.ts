import { runs } from '@/tests/support/runs'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { briefsIn } from '@/tests/briefs/brief'
import { brindleNeeds } from '@/demo/brindle/needs'
import { type Book, type Edit, emptyBook, faultsOf, findField } from '../book'
import { plainLook } from '../kinds'
import { readNeeds } from '.'
import {
  acceptEdits,
  piecesOf,
  type Proposal,
  proposalsFor as laidBeside,
  settled,
  splitNeeds,
  withWhatTheyNeed,
} from '../needs'

const proposalsFor = (book: Book) => laidBeside(book, readNeeds(book.needs.map((need) => need.text)))

let last = 0
const freshId = () => `id${last++}`

const bookOf = (needs: readonly string[]) =>
  made(emptyBook('Test', plainLook), { kind: 'addNeeds', needs: needs.map((text) => ({ id: freshId(), text })) })

const accept = (book: Book, pick: (proposal: Proposal) => boolean = () => true) => {
  const { all } = proposalsFor(book)
  return made(book, ...acceptEdits(book, withWhatTheyNeed(all, all.filter(pick)), freshId))
}

test.each(
  [...briefsIn('texts'), ...briefsIn('held-back')].map((brief) => [brief.name, splitNeeds(brief.text)] as const),
)('all that is read in %s can be accepted, and is there then', (_name, needs) => {
  const book = accept(bookOf(needs))
  expect(faultsOf(book)).toEqual([])
  expect(proposalsFor(book).all.filter((proposal) => proposal.state !== 'here')).toEqual([])
})

test('whatever words are read, all of it can be accepted, and is there then', () => {
  const word = fc.constantFrom(
    ...'each a visit visits has have or more one several ( ) : , . of name date state number customer dog dogs them which we note is may booked done belongs to by with the quantity and per week constructor __proto__'.split(
      ' ',
    ),
    'x'.repeat(70),
    'very '.repeat(14) + 'long name',
  )
  const need = fc.array(word, { minLength: 3, maxLength: 30 }).map((words) => words.join(' '))
  fc.assert(
    fc.property(fc.array(need, { minLength: 1, maxLength: 4 }), (needs) => {
      const book = accept(bookOf(needs))
      expect(faultsOf(book)).toEqual([])
      expect(proposalsFor(book).all.filter((proposal) => proposal.state !== 'here')).toEqual([])
    }),
    runs(300),
  )
})

test('the bindery’s words become a design whose parts say which need asked for them', () => {
  const book = accept(bookOf(brindleNeeds))
  const job = book.tables.find((table) => table.name === 'Job')!
  expect(job.fields.map((field) => field.name)).toContain('State')
  expect(book.needs.filter((need) => need.metBy.includes(job.id)).length).toBeGreaterThan(1)
  const joining = book.tables.find((table) => table.name === 'Job volume')
  expect(joining?.role).toBe('joining')
  expect(book.links.find((link) => link.many === joining?.id && link.one === job.id)?.limits).toMatchObject([
    { most: 12 },
  ])
})

test('the number that words speak of is what a table is told apart by, not a second one', () => {
  const book = accept(
    bookOf([
      'A plot has a number and a colour. An order has a number and a date. A boat has a boat number and a name.',
    ]),
  )
  expect(book.tables.map(({ name, fields, key }) => [name, fields.map((field) => field.name), key.length])).toEqual([
    ['Plot', ['Plot number', 'Colour'], 1],
    ['Order', ['Order number', 'Date'], 1],
    ['Boat', ['Boat number', 'Name'], 1],
  ])
  const keys = book.tables.map(({ fields, key }) => fields.find(({ id }) => id === key[0])!.kind)
  // Plots and boats bear theirs; orders get them from the book.
  expect(keys).toEqual(['code', 'running', 'code'])
  const known = book.tables.map(({ fields, knownBy }) => fields.find(({ id }) => id === knownBy[0])!.name)
  expect(known).toEqual(['Plot number', 'Order number', 'Name'])
  expect(book.needs[0]!.metBy).toEqual(expect.arrayContaining(book.tables.map(({ key }) => key[0])))
})

test('ties read as their needs say it', () => {
  const book = accept(bookOf(['Each shelf is rented by one member. A member has a name. A shelf has a colour.']))
  expect(book.links.map(({ label, back }) => [label, back])).toEqual([['rents', 'is rented by']])
})

test('rows go with what they are rows of', () => {
  const book = accept(bookOf(['An order has a date and its lines, each with a material and a price.']))
  expect(book.tables.map(({ name }) => name)).toEqual(['Order', 'Order line'])
  expect(book.links.map(({ onRemove }) => onRemove)).toEqual(['remove'])
})

test('one fact alone brings its table, a fact of a tie the tie and its ends', () => {
  const book = bookOf([
    'A parcel has a date and contains several items, with the quantity of each. Each item has a name.',
  ])
  const one = accept(book, (proposal) => proposal.words === 'Date')
  expect(one.tables.map((table) => table.name)).toEqual(['Parcel'])
  const quantity = accept(book, (proposal) => proposal.words === 'Quantity')
  expect(quantity.tables.map((table) => [table.name, table.role])).toEqual([
    ['Parcel', undefined],
    ['Item', undefined],
    ['Parcel item', 'joining'],
  ])
})

test('one technician leads: a limit with its condition', () => {
  const book = accept(
    bookOf([
      'Each visit has a date. Each technician has a name. Up to three technicians go on a visit; one of them leads.',
    ]),
  )
  const visit = book.tables.find((table) => table.name === 'Visit')!
  const limits = book.links.find((link) => link.one === visit.id)?.limits ?? []
  expect(limits.map((limit) => limit.most)).toEqual([3, 1])
  expect(findField(book, limits[1]!.when!.field)?.field).toMatchObject({ name: 'Leads', kind: 'tick' })
})

test('what was dismissed stays away, what is there already is tied to its need only', () => {
  const book = bookOf(['A dog has a name and a weight.'])
  const dismissed = made(book, { kind: 'dismiss', id: freshId(), what: 'field/dog/weight', name: 'Weight' })
  expect(proposalsFor(dismissed).all.map((proposal) => [proposal.id, proposal.state])).toEqual([
    ['table/dog', 'new'],
    ['field/dog/name', 'new'],
    ['field/dog/weight', 'dismissed'],
  ])
  const with_ = made(dismissed, { kind: 'addTable', id: 'dog', name: 'Dogs', keyField: 'dog-key' })
  const accepted = accept(with_, (proposal) => proposal.kind === 'table')
  expect(accepted.tables).toHaveLength(1)
  expect(accepted.needs[0]?.metBy).toEqual(['dog'])
})

test('the pieces of a need are its text, marked', () => {
  const text = 'Each visit is at one premises and has a date.'
  const pieces = piecesOf(proposalsFor(bookOf([text, 'Each premises has an address.'])), 0, text)
  expect(pieces.map((piece) => piece.text).join('')).toBe(text)
  expect(new Set(pieces.map((piece) => piece.mark))).toEqual(new Set(['table', 'link', 'field', undefined]))
})

test('what the words left open is asked until it is settled, also where a guess was accepted', () => {
  const book = bookOf(['A customer places several orders. An order has a date. A customer has a name.'])
  const open = (now: Book) => proposalsFor(now).reading.open.map((one) => one.text)
  expect(open(book)).toContain('Can one order have more than one customer?')
  expect(open(accept(book, (proposal) => proposal.kind === 'table'))).toContain(
    'Can one order have more than one customer?',
  )
  const all = accept(book)
  const asked = open(all)
  expect(asked).toContain('Can one order have more than one customer?')
  const answered = asked.map((text): Edit => ({
    kind: 'dismiss',
    id: freshId(),
    what: settled(text),
    name: 'a question',
  }))
  expect(open(made(all, ...answered))).toEqual([])
  const [a, b] = all.tables.map((table) => table.id)
  const untied = made(all, { kind: 'untie', tie: all.links[0]!.id }, { kind: 'sayNoTie', a: a!, b: b!, id: freshId() })
  expect(open(untied)).toEqual([])
})
