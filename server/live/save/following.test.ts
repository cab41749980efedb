import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { opened, shapeOf, stored, testAccount, testCatalogue } from '@/tests/support/catalogue'
import { journalled, killedAt, moments, refusedAtLast } from '@/tests/support/crashes'
import { tie } from '@/tests/support/edits'
import { add, split, vanBook } from '@/tests/support/van-book'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import type { Account } from '../../people'
import { liveOf, readList, resumeOpenings } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('following')
  account = await testAccount(db, 'Averil')
})

const vans = (name: string, ...first: Edit[]) => vanBook(db, account, name, ...first)

test('what many records share moves to records of its own, and each leads to its one', async () => {
  const { edit, follows, rows } = await vans('Kinds')
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
  const { edit, follows, rows } = await vans('Patterns')
  await edit(split('kind', 'Model', 'model'), { kind: 'changeLink', link: 'new-link', must: false })
  await edit({ kind: 'changeField', field: 'new-key', to: { prefix: "M'", width: 3 } })
  await follows()
  expect(await rows('SELECT model_number FROM @model')).toEqual([{ model_number: "M'001" }])
  expect((await rows('SELECT model FROM @van ORDER BY plate'))[2]).toEqual({ model: "M'001" })
})

test('records that are moving when the server is killed arrive at the next start, each once', async () => {
  for (let place = 0, steps = 1; place < steps; place++) {
    for (const moment of moments) {
      const { id, edit, live, rows } = await vans(`Killed ${place} ${moment}`)
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
  const { edit, open, live } = await vans('Nothing told')
  await edit(split('kind', 'Model', 'model', 'seats', 'crane'))
  const before = await shapeOf(db, live.schema)
  expect((await open()).blocked).toEqual([
    'Each van must be linked to one model, but 1 van says nothing of it. Fill that in first, in Records, or let the link be empty.',
  ])
  expect(await shapeOf(db, live.schema)).toBe(before)
})

test('what comes several times moves to rows that hang on their record, and comes back', async () => {
  const { edit, follows, rows, open } = await vans('Rows')
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
  const { edit, follows, open, id, rows } = await vans('Two rows')
  await edit(split('rows', 'Fuelling', 'fuel'))
  await follows()
  const now = await opened(db, account, id)
  await add(db, now, 'new', { 'new-at': '1', fuel: 'wood' })
  await edit({ kind: 'mergeTables', from: 'new', into: 'van' })
  expect((await open()).blocked).toEqual([
    '1 van has more than one fuelling, and could keep only one. Leave the two apart.',
  ])
  expect(await rows('SELECT COUNT(*) AS n FROM @fuelling')).toEqual([{ n: 4 }])
})

test('a kind comes back to the records that lead to it; one that nothing leads to stands in the way', async () => {
  const { edit, follows, rows, open, id } = await vans('Kinds and back')
  await edit(split('kind', 'Van kind', 'model', 'seats'), { kind: 'changeLink', link: 'new-link', must: false })
  await follows()
  const now = await opened(db, account, id)
  await add(db, now, 'new', { model: 'Spare' })
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
  const { id, edit, follows, rows } = await vans('Joining', joined)
  const live = await opened(db, account, id)
  await add(db, live, 'part', {})
  for (const van of ['2', '1']) await add(db, live, 'join', { 'at-a': van, 'at-b': '1' })
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
  const { edit, follows } = await vans('Names again', {
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

test('links follow when the key at their end changes, also those that are keys themselves, and back again', async () => {
  const { id, edit, follows } = await vans('Keys', tie('van', 'part', { link: 'of-link', field: 'of-at' }))
  await edit(
    { kind: 'addTable', id: 'seal', name: 'Seal', keyField: 'seal-key' },
    { kind: 'addTable', id: 'check', name: 'Check', keyField: 'check-key' },
    tie('part', 'seal', { link: 'seal-link', field: 'seal-of' }),
    { kind: 'addField', table: 'part', id: 'place', name: 'Place', holds: 'whole' },
    tie('seal', 'check', { link: 'check-link', field: 'check-of' }),
  )
  await follows()
  let live = await opened(db, account, id)
  const vansThere = await readList({ db, live }, { table: 'van', limit: 5 })
  const [first, second] = vansThere.rows
  for (const [van, place] of [
    [first!, '1'],
    [second!, '1'],
    [first!, '2'],
  ] as const)
    await add(db, live, 'part', { 'of-at': van.ref, place })
  await add(db, live, 'part', { place: '9' })
  await add(db, live, 'seal', { 'seal-of': '3' })
  await add(db, live, 'check', { 'check-of': '1' })
  // A code in place of a number.
  await edit({ kind: 'setKey', table: 'van', fields: ['plate'] })
  await follows()
  live = await opened(db, account, id)
  const plates = async () =>
    (
      await readList(
        { db, live },
        {
          table: 'part',
          fields: ['of-at', 'place'],
          limit: 9,
          sort: { field: 'place', down: false },
        },
      )
    ).rows.map(({ values }) => [values['of-at'] && decodeURIComponent(values['of-at']), values.place])
  expect((await plates()).toSorted()).toEqual(
    [
      [first!.values.plate, '1'],
      [second!.values.plate, '1'],
      [first!.values.plate, '2'],
      [null, '9'],
    ].toSorted(),
  )
  await run(db, `DELETE FROM \`${live.schema}\`.part WHERE place = 9`)
  // The van and the place together, where a link is part of the key: seals and their checks go by it too.
  await edit(
    { kind: 'setKey', table: 'part', fields: ['of-at', 'place'] },
    { kind: 'setKey', table: 'seal', fields: ['seal-of'] },
  )
  await follows()
  live = await opened(db, account, id)
  const [check] = (await readList({ db, live }, { table: 'check', limit: 1 })).rows
  expect(decodeURIComponent(check!.values['check-of']!)).toBe(`${first!.values.plate}~2`)
  // The key at the end changes under a key that itself stays as it is.
  await edit({ kind: 'setKey', table: 'van', fields: ['van-key'] })
  await follows()
  await edit({ kind: 'setKey', table: 'van', fields: ['plate'] })
  await follows()
  // And back to the number of each, which was there all along.
  await edit(
    { kind: 'setKey', table: 'seal', fields: ['seal-key'] },
    { kind: 'setKey', table: 'part', fields: ['part-key'] },
    { kind: 'setKey', table: 'van', fields: ['van-key'] },
  )
  await follows()
  live = await opened(db, account, id)
  const ends = async (table: string, field: string) =>
    (await readList({ db, live }, { table, limit: 9 })).rows.map(({ values }) => values[field])
  expect([await ends('check', 'check-of'), await ends('seal', 'seal-of'), await ends('part', 'of-at')]).toEqual([
    ['1'],
    ['3'],
    [first!.ref, second!.ref, first!.ref],
  ])
})

const keyed = async (name: string) => {
  const made = await vans(
    name,
    tie('van', 'part', { link: 'of-link', field: 'of-at' }),
    { kind: 'addTable', id: 'seal', name: 'Seal', keyField: 'seal-key' },
    tie('part', 'seal', { link: 'seal-link', field: 'seal-of' }),
    { kind: 'addField', table: 'part', id: 'place', name: 'Place', holds: 'whole' },
  )
  const live = await opened(db, account, made.id)
  const [van] = (await readList({ db, live }, { table: 'van', limit: 1 })).rows
  await add(db, live, 'part', { 'of-at': van!.ref, place: '7' })
  await add(db, live, 'seal', { 'seal-of': '1' })
  await made.edit(
    { kind: 'setKey', table: 'van', fields: ['plate'] },
    { kind: 'setKey', table: 'part', fields: ['of-at', 'place'] },
  )
  const ends = async () => {
    const now = liveOf(await stored(db, made.id))
    if (!now.ok) throw new Error('Expected an open book.')
    const end = async (table: string, field: string) =>
      decodeURIComponent((await readList({ db, live: now.value }, { table, limit: 1 })).rows[0]!.values[field]!)
    return [await end('part', 'of-at'), await end('seal', 'seal-of')]
  }
  return { ...made, live, ends, van: van!, plate: String(van!.values.plate) }
}

test('links that follow a key when the server is killed arrive at the next start', async () => {
  for (let place = 0, steps = 1; place < steps; place++) {
    for (const moment of moments) {
      const { id, live, ends, plate } = await keyed(`Key ${place} ${moment}`)
      const journal = await journalled(db, account, id)
      steps = journal.steps
      await killedAt(db, journal.entry, place, moment)
      await resumeOpenings(db)
      expect(await ends()).toEqual([plate, `${plate}~7`])
      await run(db, `DROP DATABASE \`${live.schema}\``)
    }
  }
}, 240_000)

test('links that followed a key are put back with all else where the last step is refused', async () => {
  const { id, live, ends, van } = await keyed('Key put back')
  const before = await shapeOf(db, live.schema)
  expect(await refusedAtLast(db, account, id)).toBe('taken-back')
  expect(await shapeOf(db, live.schema)).toBe(before)
  expect(await ends()).toEqual([van.ref, '1'])
})
