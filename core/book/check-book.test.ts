import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import type { Book, Table } from './book'
import { faultsOf, readBook } from './check-book'
import { findField, joiningBetween, linkOf, linksBetween, linksFrom, linksTo, partName, tableOf } from './find'

const { book } = emberlyDesign()
const visit = tableOf(book, 'visit')

const withVisit = (changed: Partial<Table>): Book => ({
  ...book,
  tables: book.tables.map((table) => (table === visit ? { ...visit, ...changed } : table)),
})

test('the demo’s book is sound', () => {
  expect(faultsOf(book)).toEqual([])
})

test.each<[string, Book, RegExp]>([
  ['two tables of one name', withVisit({ name: 'PREMISES' }), /two tables are called/],
  [
    'two fields of one name',
    withVisit({ fields: [...visit.fields, { ...visit.fields[4]!, id: 'x', name: 'NOTE' }] }),
    /has two fields/,
  ],
  [
    'an id used twice',
    withVisit({ fields: [...visit.fields, { ...visit.fields[4]!, name: 'Other' }] }),
    /stands twice/,
  ],
  ['a lost key field', withVisit({ key: ['nowhere'] }), /unique by or shown as a lost field/],
  ['no key where links point', withVisit({ key: [] }), /linked to without a key/],
  ['a link field without its link', { ...book, links: book.links.slice(1) }, /and its link disagree/],
  [
    'a link without its field',
    { ...book, links: book.links.map((link) => ({ ...link, field: 'nowhere' })) },
    /is linked to nothing|disagree/,
  ],
  ['a need met by nothing', { ...book, needs: [{ id: 'n', text: 'x', metBy: ['nowhere'] }] }, /met by what is gone/],
  [
    'an answer about a table that is gone',
    { ...book, pairs: [{ id: 'p', a: 'visit', b: 'nowhere' }] },
    /a pair is linked to nothing/,
  ],
])('%s is found', (_what, broken, words) => {
  expect(faultsOf(broken).join('\n')).toMatch(words)
  expect(readBook(JSON.parse(JSON.stringify(broken))).ok).toBe(false)
})

test('parts are found by id, and named for sentences', () => {
  expect(findField(book, 'visit__state')?.table.name).toBe('Visit')
  expect(findField(book, 'nowhere')).toBeUndefined()
  expect([
    partName(book, 'visit'),
    partName(book, 'visit__state'),
    partName(book, linkOf(book, 'visit__premises').id),
    partName(book, 'nowhere'),
  ]).toEqual(['Visit', 'Visit → State', 'Premises and Visit', 'something removed'])
  expect(() => tableOf(book, 'nowhere')).toThrow('Expected a table nowhere in the book.')
})

test('links are found from either side, joining tables by what they join', () => {
  expect(linksFrom(book, 'visit').map((link) => link.one)).toEqual(['premises', 'contact'])
  expect(linksTo(book, 'premises').map((link) => link.many)).toEqual(['premises-contact', 'appliance', 'visit'])
  expect(linksBetween(book, 'visit', 'premises')).toEqual(linksBetween(book, 'premises', 'visit'))
  expect(joiningBetween(book, 'appliance', 'visit').map((table) => table.name)).toEqual(['Visit appliance'])
})
