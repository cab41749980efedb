import { beforeAll, expect, test } from 'vitest'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { field } from '@/tests/support/edits'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import { namedRecords } from '..'
import type { Live } from '../live'

let db: Catalogue
let live: Live
beforeAll(async () => {
  db = await testCatalogue('named')
  const account = await testAccount(db, 'Averil')
  const design = [
    { kind: 'addTable', id: 'guest', name: 'Guest', keyField: 'guest-key' } as const,
    ...field('guest', 'name', 'Name', 'line'),
    ...field('guest', 'town', 'Town', 'line'),
    { kind: 'setKnownBy' as const, table: 'guest', fields: ['name', 'town'] },
  ]
  live = await opened(db, account, await testBook(db, account, 'Inn', design))
  const rows = Array.from({ length: 6000 }, (_, at) => `(${at + 1}, 'Guest ${at + 1}', 'Otterby')`)
  await run(db, `INSERT INTO \`${live.schema}\`.guest (guest_number, name, town) VALUES ${rows.join(', ')}`)
  await run(
    db,
    `INSERT INTO \`${live.schema}\`.guest (guest_number, name, town) VALUES (7001, 'Tansy Orme', 'Sallow'), (7002, 'Tansy Orme', 'Sallow'), (7003, 'Bram', NULL), (7100, 'Kester', NULL), (7200, 'Kester', NULL)`,
  )
  // Others of that name stand between the two that have it alone.
  const between = Array.from({ length: 90 }, (_, at) => `(${7101 + at}, 'Kester', 'Quenby')`)
  await run(db, `INSERT INTO \`${live.schema}\`.guest (guest_number, name, town) VALUES ${between.join(', ')}`)
})

const named = async (...names: string[]) =>
  Object.fromEntries([...(await namedRecords({ db, live }, 'guest', names))].map(([name, { ref }]) => [name, ref]))
const others = Array.from({ length: 30 }, (_, at) => `nobody ${at}`)

// Few names are looked for one by one, many in one look through the table: both find the same.
test.each([
  ['few', []],
  ['many', others],
])('%s names find the one record that each means, but for blanks and capitals, or its number', async (_, more) => {
  expect(await named('guest 17,  otterby', 'Guest 5999, Otterby', '42', 'Bram', ...more)).toEqual({
    'guest 17,  otterby': '17',
    'Guest 5999, Otterby': '5999',
    '42': '42',
    Bram: '7003',
  })
})

test.each([
  ['few', []],
  ['many', others],
])('of %s names nothing is guessed: two of one name, or half a name, are none', async (_, more) => {
  expect(await named('Tansy Orme, Sallow', 'Guest 17', 'Kester', '', ...more)).toEqual({})
})
