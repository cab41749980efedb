import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { testAccount, testCatalogue } from '@/tests/support/catalogue'
import { vanBook } from '@/tests/support/van-book'
import type { Cursor } from '@/core/records'
import { findToPick, readList } from '..'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('wordlists')
  account = await testAccount(db, 'Averil')
})

const vans = (name: string, ...first: Edit[]) => vanBook(db, account, name, ...first)

test('choices become a word list that staff extend, and come back when every word is a choice', async () => {
  const { edit, follows, rows, open } = await vans('Lists')
  await edit({
    kind: 'choicesToList',
    field: 'fuel',
    id: 'fuels',
    keyField: 'fuels-key',
    link: 'fuels-link',
    name: 'Fuel',
  })
  await follows()
  expect(await rows('SELECT fuel FROM @fuel ORDER BY 1')).toEqual([
    { fuel: 'diesel' },
    { fuel: 'gas' },
    { fuel: 'wood' },
  ])
  await rows("INSERT INTO @fuel (fuel) VALUES ('peat')")
  await edit({ kind: 'listToChoices', table: 'fuels' })
  expect((await open()).blocked).toEqual([
    'Staff wrote 1 word on the list Fuel that is no choice now: peat. Add it to the choices of Fuel, or remove it in Records first.',
  ])
  await rows("DELETE FROM @fuel WHERE fuel = 'peat'")
  await follows()
  expect((await rows('SELECT fuel FROM @van ORDER BY plate'))[0]).toEqual({ fuel: 'gas' })
})

test('the words of a word list are there when it is opened, and words added later come too', async () => {
  const words = (...list: string[]): Edit => ({
    kind: 'changeWords',
    table: 'colour',
    words: list.map((word) => ({ id: word, word })),
  })
  const { edit, rows, open } = await vans(
    'Words',
    { kind: 'addTable', id: 'colour', name: 'Colour', role: 'word-list', keyField: 'colour-key' },
    words('red', 'blue'),
  )
  await rows("INSERT INTO @colour (colour) VALUES ('green')")
  await edit(words('red', 'green', 'it’s "grey"'))
  expect((await open()).blocked).toEqual([])
  expect((await rows('SELECT colour FROM @colour ORDER BY 1')).map((row) => row['colour'])).toEqual([
    'blue',
    'green',
    'it’s "grey"',
    'red',
  ])
})

test('a word that its list can’t hold any more stands in the way, rather than being cut', async () => {
  const { edit, open } = await vans(
    'Long words',
    { kind: 'addTable', id: 'colour', name: 'Colour', role: 'word-list', keyField: 'colour-key' },
    { kind: 'changeWords', table: 'colour', words: [{ id: 'w', word: 'red' }] },
  )
  await edit(
    {
      kind: 'changeWords',
      table: 'colour',
      words: [
        { id: 'w', word: 'red' },
        { id: 'x', word: 'turquoise' },
      ],
    },
    { kind: 'changeField', field: 'colour-key', to: { length: 4 } },
  )
  expect((await open()).blocked).toEqual([
    '“turquoise” can’t be one of the first words of Colour. Change it in Tables, or what Colour may hold.',
  ])
})

test('the words of a list stand as the design has them, and what staff added comes after them', async () => {
  const order = ['spring', 'summer', 'autumn', 'it’s \\ "late"']
  const { live, rows } = await vans(
    'Order',
    { kind: 'addTable', id: 'season', name: 'Season', role: 'word-list', keyField: 'season-key' },
    { kind: 'changeWords', table: 'season', words: order.map((word) => ({ id: word.slice(0, 6), word })) },
  )
  await rows("INSERT INTO @season (season) VALUES ('april'), ('late')")
  const all = [...order, 'april', 'late']
  const labels = (page: { readonly rows: readonly { readonly label: string }[] }) => page.rows.map(({ label }) => label)
  expect(labels(await readList({ db, live }, { table: 'season', limit: 10 }))).toEqual(all)
  const seen: string[] = []
  for (let after: Cursor | undefined; ;) {
    const page = await readList({ db, live }, { table: 'season', limit: 2, ...(after && { after }) })
    seen.push(...labels(page))
    if (!page.more) break
    after = page.rows.at(-1)!.cursor
  }
  expect(seen).toEqual(all)
  expect((await findToPick({ db, live }, 'season', '', 3)).map(({ label }) => label)).toEqual(order.slice(0, 3))
})
