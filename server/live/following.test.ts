import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { type Edit, findTable, readBook } from '@/core/book'
import { physicalNames } from '@/core/opening'
import {
  editAll,
  opened,
  shapeAfresh,
  shapeOf,
  stored,
  testAccount,
  testBook,
  testCatalogue,
} from '@/tests/support/catalogue'
import { journalled, killedAt, moments, refusedAtLast } from '@/tests/support/crashes'
import { aimed, dice } from '@/tests/support/random-edits'
import { editBook } from '../books'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Account } from '../people'
import { type Live, openBook, openingSheet, resumeOpenings, saveRecord } from '.'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('following')
  account = await testAccount(db, 'Averil')
})

const vans: Edit[] = [
  { kind: 'addTable', id: 'van', name: 'Van', keyField: 'van-key' },
  { kind: 'addField', table: 'van', id: 'plate', name: 'Plate', holds: 'line' },
  { kind: 'addField', table: 'van', id: 'model', name: 'Model', holds: 'line' },
  { kind: 'addField', table: 'van', id: 'seats', name: 'Seats', holds: 'whole' },
  { kind: 'addField', table: 'van', id: 'crane', name: 'Crane', holds: 'tick' },
  { kind: 'addField', table: 'van', id: 'fuel', name: 'Fuel', holds: 'pick' },
  {
    kind: 'changeField',
    field: 'fuel',
    to: { choices: ['diesel', 'gas', 'wood'].map((word) => ({ id: word, word })) },
  },
  { kind: 'addTable', id: 'part', name: 'Part', keyField: 'part-key' },
]

const link = (one: string, many: string, name: string, must = false): Edit => ({
  kind: 'answerPairing',
  a: one,
  b: many,
  aHasSeveral: true,
  bHasSeveral: false,
  aMust: false,
  bMust: must,
  ids: { table: `${name}-t`, links: [`${name}-link`, `${name}-m`], fields: [`${name}-at`, `${name}-n`] },
})

const rows: Record<string, string>[] = [
  { plate: 'V 1', model: 'Ember 3', seats: '3', crane: '1', fuel: 'gas' },
  { plate: 'V 2', model: 'ember 3', seats: '3', crane: '1', fuel: 'diesel' },
  { plate: 'V 3', model: 'Ember 3', seats: '5', crane: '0' },
  { plate: 'V 4', crane: '0', fuel: 'gas' },
]

async function add(live: Live, table: string, values: Record<string, string>) {
  const saved = await saveRecord(db, live, 'Averil', { table, ref: null, rev: null, values, children: [] })
  expect(saved.kind).toBe('saved')
}

/** A book of vans that is opened and has records; what opening it again does after some edits. */
async function vanBook(name: string, ...first: Edit[]) {
  const id = await testBook(db, account, name, [...vans, ...first])
  const live = await opened(db, account, id)
  for (const values of rows) {
    await add(live, 'van', values)
  }
  return {
    id,
    live,
    edit: (...edits: Edit[]) => editAll(db, account, id, edits),
    open: async () => {
      const sheet = await openBook(db, id, account.id)
      if (!sheet.ok) throw new Error(sheet.problem.kind)
      return sheet.value
    },
    /** After an opening that nothing stood in the way of, all is as if it had always been so. */
    follows: async () => {
      const sheet = await openBook(db, id, account.id)
      expect(sheet).toMatchObject({ ok: true, value: { kind: 'change', blocked: [] } })
      expect(await shapeOf(db, live.schema)).toBe(await shapeAfresh(db, account, id))
    },
    rows: (sql: string) => select(db, sql.replaceAll('@', `\`${live.schema}\`.`)),
  }
}

const split = (as: 'kind' | 'rows', name: string, ...fields: string[]): Edit => ({
  kind: 'splitTable',
  table: 'van',
  id: 'new',
  keyField: 'new-key',
  link: 'new-link',
  linkField: 'new-at',
  name,
  fields,
  as,
})

test('what many records share moves to records of its own, and each leads to its one', async () => {
  const { edit, follows, rows } = await vanBook('Kinds')
  // The link takes the very name of a column that goes.
  await edit(split('kind', 'Model', 'model', 'seats', 'crane'), { kind: 'changeLink', link: 'new-link', must: false })
  await follows()
  expect(await rows('SELECT model_number, LOWER(model) AS model, seats, crane FROM @model ORDER BY 1')).toEqual([
    { model_number: 1, model: 'ember 3', seats: 3, crane: 1 },
    { model_number: 2, model: 'ember 3', seats: 5, crane: 0 },
  ])
  expect((await rows('SELECT plate, model FROM @van ORDER BY 1')).map((row) => row['model'])).toEqual([1, 1, 2, null])
})

