import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { passingFolder } from '@/setup/passing-folder'
import { type PrivateDatabase, startPrivateDatabase } from '@/setup/private-database'
import { type Catalogue, catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { saveRecord } from '@/server/live'
import { resumeOpening } from '@/server/live/open/journal'
import { makeAccount } from '@/server/people'
import { billBook, billLine, smallChanges } from '../support/beside-openings'
import { editAll, shapeAfresh, shapeOf, stored } from '../support/books'
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
