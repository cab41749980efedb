import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { connect, select } from '@/server/database'
import { refuseFullDisk } from './database-process'
import { freePort } from './free-port'
import { claim } from './one-at-a-time'
import { startPrivateDatabase } from './private-database'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'hearth-setup-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

test('what was kept is there again at the next start, and gone after a fresh one', async () => {
  const tables = async (choices: Parameters<typeof startPrivateDatabase>[1]) => {
    const server = await startPrivateDatabase(folder, { relaxed: true, ...choices })
    const db = await connect(`${server.url}/kept`)
    await db.sequelize.query('CREATE TABLE IF NOT EXISTS kept.thing (id INT PRIMARY KEY)')
    const rows = await select(db, 'SELECT * FROM kept.thing')
    await db.sequelize.query('INSERT INTO kept.thing VALUES (1)').catch(() => undefined)
    await db.sequelize.close()
    await server.stop()
    return rows.length
  }
  expect(await tables({})).toBe(0)
  expect(await tables({})).toBe(1)
  expect(await tables({ fresh: true })).toBe(0)
})

test('a half-made data folder is made again', async () => {
  mkdirSync(join(folder, 'data.making', 'mysql'), { recursive: true })
  writeFileSync(join(folder, 'data.making', 'ibdata1'), 'cut off')
  const server = await startPrivateDatabase(folder, { relaxed: true })
  await server.stop()
})

test('a database whose starter was killed is stopped before a new one starts', async () => {
  const script = `import { startPrivateDatabase } from './setup/private-database'; await startPrivateDatabase(${JSON.stringify(folder)}, { relaxed: true }); process.stdout.write('up'); setInterval(() => {}, 1000)`
  const starter = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise((up) => starter.stdout.once('data', up))
  const pid = Number(readFileSync(join(folder, 'database.pid'), 'utf8'))
  starter.kill('SIGKILL')
  const server = await startPrivateDatabase(folder, { relaxed: true })
  expect(() => process.kill(pid, 0)).toThrow()
  await server.stop()
})

test('a database that dies is started again at the same address, with all that was saved', async () => {
  const server = await startPrivateDatabase(folder, { relaxed: true, keepUp: true })
  const db = await connect(`${server.url}/kept`)
  await db.sequelize.query('CREATE TABLE kept.thing (id INT PRIMARY KEY)')
  await db.sequelize.query('INSERT INTO kept.thing VALUES (1)')
  process.kill(Number(readFileSync(join(folder, 'database.pid'), 'utf8')), 'SIGKILL')
  const count = () => select<{ id: number }>(db, 'SELECT id FROM kept.thing').catch(() => undefined)
  await expect.poll(count, { timeout: 30_000, interval: 200 }).toEqual([{ id: 1 }])
  await db.sequelize.close()
  await server.stop()
  await new Promise((done) => setTimeout(done, 2500))
  // Stopped by hand it stays so.
  await expect(connect(`${server.url}/kept`)).rejects.toThrow()
})

test('a disk without room is told before anything is begun', () => {
  expect(() => refuseFullDisk(folder, 1_000_000_000)).toThrow(
    /^The disk is full: \d+ MB are free, and the database needs 1000000000 MB to start\./,
  )
  expect(() => refuseFullDisk(folder, 1)).not.toThrow()
})

test('a broken data folder is met with a sentence and the way on', async () => {
  mkdirSync(join(folder, 'data'))
  writeFileSync(join(folder, 'data', 'ibdata1'), 'not a database')
  await expect(startPrivateDatabase(folder, { relaxed: true })).rejects.toThrow(
    /^The database did not start\. Its own words are in .*--fresh$/,
  )
})

test('a port in use gives way to a free one', async () => {
  const taken = createServer()
  await new Promise<void>((done) => taken.listen(0, '127.0.0.1', done))
  const { port } = taken.address() as { port: number }
  expect(await freePort(port)).not.toBe(port)
  taken.close()
})

test('a second run is told that the first is going; one that was killed doesn’t count', () => {
  const release = claim(folder, () => 'http://127.0.0.1:4310')
  writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: process.ppid, url: 'http://127.0.0.1:4310' }))
  expect(() => claim(folder, () => '')).toThrow(
    'It is running already at http://127.0.0.1:4310. Use that, or stop it there with Ctrl-C first.',
  )
  writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: 2 ** 22 - 3, url: '' }))
  const again = claim(folder, () => '')
  again()
  release()
})
