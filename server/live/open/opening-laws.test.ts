import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { type Edit, findTable, readBook } from '@/core/book'
import { physicalNames } from '@/core/physical'
import { shapeAfresh, shapeOf, stored, testAccount, testCatalogue } from '@/tests/support/catalogue'
import { refusedAtLast } from '@/tests/support/crashes'
import { tie } from '@/tests/support/edits'
import { aimed, dice } from '@/tests/support/random-edits'
import { split, vanBook } from '@/tests/support/van-book'
import { editBook } from '../../books'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'
import { openingSheet } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('laws')
  account = await testAccount(db, 'Averil')
})

const vans = (name: string, ...first: Edit[]) => vanBook(db, account, name, ...first)

test.each<[string, Edit[]]>([
  [
    'a split',
    [split('kind', 'Model', 'model', 'seats', 'crane'), { kind: 'changeLink', link: 'new-link', must: false }],
  ],
  ['rows', [split('rows', 'Fuelling', 'fuel')]],
  ['another key', [{ kind: 'setKey', table: 'van', fields: ['plate'] }]],
  ['a word list', [{ kind: 'choicesToList', field: 'fuel', id: 'l', keyField: 'k', link: 'f', name: 'Fuel' }]],
  [
    'a name taken again',
    [
      { kind: 'removeField', field: 'note' },
      { kind: 'addField', table: 'van', id: 'n2', name: 'Note', holds: 'date' },
    ],
  ],
  ['a table alone', [{ kind: 'addTable', id: 'alone', name: 'Alone', keyField: 'alone-key' }]],
  ['another house style', [{ kind: 'changeLook', look: { naming: 'capitals' } }]],
])('%s that is refused at its very end leaves every letter where it was', async (what, edits) => {
  const { id, edit, open, live, rows } = await vans(`Back ${what}`, {
    kind: 'addField',
    table: 'van',
    id: 'note',
    name: 'Note',
    holds: 'line',
  })
  const now = async () => [await shapeOf(db, live.schema), await rows('SELECT * FROM @van ORDER BY plate')]
  const before = await now()
  await edit(...edits)
  expect(await refusedAtLast(db, account, id)).toBe('taken-back')
  expect(await now()).toEqual(before)
  expect((await open()).blocked).toEqual([])
})

test('whatever is changed, opening that is refused at its end leaves the database as it was', async () => {
  let takenBack = 0
  await fc.assert(
    fc.asyncProperty(fc.array(dice, { minLength: 1, maxLength: 6 }), async (throws) => {
      const { id, live, rows } = await vans('Back', tie('van', 'part', { link: 'of-link', field: 'of-at' }))
      for (const [turn, one] of throws.entries())
        await editBook(db, id, account.id, aimed((await stored(db, id)).book, one, turn), [])
      const found = await stored(db, id)
      const sheet = await openingSheet(db, found)
      if (sheet.blocked.length > 0 || sheet.steps.length === 0) return
      const now = async () => [await shapeOf(db, live.schema), await rows('SELECT * FROM @van ORDER BY van_number')]
      const before = await now()
      expect(await refusedAtLast(db, account, id)).toBe('taken-back')
      expect(await now()).toEqual(before)
      takenBack++
    }),
    { numRuns: 45 },
  )
  expect(takenBack).toBeGreaterThan(6)
}, 240_000)

test('whatever is changed, opening again refuses in words or gives what opening afresh would give', async () => {
  let carriedOut = 0
  await fc.assert(
    fc.asyncProperty(fc.array(dice, { minLength: 1, maxLength: 7 }), async (throws) => {
      const { id, live, open, rows } = await vans('Anything', tie('van', 'part', { link: 'of-link', field: 'of-at' }))
      for (const [turn, one] of throws.entries()) {
        const { book } = await stored(db, id)
        await editBook(db, id, account.id, aimed(book, one, turn), [])
      }
      const { book } = await stored(db, id)
      expect(readBook(JSON.parse(JSON.stringify(book))).ok).toBe(true)
      const before = await shapeOf(db, live.schema)
      const sheet = await open()
      expect(sheet.blocked.join()).not.toMatch(/The database refused/)
      if (sheet.blocked.length > 0) expect(await shapeOf(db, live.schema)).toBe(before)
      else {
        carriedOut++
        expect(await shapeOf(db, live.schema)).toBe(await shapeAfresh(db, account, id))
        // The table may have gone into another; where it stands, every record does.
        const { book: now } = await stored(db, id)
        if (findTable(now, 'van'))
          expect(await rows(`SELECT COUNT(*) AS n FROM ${physicalNames(now, live.schema).quoted('van')}`)).toEqual([
            { n: 4 },
          ])
      }
    }),
    { numRuns: 60 },
  )
  expect(carriedOut).toBeGreaterThan(15)
}, 240_000)
