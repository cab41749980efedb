import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { tie } from '@/tests/support/edits'
import { hiring, ruled, rulings } from '@/tests/support/ruled-design'
import { linkWith } from '../book'
import { allLimitRules, isChecked, isKeyed, isPartOf, limitRules, ownRules, watchedRules } from '.'

const { book } = ruled(...Object.keys(rulings))

test('a rule is kept by the row, by a key, or by looking at records as they stand together', () => {
  const own = ownRules(book)
  const ids = (some: typeof own) => some.map(({ rule }) => rule.id).sort()
  expect(ids(own.filter(isChecked))).toEqual(['within'])
  expect(ids(own.filter(isKeyed))).toEqual(['together'])
  expect(
    watchedRules(book)
      .map(({ own: { rule } }) => rule.id)
      .sort(),
  ).toEqual(['across', 'alike', 'apart', 'counted', 'fresh', 'freshTotal', 'gathered', 'twoLinks', 'warned'])
})

/** Where each place stands from the rule's own record, and what is looked at there. */
const placesOf = (id: string) =>
  watchedRules(book)
    .find(({ own }) => own.rule.id === id)!
    .watches.map(({ hops, table, fields }) => [
      hops.map((hop) => (hop.to === 'one' ? hop.field : hop.link)).join(' '),
      table.id,
      [...fields].sort().join(' '),
    ])

test('what a rule watches is every place it looks at, its own records first', () => {
  expect(placesOf('across')).toEqual([
    ['', 'hire', 'guests hire-room'],
    ['hire-room', 'room', 'seats'],
  ])
  expect(placesOf('twoLinks')).toEqual([
    ['', 'extra', 'cost extra-hire'],
    ['extra-hire', 'hire', 'hire-room'],
    ['extra-hire hire-room', 'room', 'seats'],
  ])
  expect(placesOf('gathered')).toEqual([
    ['', 'hire', 'price'],
    ['extra-hire-link', 'extra', 'cost extra-hire'],
  ])
  expect(placesOf('apart')).toEqual([['', 'hire', 'from hire-room state to']])
})

test('what is derived is watched where it comes from; a copy at its link', () => {
  const design = hiring()
    .derived('hire', 'extras', 'Extras', 'gathered', 'SUM(Extra.Cost)')
    .derived('hire', 'then', 'Seats then', 'copied', 'Room.Seats')
  design.do({
    kind: 'addRule',
    id: 'sum',
    table: 'hire',
    words: 'Too much.',
    says: { kind: 'holds', tree: design.tree('hire', 'Extras <= Price AND Guests <= "Seats then"') },
  })
  const [watched] = watchedRules(design.book)
  expect(watched!.watches.map(({ table, fields }) => [table.id, [...fields].sort().join(' ')])).toEqual([
    ['hire', 'guests hire-room price then'],
    ['extra', 'cost extra-hire'],
  ])
})

test('limits are said for the pair that they are answered for, a joining table’s for what it joins', () => {
  const limited = made(
    book,
    {
      kind: 'limitLink',
      link: 'hire-room-link',
      limits: [
        { id: 'six', most: 6 },
        { id: 'one', most: 1, when: { field: 'state', is: 'asked' } },
      ],
    },
    tie('room', 'extra', { link: 'kit', field: 'kit-room', table: 'kit' }, { bHasSeveral: true, name: 'Kit' }),
    { kind: 'limitLink', link: 'kit', limits: [{ id: 'three', most: 3 }] },
  )
  expect(limitRules(limited, 'room')).toEqual([
    { id: 'six', pair: ['room', 'hire'], sentence: 'At most 6 hires for each room' },
    { id: 'one', pair: ['room', 'hire'], sentence: 'At most 1 hire with State “asked” for each room' },
    { id: 'three', pair: ['room', 'extra'], sentence: 'At most 3 extras for each room' },
  ])
  expect(limitRules(limited, 'hire')).toEqual([])
  expect(allLimitRules(limited).map(({ id }) => id)).toEqual(['six', 'one', 'three'])
  expect(['extra-hire-link', 'hire-room-link', 'kit'].map((id) => isPartOf(limited, linkWith(limited, id)))).toEqual([
    true,
    false,
    true,
  ])
})
