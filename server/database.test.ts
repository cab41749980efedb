import { beforeAll, expect, test } from 'vitest'
import { testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from './catalogue'
import { run, runForNumber, select, selectRows, transact } from './database'

let db: Catalogue
let table: string

beforeAll(async () => {
  db = await testCatalogue('database')
  table = `\`${db.catalogue}\`.plain_thing`
  await run(
    db,
    `CREATE TABLE ${table} (id INT AUTO_INCREMENT PRIMARY KEY, word VARCHAR(60) UNIQUE, amount DECIMAL(20,4), day DATE, moment DATETIME, big BIGINT)`,
  )
})

const add = (word: string, more: Parameters<typeof run>[3] = undefined) =>
  run(db, `INSERT INTO ${table} (word) VALUES (?)`, [word], more)
const words = async () =>
  (await select<{ word: string }>(db, `SELECT word FROM ${table} ORDER BY id`)).map((row) => row.word)

test('values come as text where a number would lose something, and as they were', async () => {
  const values = ['12345678901234.5678', '2027-02-28', '2027-03-12 09:30:00', 900719925474099]
  await run(db, `INSERT INTO ${table} (word, amount, day, moment, big) VALUES (?, ?, ?, ?, ?)`, ['kept', ...values])
  const [row] = await selectRows(db, `SELECT amount, day, moment, big FROM ${table} WHERE word = ?`, ['kept'])
  expect(row).toEqual(values)
  expect(await run(db, `DELETE FROM ${table} WHERE word = ?`, ['kept'])).toBe(1)
})

test.each(["'; DROP TABLE plain_thing; --", '`', '\\', '?', ':x', '%', '', '🐿️'])(
  '%j is a value, never a statement',
  async (word) => {
    await add(word)
    const found = await select<{ word: string }>(db, `SELECT word FROM ${table} WHERE word = ?`, [word])
    expect(found).toEqual([{ word }])
    await run(db, `DELETE FROM ${table} WHERE word = ?`, [word])
  },
)

test('a statement says how many rows it touched, or the number it gave', async () => {
  const id = await runForNumber(db, `INSERT INTO ${table} (word) VALUES (?)`, ['one'])
  expect(id).toBeGreaterThan(0)
  expect(await run(db, `UPDATE ${table} SET word = ? WHERE id = ?`, ['two', id])).toBe(1)
  expect(await run(db, `DELETE FROM ${table} WHERE id = ?`, [id + 1000])).toBe(0)
  await run(db, `DELETE FROM ${table}`)
})

test('a transaction stands as a whole', async () => {
  const count = await transact(db, async (transaction) => {
    await add('first', transaction)
    // Nobody else sees it yet.
    expect(await words()).toEqual([])
    await add('second', transaction)
    return (await select(db, `SELECT id FROM ${table}`, [], transaction)).length
  })
  expect(count).toBe(2)
  expect(await words()).toEqual(['first', 'second'])
  await run(db, `DELETE FROM ${table}`)
})

test('what throws inside takes all of it back, also a refusal of the database', async () => {
  const broken = transact(db, async (transaction) => {
    await add('first', transaction)
    throw new Error('stop')
  })
  await expect(broken).rejects.toThrow('stop')
  const twice = transact(db, async (transaction) => {
    await add('same', transaction)
    await add('same', transaction)
  })
  await expect(twice).rejects.toMatchObject({ errno: 1062 })
  expect(await words()).toEqual([])
})

test('connections come back after failures: more of them than the pool holds', async () => {
  const attempts = Array.from({ length: 40 }, (_, at) =>
    transact(db, async (transaction) => {
      await add(`n${at}`, transaction)
      if (at % 2) throw new Error('odd')
    }).catch(() => undefined),
  )
  await Promise.all(attempts)
  expect(await words()).toHaveLength(20)
  await run(db, `DELETE FROM ${table}`)
})

test('a row of hundreds is written at once, without a prepared statement of its own', async () => {
  const many = Array.from({ length: 500 }, (_, at) => `row ${at}`)
  expect(await run(db, `INSERT INTO ${table} (word) VALUES ${many.map(() => '(?)').join(', ')}`, many)).toBe(500)
  expect(await words()).toEqual(many)
})