test('a number that is written in a pattern is given in it', async () => {
  const { edit, follows, rows } = await vanBook('Patterns')
  await edit(split('kind', 'Model', 'model'), { kind: 'changeLink', link: 'new-link', must: false })
  await edit({ kind: 'changeField', field: 'new-key', to: { prefix: "M'", width: 3 } })
  await follows()
  expect(await rows('SELECT model_number FROM @model')).toEqual([{ model_number: "M'001" }])
  expect((await rows('SELECT model FROM @van ORDER BY plate'))[2]).toEqual({ model: "M'001" })
})

test('records that are moving when the server is killed arrive at the next start, each once', async () => {
  for (let place = 0, steps = 1; place < steps; place++) {
    for (const moment of moments) {
      const { id, edit, live, rows } = await vanBook(`Killed ${place} ${moment}`)
      await edit(split('kind', 'Model', 'model', 'seats', 'crane'), {
        kind: 'changeLink',
        link: 'new-link',
        must: false,
      })
      const journal = await journalled(db, account, id)
      steps = journal.steps
      await killedAt(db, journal.entry, place, moment)
      await resumeOpenings(db)
      expect(await rows('SELECT seats FROM @model ORDER BY 1')).toEqual([{ seats: 3 }, { seats: 5 }])
      expect((await rows('SELECT model FROM @van ORDER BY plate')).map((row) => row['model'])).toEqual([1, 1, 2, null])
      expect((await stored(db, id)).opened).toEqual((await stored(db, id)).book)
      await run(db, `DROP DATABASE \`${live.schema}\``)
    }
  }
}, 240_000)

test('where a record tells nothing of what it must lead to, opening says so and changes nothing', async () => {
  const { edit, open, live } = await vanBook('Nothing told')
  await edit(split('kind', 'Model', 'model', 'seats', 'crane'))
  const before = await shapeOf(db, live.schema)
  expect((await open()).blocked).toEqual([
    'Each van must lead to one model, but 1 van tells nothing of it. Fill that in at the Desk first, or let the link be blank.',
  ])
  expect(await shapeOf(db, live.schema)).toBe(before)
})

test('what comes several times moves to rows that hang on their record, and comes back', async () => {
  const { edit, follows, rows, open } = await vanBook('Rows')
  await edit(split('rows', 'Fuelling', 'fuel'))
  await follows()
  expect(await rows('SELECT fuelling_number, van, fuel FROM @fuelling ORDER BY 1')).toEqual([
    { fuelling_number: 1, van: 1, fuel: 'gas' },
    { fuelling_number: 2, van: 2, fuel: 'diesel' },
    { fuelling_number: 3, van: 4, fuel: 'gas' },
  ])
  await edit({ kind: 'mergeTables', from: 'new', into: 'van' })
  expect((await open()).blocked).toEqual([])
  expect((await rows('SELECT fuel FROM @van ORDER BY plate')).map((row) => row['fuel'])).toEqual([
    'gas',
    'diesel',
    null,
    'gas',
  ])
})

test('rows of which one record has two can’t come back, and nothing is lost', async () => {
  const { edit, follows, open, id, rows } = await vanBook('Two rows')
  await edit(split('rows', 'Fuelling', 'fuel'))
  await follows()
  const now = await opened(db, account, id)
  await add(now, 'new', { 'new-at': '1', fuel: 'wood' })
  await edit({ kind: 'mergeTables', from: 'new', into: 'van' })
  expect((await open()).blocked).toEqual([
    '1 van has more than one fuelling, and could keep only one. Leave the two apart.',
  ])
  expect(await rows('SELECT COUNT(*) AS n FROM @fuelling')).toEqual([{ n: 4 }])
})

test('a kind comes back to the records that lead to it; one that nothing leads to stands in the way', async () => {
  const { edit, follows, rows, open, id } = await vanBook('Kinds and back')
  await edit(split('kind', 'Van kind', 'model', 'seats'), { kind: 'changeLink', link: 'new-link', must: false })
  await follows()
  const now = await opened(db, account, id)
  await add(now, 'new', { model: 'Spare' })
  await edit({ kind: 'mergeTables', from: 'new', into: 'van' })
  expect((await open()).blocked[0]).toMatch(/^1 van kind has no van and would be lost\./)
  await rows("DELETE FROM @van_kind WHERE model = 'Spare'")
  await follows()
  expect(await rows('SELECT LOWER(model) AS model, seats FROM @van ORDER BY plate')).toEqual([
    { model: 'ember 3', seats: 3 },
    { model: 'ember 3', seats: 3 },
    { model: 'ember 3', seats: 5 },
    { model: null, seats: null },
  ])
})

