import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { passingFolder } from '@/setup/passing-folder'
import { type PrivateDatabase, startPrivateDatabase } from '@/setup/private-database'
import { type Catalogue, catalogueOn } from '@/server/catalogue'
import { connect, run, select } from '@/server/database'
import { saveRecord } from '@/server/live'
import { resumeOpening } from '@/server/live/open/journal'
import { makeAccount } from '@/server/people'
import { handOut } from '@/server/reports'
import { billBook, billLine, smallChanges } from '../support/beside-openings'
import { billedJobs, jobBill } from '../support/billed-jobs'
import { editAll, shapeAfresh, shapeOf, stored } from '../support/books'
import { opened, testBook } from '../support/catalogue'
import { journalled } from '../support/crashes'

const folder = passingFolder('dying')
let server: PrivateDatabase
let db: Catalogue

beforeAll(async () => {
  server = await startPrivateDatabase(folder.path, { relaxed: true, keepUp: true })
  db = await catalogueOn(await connect(`${server.url}/dying`))
})
afterAll(async () => {
  await db.sequelize.close()
  await server.stop()
  folder.remove()
})

test('an opening in whose middle the database dies is finished by the next save that needs the book', async () => {
  const made = await makeAccount(db, 'Averil', 'a long enough one', true)
  if (!made.ok) throw new Error('Expected an account.')
  const { id, live } = await billBook(db, made.value, 'Dies')
  await editAll(db, made.value, id, smallChanges[0]!)
  const { entry, steps } = await journalled(db, made.value, id)
  const dies = (position: number, moment: string) => {
    if (position === Math.floor(steps / 2) && moment === 'before')
      process.kill(Number(readFileSync(join(folder.path, 'database.pid'), 'utf8')), 'SIGKILL')
  }
  await expect(resumeOpening(db, entry, { between: dies })).rejects.toThrow()
  const save = () =>
    saveRecord({ db, live, who: 'Averil' }, billLine('1', '1')).then(
      ({ kind }) => kind,
      () => 'not there yet',
    )
  await expect.poll(save, { timeout: 50_000, interval: 200 }).toBe('saved')
  expect((await stored(db, id)).opening).toBeUndefined()
  expect(await shapeOf(db, live.schema)).toBe(await shapeAfresh(db, made.value, id))
})

test('where the database dies while documents are handed out, all of them are there or none, and no number is missing', async () => {
  const made = await makeAccount(db, 'Bram', 'a long enough one', true)
  if (!made.ok) throw new Error('Expected an account.')
  const book = await testBook(db, made.value, 'Handing', billedJobs)
  const live = await opened(db, made.value, book)
  const many = 120
  await run(
    db,
    `INSERT INTO \`${live.schema}\`.job (job_number, ready_on) SELECT seq, '2027-03-01' FROM \`${live.schema}\`.seq_1_to_${many}`,
  )
  const refs = Array.from({ length: many }, (_, at) => String(at + 1))
  const hand = () =>
    handOut({
      ...{ db, book, account: made.value.id },
      writings: {
        ...{ reads: { db, live }, template: jobBill, of: { refs }, letterhead: undefined, who: 'Bram' },
        answers: { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [] },
      },
    })
  const told = async () => {
    const [{ papers = -1, last = null } = {}] = await select<{ papers: number; last: string | null }>(
      db,
      `SELECT COUNT(*) AS papers, MAX(number) AS last FROM \`${db.catalogue}\`.papers WHERE book_id = ?`,
      [book],
    )
    const [{ noted = -1 } = {}] = await select<{ noted: number }>(
      db,
      `SELECT COUNT(*) AS noted FROM \`${live.schema}\`.job WHERE billed_on IS NOT NULL`,
    )
    return { papers: Number(papers), last, noted: Number(noted) }
  }
  // Early, in the middle of it, and late.
  for (const after of [60, 400, 900]) {
    const going = hand().then(
      ({ ok }) => (ok ? 'handed out' : 'not'),
      () => 'not',
    )
    await new Promise((later) => setTimeout(later, after))
    process.kill(Number(readFileSync(join(folder.path, 'database.pid'), 'utf8')), 'SIGKILL')
    const outcome = await going
    await expect
      .poll(
        () =>
          told()
            .then(() => 'there')
            .catch(() => 'gone'),
        { timeout: 50_000, interval: 200 },
      )
      .toBe('there')
    const { papers, noted, last } = await told()
    expect(papers % many).toBe(0)
    if (outcome === 'handed out') expect(papers).toBeGreaterThan(0)
    expect(noted).toBe(papers > 0 ? many : 0)
    expect(last).toBe(papers > 0 ? `B-${String(papers).padStart(3, '0')}` : null)
  }
  const before = await told()
  expect(await hand()).toMatchObject({ ok: true })
  expect((await told()).papers).toBe(before.papers + many)
  expect((await told()).last).toBe(`B-${String(before.papers + many).padStart(3, '0')}`)
}, 180_000)
