import { beforeAll, expect, test } from 'vitest'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { tie } from '@/tests/support/edits'
import { ruled, rulings } from '@/tests/support/ruled-design'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import type { Account } from '../../people'
import { readRecord, removeRecord, saveRecord } from '..'

let db: Catalogue
let account: Account
beforeAll(async () => {
  db = await testCatalogue('removing')
  account = await testAccount(db, 'Averil')
})

/** Extras that hang on a caterer, too; what a room or a caterer leaves behind is asked. */
async function hall(name: string, fate: 'remove' | 'leave', ...rules: readonly string[]) {
  const design = ruled(...rules).do(
    { kind: 'addTable', id: 'caterer', name: 'Caterer', keyField: 'caterer-key' },
    { kind: 'addTable', id: 'fair', name: 'Fair', keyField: 'fair-key' },
    tie('caterer', 'extra', { link: 'extra-caterer-link', field: 'extra-caterer' }),
    tie('fair', 'caterer', { link: 'caterer-fair-link', field: 'caterer-fair' }),
    { kind: 'changeLink', link: 'extra-caterer-link', onRemove: fate },
    { kind: 'changeLink', link: 'caterer-fair-link', onRemove: 'remove' },
    { kind: 'changeLink', link: 'hire-room-link', onRemove: 'leave' },
    ...(rules.includes('counted')
      ? []
      : [
          {
            kind: 'addRule' as const,
            id: 'roomed',
            table: 'hire',
            words: 'What is agreed has a room.',
            says: {
              kind: 'holds' as const,
              tree: ruled().tree('hire', "NOT (State = 'agreed') OR Room.Seats IS NOT NULL"),
            },
          },
        ]),
  )
  const live = await opened(db, account, await testBook(db, account, name, design.edits))
  const sql = (statement: string) => run(db, statement.replaceAll('@', `\`${live.schema}\`.`))
  await sql('INSERT INTO @fair (fair_number) VALUES (1)')
  await sql('INSERT INTO @caterer (caterer_number, fair) VALUES (1, 1), (2, NULL)')
  await sql('INSERT INTO @room (room_number, seats) VALUES (1, 50)')
  const count = async (table: string) =>
    Number((await select<{ n: number }>(db, `SELECT COUNT(*) AS n FROM \`${live.schema}\`.${table}`))[0]!.n)
  const remove = async (table: string, ref: string) => {
    const record = await readRecord({ db, live }, table, ref)
    if (!record.ok) throw new Error(`Expected ${table} ${ref}.`)
    return removeRecord({ db, live, who: 'Averil' }, { table, ref, rev: record.value.row.rev })
  }
  return { live, sql, count, remove }
}

const refused = (words: string) => ({ ok: false, problem: { kind: 'in-own-words', words } })
const behind = rulings.counted!.words

test('rows that would go along are missed by the records that need them, however far along', async () => {
  const { sql, count, remove } = await hall('Along', 'remove', 'counted')
  await sql("INSERT INTO @hire (hire_number, state) VALUES (1, 'asked')")
  await sql('INSERT INTO @extra (extra_number, hire, caterer) VALUES (1, 1, 1), (2, 1, 2), (3, NULL, 1)')
  await sql("UPDATE @hire SET state = 'agreed' WHERE hire_number = 1")
  // One of two may go.
  expect(await remove('caterer', '2')).toMatchObject({ ok: true })
  expect(await remove('caterer', '1')).toEqual(refused(`Hire 1: ${behind}`))
  expect(await remove('fair', '1')).toEqual(refused(`Hire 1: ${behind}`))
  expect([await count('fair'), await count('caterer'), await count('extra')]).toEqual([1, 1, 2])
  await sql("UPDATE @hire SET state = 'asked' WHERE hire_number = 1")
  expect(await remove('fair', '1')).toMatchObject({ ok: true })
  expect([await count('fair'), await count('caterer'), await count('extra')]).toEqual([0, 0, 0])
})

test('a row taken out of a form takes others along only where nobody misses them', async () => {
  const { live, sql, count } = await hall('Form', 'remove', 'counted')
  await sql("INSERT INTO @hire (hire_number, state) VALUES (1, 'asked')")
  await sql('INSERT INTO @extra (extra_number, hire, caterer) VALUES (1, 1, 1)')
  await sql("UPDATE @hire SET state = 'agreed' WHERE hire_number = 1")
  const rows = [{ ref: '1', rev: 1, values: {}, removed: true }]
  const outcome = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table: 'fair',
      ref: '1',
      rev: 1,
      values: {},
      children: [{ link: 'caterer-fair-link', rows }],
    },
  )
  expect(outcome).toMatchObject({ kind: 'refused' })
  expect(JSON.stringify(outcome)).toContain(behind)
  expect([await count('caterer'), await count('extra')]).toEqual([2, 1])
})

test('records that would lose what they lead to are asked whether they may', async () => {
  const { sql, count, remove } = await hall('Left', 'leave')
  await sql("INSERT INTO @hire (hire_number, state, room) VALUES (1, 'agreed', 1)")
  expect(await remove('room', '1')).toEqual(refused('Hire 1: What is agreed has a room.'))
  expect(await count('room')).toBe(1)
  await sql("UPDATE @hire SET state = 'asked' WHERE hire_number = 1")
  expect(await remove('room', '1')).toMatchObject({ ok: true })
})

test('what is closed neither goes along nor loses a link, and neither do its rows', async () => {
  const { sql, count, remove } = await hall('Closed', 'leave', 'closed')
  await sql("INSERT INTO @hire (hire_number, state, room) VALUES (1, 'asked', 1)")
  await sql('INSERT INTO @extra (extra_number, hire, caterer) VALUES (1, 1, 1)')
  await sql("UPDATE @hire SET state = 'over' WHERE hire_number = 1")
  const closed = refused(rulings.closed!.words)
  expect(await remove('room', '1')).toEqual(closed)
  expect(await remove('caterer', '1')).toEqual(closed)
  expect(await remove('fair', '1')).toEqual(closed)
  expect([await count('room'), await count('caterer')]).toEqual([1, 2])
})