test('choices become a pick list that staff extend, and come back when every word is a choice', async () => {
  const { edit, follows, rows, open } = await vanBook('Lists')
  await edit({
    kind: 'pickToList',
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
  await edit({ kind: 'listToPick', table: 'fuels' })
  expect((await open()).blocked).toEqual([
    'Staff wrote 1 word on the list Fuel that is no choice now: peat. Add it to the choices of Fuel, or remove it at the Desk first.',
  ])
  await rows("DELETE FROM @fuel WHERE fuel = 'peat'")
  await follows()
  expect((await rows('SELECT fuel FROM @van ORDER BY plate'))[0]).toEqual({ fuel: 'gas' })
})

test('the words of a pick list are there when it is opened, and words added later come too', async () => {
  const words = (...list: string[]): Edit => ({
    kind: 'changeWords',
    table: 'colour',
    words: list.map((word) => ({ id: word, word })),
  })
  const { edit, rows, open } = await vanBook(
    'Words',
    { kind: 'addTable', id: 'colour', name: 'Colour', role: 'pick-list', keyField: 'colour-key' },
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
  const { edit, open } = await vanBook(
    'Long words',
    { kind: 'addTable', id: 'colour', name: 'Colour', role: 'pick-list', keyField: 'colour-key' },
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

test('a joining table gets a key of its own, and its pair back', async () => {
  const joined: Edit = {
    kind: 'answerPairing',
    a: 'van',
    b: 'part',
    aHasSeveral: true,
    bHasSeveral: true,
    aMust: false,
    bMust: false,
    ids: { table: 'join', links: ['join-a', 'join-b'], fields: ['at-a', 'at-b'] },
  }
  const { id, edit, follows, rows } = await vanBook('Joining', joined)
  const live = await opened(db, account, id)
  await add(live, 'part', {})
  for (const van of ['2', '1']) await add(live, 'join', { 'at-a': van, 'at-b': '1' })
  await edit({ kind: 'addField', table: 'join', id: 'own', name: 'Line', holds: 'running', before: 'at-a' })
  await edit({ kind: 'setKey', table: 'join', fields: ['own'] })
  expect((await stored(db, id)).book.tables.find((table) => table.id === 'join')?.role).toBeUndefined()
  await follows()
  expect(await rows('SELECT line, van, part FROM @van_part ORDER BY 1')).toEqual([
    { line: 1, van: 1, part: 1 },
    { line: 2, van: 2, part: 1 },
  ])
  await edit({ kind: 'setKey', table: 'join', fields: ['at-a', 'at-b'] }, { kind: 'removeField', field: 'own' })
  await follows()
  expect(await rows('SELECT COUNT(*) AS n FROM @van_part')).toEqual([{ n: 2 }])
})

test('a field and a table that take the names of removed ones come to stand in their place', async () => {
  const { edit, follows } = await vanBook('Names again', {
    kind: 'addField',
    table: 'van',
    id: 'note',
    name: 'Note',
    holds: 'line',
  })
  await edit(
    { kind: 'removeField', field: 'note' },
    { kind: 'addField', table: 'van', id: 'note2', name: 'Note', holds: 'date' },
    { kind: 'removeTable', table: 'part' },
    { kind: 'addTable', id: 'part2', name: 'Part', keyField: 'part2-key' },
    { kind: 'addField', table: 'part2', id: 'size', name: 'Size', holds: 'whole' },
  )
  await follows()
})

test('a key changes where no record leads to it, and not where one does', async () => {
  const { id, edit, follows, open } = await vanBook('Keys', link('van', 'part', 'of'))
  await edit({ kind: 'setKey', table: 'van', fields: ['plate'] })
  await follows()
  const live = await opened(db, account, id)
  await add(live, 'part', { 'of-at': 'V 1' })
  await edit({ kind: 'setKey', table: 'van', fields: ['van-key'] })
  expect((await open()).blocked).toEqual([
    'The key of Van can’t change while records lead to it, and 1 part does through Van. Undo the change of key.',
  ])
})

test.each<[string, Edit[]]>([
  [
    'a split',
    [split('kind', 'Model', 'model', 'seats', 'crane'), { kind: 'changeLink', link: 'new-link', must: false }],
  ],
  ['rows', [split('rows', 'Fuelling', 'fuel')]],
  ['another key', [{ kind: 'setKey', table: 'van', fields: ['plate'] }]],
  ['a pick list', [{ kind: 'pickToList', field: 'fuel', id: 'l', keyField: 'k', link: 'f', name: 'Fuel' }]],
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
  const { id, edit, open, live, rows } = await vanBook(`Back ${what}`, {
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
      const { id, live, rows } = await vanBook('Back', link('van', 'part', 'of'))
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
    { numRuns: 30 },
  )
  expect(takenBack).toBeGreaterThan(6)
}, 240_000)

test('whatever is changed, opening again refuses in words or gives what opening afresh would give', async () => {
  let carriedOut = 0
  await fc.assert(
    fc.asyncProperty(fc.array(dice, { minLength: 1, maxLength: 7 }), async (throws) => {
      const { id, live, open, rows } = await vanBook('Anything', link('van', 'part', 'of'))
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
