import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { plainLook } from '../../kinds'
import { type Book, type Edit, emptyBook, faultsOf } from '..'

const pair = (a: string, b: string, ids: string, aHasSeveral: boolean, bHasSeveral: boolean): Edit => ({
  kind: 'answerPairing',
  a,
  b,
  aHasSeveral,
  bHasSeveral,
  aMust: false,
  bMust: false,
  ids: { table: `${ids}-t`, links: [`${ids}-l1`, `${ids}-l2`], fields: [`${ids}-f1`, `${ids}-f2`] },
})
const limitsIn = ({ links }: Book) => links.flatMap(({ limits }) => limits ?? [])
const book = made(
  emptyBook('Small', plainLook),
  ...['site', 'visit', 'van'].map((id): Edit => ({ kind: 'addTable', id, name: id, keyField: `${id}-key` })),
  { kind: 'addField', table: 'visit', id: 'state', name: 'State', holds: 'line' },
  pair('site', 'visit', 'at', true, false),
  pair('van', 'visit', 'by', true, false),
)
const [at, by] = book.links

test('a link that moves to another table leaves behind the limits that ask what stays', () => {
  const limited = made(book, {
    kind: 'limitLink',
    link: at!.id,
    limits: [
      { id: 'few', most: 3, when: { field: 'state', is: 'open' } },
      { id: 'many', most: 9 },
    ],
  })
  const split = made(limited, {
    kind: 'splitTable',
    table: 'visit',
    id: 'stop',
    keyField: 'stop-key',
    link: 'back',
    linkField: 'back-field',
    name: 'Stop',
    fields: [at!.field],
    as: 'rows',
  })
  expect(faultsOf(split)).toEqual([])
  expect(limitsIn(split)).toEqual([{ id: 'many', most: 9 }])
})

test('a limit that asks which record a link leads to goes with that link', () => {
  const asked: Edit = {
    kind: 'limitLink',
    link: at!.id,
    limits: [{ id: 'few', most: 3, when: { field: by!.field, is: '1' } }],
  }
  const untied = made(book, asked, { kind: 'untie', tie: by!.id })
  expect(faultsOf(untied)).toEqual([])
  expect(limitsIn(untied)).toEqual([])
})
