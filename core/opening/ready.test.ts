import { expect, test } from 'vitest'
import type { Book, List } from '../book'
import { askedBook, readyLists } from '@/tests/support/asked-design'
import { made } from '@/tests/support/made'
import { diffSchemas } from './diff/diff'
import { edition } from './edition'
import { liveSchema } from './live-schema'
import { creationScript } from './plan'

const own = (field: string) => ({ way: [], field })
const list: List = {
  id: 'list',
  table: 'visit',
  columns: [
    { id: 'day', shows: { kind: 'field', place: own('visit_day') } },
    { id: 'state', shows: { kind: 'field', place: own('visit_state') } },
    {
      id: 'town',
      shows: { kind: 'field', place: { way: [{ to: 'one', field: 'visit__house' }], field: 'house_town' } },
    },
  ],
  asks: [],
  order: [{ column: 'state' }, { column: 'day' }],
  where: {
    kind: 'all',
    of: [
      { kind: 'compare', place: own('visit_price'), how: 'more', with: [{ value: '1.00' }] },
      { kind: 'compare', place: own('visit_state'), how: 'is', with: [{ value: 'done' }] },
      { kind: 'compare', place: own('visit__house'), how: 'filled', with: [] },
      { kind: 'compare', place: own('visit-key'), how: 'more', with: [{ value: '1' }] },
    ],
  },
  ready: true,
}
const bookWith = (...lists: List[]): Book => ({ ...askedBook(), lists })
const indexesOf = (book: Book) =>
  liveSchema(book)
    .tables.find(({ id }) => id === 'visit')!
    .indexes.map(({ columns }) => columns.join())
const none = indexesOf(bookWith())

test('a list that is to be ready has indexes for what it compares and for its order, where there are none', () => {
  // The order begins with the state, so that one does for both; the key and the link have theirs.
  expect(indexesOf(bookWith(list))).toEqual([...none, 'state,day', 'price'])
  expect(indexesOf(bookWith(list, { ...list, id: 'again' }))).toEqual(indexesOf(bookWith(list)))
})

test.each<[string, Partial<List>]>([
  ['that need not be ready', { ready: undefined }],
  ['of one person alone', { owner: 'somebody' }],
])('a list %s changes nothing of the database', (_, more) => {
  const other = bookWith({ ...list, ...more })
  expect(indexesOf(other)).toEqual(none)
  expect(diffSchemas(bookWith(), other, edition).steps).toEqual([])
})

test.each<[string, List['order']]>([
  ['by a linked record', [{ column: 'town' }]],
  ['both up and down', [{ column: 'state' }, { column: 'day', down: true }]],
  ['with blanks put otherwise', [{ column: 'day', blanks: 'last' }]],
])('an order %s has no index', (_, order) => {
  expect(indexesOf(bookWith({ ...list, where: undefined, order }))).toEqual(none)
})

test('what is kept is made before the triggers that keep it, and both rest while one of its tables changes', () => {
  const book = made(askedBook(), ...readyLists)
  const script = creationScript(book)
  expect(script.indexOf('CREATE OR REPLACE TABLE `_kept_payment_visit`')).toBeLessThan(
    script.indexOf('TRIGGER `payment_after_insert`'),
  )
  const after = made(book, { kind: 'addField', table: 'payment', id: 'note', name: 'Note', holds: 'line' })
  const { steps } = diffSchemas(book, after, edition)
  const at = (part: string) => steps.findIndex(({ sql }) => sql.includes(part))
  const closed = ['payment', 'visit', 'house'].map((table) => at(`${table}_closed_insert`))
  expect(Math.min(...closed)).toBeGreaterThanOrEqual(0)
  expect(Math.max(...closed)).toBeLessThan(at('DROP TABLE IF EXISTS `_kept_payment_visit`'))
  expect(at('DROP TABLE IF EXISTS `_kept_payment_visit`')).toBeLessThan(at('ADD COLUMN'))
  expect(at('ADD COLUMN')).toBeLessThan(at('CREATE OR REPLACE TABLE `_kept_payment_visit`'))
})
