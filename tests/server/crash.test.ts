import { spawn } from 'node:child_process'
import { beforeAll, expect, inject, test } from 'vitest'
import { keptIn } from '@/core/physical'
import { emberlyDesign } from '@/demo/emberly/design'
import type { Catalogue } from '@/server/catalogue'
import { run, select, transact } from '@/server/database'
import { type Live, openBook, resumeOpenings, saveRecord } from '@/server/live'
import { type Account } from '@/server/people'
import { putOut, sendWaiting } from '@/server/post'
import { opened, stored, testAccount, testBook, testCatalogue } from '../support/catalogue'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('crash')
  account = await testAccount(db, 'Averil')
})

interface Moment {
  /** How much it has done: lines that it said. By what is done and not by the clock, because a machine may be busy. */
  readonly lines: number
  /** And this many milliseconds on, in the middle of what comes next. */
  readonly on: number
}

/** Runs a script as a process of its own and kills it outright in the middle of its work; what it said until then. */
const killedAfter = ({ lines, on }: Moment, script: string, words: readonly string[]) =>
  new Promise<string>((done) => {
    const child = spawn(process.execPath, ['--import', 'tsx', script, ...words], {
      env: { ...process.env, HEARTH_DATABASE_URL: `${inject('databaseUrl')}/crash` },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    let said = ''
    let killing = false
    child.stdout.on('data', (part: Buffer) => {
      said += part.toString()
      if (killing || said.split('\n').length <= lines) return
      killing = true
      setTimeout(() => child.kill('SIGKILL'), on)
    })
    child.on('exit', () => done(said))
  })

async function saved(live: Live, table: string, values: Record<string, string>): Promise<string> {
  const outcome = await saveRecord({ db, live, who: 'Averil' }, { table, ref: null, rev: null, values, children: [] })
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  return outcome.record.row.ref
}

test('a server killed while saving loses nothing it acknowledged and keeps nothing by halves', async () => {
  const id = await testBook(db, account, 'Crash', emberlyDesign().edits)
  const live = await opened(db, account, id)
  const house = await saved(live, 'premises', { premises__address: '1 Tern Court', premises__town: 'Otterby' })
  const item = (key: string) =>
    saved(live, 'service-item', {
      'service-item__key': key,
      'service-item__what-it-is': key,
      'service-item__list-price': '62',
    })
  const items = [await item('SWEEP1'), await item('SMOKE')]
  const acknowledged: string[] = []
  for (const [lines, on, firstDay] of [
    [2, 3, '1950-01-01'],
    [9, 7, '2050-01-01'],
    [16, 12, '2150-01-01'],
  ] as const) {
    const said = await killedAfter({ lines, on }, 'tests/support/saving-process.ts', [
      id,
      house,
      'work-line__visit__l',
      firstDay,
      ...items,
    ])
    acknowledged.push(...said.split('\n').filter(Boolean))
  }
  expect(acknowledged.length).toBeGreaterThanOrEqual(27)
  const rows = await select<{ code: string; lines: number }>(
    db,
    `SELECT v.visit_code AS code, COUNT(w.line_number) AS \`lines\` FROM \`${live.schema}\`.visit v LEFT JOIN \`${live.schema}\`.work_line w ON w.visit = v.visit_code GROUP BY v.visit_code ORDER BY 1`,
  )
  const there = new Set(rows.map((row) => row.code))
  expect(acknowledged.filter((ref) => !there.has(ref))).toEqual([])
  expect(rows.filter((row) => Number(row.lines) !== 2)).toEqual([])
  // No number is missing in between either: what was cut off gave its number back.
  expect(rows.map((row) => Number(row.code.slice(2)))).toEqual(rows.map((_, at) => at + 1))
})

test('a server killed while opening finishes it, or goes back, at the next start', async () => {
  for (const time of [5, 60, 200, 500]) {
    const id = await testBook(db, account, `Opening ${time}`, emberlyDesign().edits)
    await killedAfter({ lines: 1, on: time }, 'tests/support/opening-process.ts', [id, account.id])
    await resumeOpenings(db)
    const book = await stored(db, id)
    const running = await db.openings.count({ where: { book_id: id, state: 'running' } })
    expect(running).toBe(0)
    if (!book.opened) expect(await openBook(db, id, account.id)).toMatchObject({ ok: true, value: { blocked: [] } })
    const tables = await select(
      db,
      "SELECT 1 FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = 'BASE TABLE'",
      [book.liveSchema],
    )
    const design = emberlyDesign().book
    // Beside the tables of the design one for files, and those of what is kept for lists.
    expect(tables).toHaveLength(design.tables.length + 1 + keptIn(design).length)
  }
}, 120_000)

test('a server killed while sending e-mails sends none twice and forgets none', async () => {
  const id = await testBook(db, account, 'Sending', [])
  const many = 120
  const mails = Array.from({ length: many }, (_, at) => ({
    ...{ template: 'bill', name: 'Bill', table: 'visit', ref: String(at), label: String(at) },
    ...{ to: [`una${at}@otterby.example`], subject: `Bill ${at}`, text: 'Good day' },
  }))
  await transact(db, (transaction) => putOut(db, id, account.id, mails, transaction))
  for (const moment of [
    { lines: 8, on: 3 },
    { lines: 40, on: 9 },
    { lines: 70, on: 1 },
  ])
    await killedAfter(moment, 'tests/support/sending-process.ts', [])
  const states = () =>
    select<{ subject: string; state: string }>(
      db,
      `SELECT subject, state FROM \`${db.catalogue}\`.mails WHERE book_id = ?`,
      [id],
    )
  // What was on its way when it was killed is known as that, and is not sent again by whoever comes next.
  const cut = (await states()).filter(({ state }) => state === 'going').map(({ subject }) => subject)
  expect(cut.length).toBeLessThanOrEqual(3)
  await run(
    db,
    `UPDATE \`${db.catalogue}\`.mails SET at = '2020-01-01 00:00:00.000' WHERE book_id = ? AND state = 'going'`,
    [id],
  )
  // As a server does, again and again: for a moment the database may still hold what the killed one had in hand.
  const waiting = async () => {
    await sendWaiting(db)
    return (await states()).filter(({ state }) => state === 'waiting').length
  }
  await expect.poll(waiting, { timeout: 60_000, interval: 200 }).toBe(0)
  const after = await states()
  expect(after).toHaveLength(many)
  expect(after.filter(({ state }) => state !== 'sent').map(({ subject, state }) => [subject, state])).toEqual(
    cut.map((subject) => [subject, 'unsure']),
  )
  const received = await select<{ contents: Buffer }>(
    db,
    `SELECT contents FROM \`${db.catalogue}\`.post_received WHERE book_id = ?`,
    [id],
  )
  const subjects = received.map(({ contents }) => /^Subject: (.*)$/m.exec(contents.toString())?.[1]?.trim())
  expect(new Set(subjects).size).toBe(subjects.length)
  const sent = after.filter(({ state }) => state === 'sent').map(({ subject }) => subject)
  expect(sent.filter((subject) => !subjects.includes(subject))).toEqual([])
}, 120_000)
