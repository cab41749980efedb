import { afterAll, beforeAll, expect, inject, test } from 'vitest'
import { readOnly, askingLimits, connect, type Database, run, select, transact } from './database'
import { heavyProblem } from './live'

let db: Database

beforeAll(async () => {
  db = await connect(`${inject('databaseUrl')}/asking_pool`)
  await run(db, 'CREATE TABLE IF NOT EXISTS asking_pool.thing (id INT PRIMARY KEY)')
})
afterAll(() => db.sequelize.close())

const heavy = (from: Database, seconds = 60) => select(from, `SELECT SLEEP(${seconds}) AS slept, ? AS one`, [1])
const running = async () =>
  (await select(db, "SELECT 1 FROM information_schema.PROCESSLIST WHERE INFO LIKE 'SELECT SLEEP(%'")).length

async function until(done: () => Promise<boolean>) {
  while (!(await done())) await new Promise((next) => setTimeout(next, 20))
}

test('a question ends in the database when whoever asked it goes away', async () => {
  const leaving = new AbortController()
  const left = heavy(readOnly(db, leaving.signal)).catch((cause: unknown) => heavyProblem(cause))
  await until(async () => (await running()) === 1)
  leaving.abort()
  await left
  await until(async () => (await running()) === 0)
  // The connection goes on answering others.
  expect(await select(readOnly(db), 'SELECT 1 AS one')).toEqual([{ one: 1 }])
})

test('forty heavy questions at once keep nobody from saving, and are gone once nobody waits for them', async () => {
  const leaving = new AbortController()
  const left = Promise.allSettled(Array.from({ length: 40 }, () => heavy(readOnly(db, leaving.signal))))
  await until(async () => (await running()) === askingLimits.atOnce)
  for (let id = 1; id <= 20; id++)
    await transact(db, (transaction) => run(db, 'INSERT INTO asking_pool.thing (id) VALUES (?)', [id], transaction))
  leaving.abort()
  await left
  await until(async () => (await running()) === 0)
})

test('what takes too long is stopped, and told in words; nothing is written on such a connection', async () => {
  const refused = await transact(readOnly(db), async (transaction) => {
    await run(readOnly(db), 'SET SESSION max_statement_time = 0.05', [], transaction)
    const all = 'information_schema.COLLATIONS'
    const endless = `SELECT COUNT(*) AS n FROM ${all} a, ${all} b, ${all} c`
    const failed = await select(readOnly(db), endless, [], transaction).catch((cause: unknown) => heavyProblem(cause))
    await run(readOnly(db), `SET SESSION max_statement_time = ${askingLimits.seconds}`, [], transaction)
    return failed
  })
  expect(refused).toEqual({ kind: 'asks-too-much', seconds: askingLimits.seconds })
  await expect(run(readOnly(db), 'INSERT INTO asking_pool.thing (id) VALUES (99)')).rejects.toThrow(/READ ONLY/)
})
