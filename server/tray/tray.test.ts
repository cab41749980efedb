import { createHash } from 'node:crypto'
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { measuresOf } from '@/core/reports/layout/measures'
import type { Page } from '@/core/reports'
import { testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import { editionFile, editionNow, laidEdition, leaveView, startEdition } from '../reports'
import { NotLaid, type Work } from '../reports/work'
import { fileInTray, putInTray, takeOut, trayLimits, trayOf } from '.'

let db: Catalogue
let averil: string
let book: string
beforeAll(async () => {
  db = await testCatalogue('tray')
  const account = await testAccount(db, 'Averil')
  averil = account.id
  book = await testBook(db, account, 'Asked', [])
})
beforeEach(() => run(db, `DELETE FROM \`${db.catalogue}\`.tray`))

const measures = measuresOf({ paper: { size: 'a4', margin: 18 }, letters: 9, room: 'usual' })
const page = (words: string): Page => ({
  items: [{ kind: 'text', x: 60, y: 100, size: 9, words }],
  areas: [],
  marks: [],
})

/** Pages that come when they are let go on: half of them, then the others. */
function slowWork(pages: number) {
  let goOn: () => void = () => undefined
  let fail: (cause: Error) => void = () => undefined
  const gate = new Promise<void>((resolve, reject) => ((goOn = resolve), (fail = reject)))
  gate.catch(() => undefined)
  const all = Array.from({ length: pages }, (_, at) => page(`Page ${at}`))
  const work: Work<object> = {
    title: 'All visits',
    book: 'Asked',
    async lay(onBegin, onPages) {
      onBegin(measures)
      await onPages(all.slice(0, pages / 2))
      await gate
      await onPages(all.slice(pages / 2))
      return {}
    },
  }
  return { work, goOn, fail }
}

const owner = () => ({ book, account: averil })
const wish = (edition: string, form: 'pdf' | 'zip' = 'pdf') => ({ ...owner(), author: 'Averil', edition, form })
async function put(edition: string, form: 'pdf' | 'zip' = 'pdf') {
  const found = await putInTray(db, wish(edition, form))
  if (!found.ok) throw new Error(found.problem.kind)
  return found.value
}
async function contentsOf(id: string): Promise<Buffer> {
  const found = await fileInTray(db, owner(), id)
  const parts: Buffer[] = []
  for await (const part of found!.contents) parts.push(part)
  return Buffer.concat(parts)
}
const stateOf = async (id: string) => (await trayOf(db, owner())).find((one) => one.id === id)
const hash = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

describe('a file in the tray', () => {
  test('is made to its end though whoever asked for it has left, and is the file that they would have had', async () => {
    const { work, goOn } = slowWork(1600)
    const { id: edition } = await startEdition(book, averil, () => work, 'here')
    const { id, done } = await put(edition)
    expect(await stateOf(id)).toMatchObject({ state: 'making', title: 'All visits', form: 'pdf', size: 0 })
    await leaveView(averil, 'here')
    // Something else is looked at there meanwhile.
    await startEdition(book, averil, () => slowWork(2).work, 'here')
    expect(editionNow(edition, averil, book)?.problem).toBe(undefined)
    goOn()
    // Held by this test too, so that it can be compared.
    const other = await put(edition, 'zip')
    await Promise.all([done, other.done])
    const file = await stateOf(id)
    const contents = await contentsOf(id)
    expect(file).toMatchObject({ state: 'ready', pages: 1600, size: contents.length })
    expect(contents.length).toBeGreaterThan(1 << 20)
    expect(contents.subarray(0, 8).toString()).toBe('%PDF-1.7')
    expect(contents.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1600)
    expect((await contentsOf(other.id)).subarray(0, 2).toString()).toBe('PK')
    // Nobody wants the pages any more.
    expect(editionNow(edition, averil, book)).toBe(undefined)
    await leaveView(averil, 'here')
  })

  test('is byte for byte what would have been taken at once', async () => {
    const { work, goOn } = slowWork(40)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    goOn()
    const { id, done } = await put(edition)
    await done
    const parts: Buffer[] = []
    for await (const part of editionFile(laidEdition(edition, averil, book)!, 'pdf', 'Averil'))
      parts.push(part as Buffer)
    expect(hash(await contentsOf(id))).toBe(hash(Buffer.concat(parts)))
    await leaveView(averil, 'there')
  })

  test('is seen by nobody else', async () => {
    const { work, goOn } = slowWork(4)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    goOn()
    const { id, done } = await put(edition)
    await done
    const { id: bram } = await testAccount(db, 'Bram')
    expect(await trayOf(db, { book, account: bram })).toEqual([])
    expect(await fileInTray(db, { book, account: bram }, id)).toBe(undefined)
    await takeOut(db, { book, account: bram }, id)
    expect(await fileInTray(db, owner(), id)).toBeDefined()
    expect(await putInTray(db, { ...wish(edition), account: bram })).toMatchObject({
      problem: { kind: 'edition-gone' },
    })
    await leaveView(averil, 'there')
  })

  test('that is taken out while it is made is stopped, and nothing of it is left', async () => {
    const { work, goOn } = slowWork(6)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    const { id, done } = await put(edition)
    await leaveView(averil, 'there')
    await takeOut(db, owner(), id)
    await done
    expect(await trayOf(db, owner())).toEqual([])
    expect(await select(db, `SELECT part FROM \`${db.catalogue}\`.tray_parts`)).toEqual([])
    expect(editionNow(edition, averil, book)).toBe(undefined)
    goOn()
  })

  test('that can’t be made says why', async () => {
    const { work, fail } = slowWork(4)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    const { id, done } = await put(edition)
    fail(new NotLaid({ kind: 'documents-many', most: 500, what: 'written' }))
    await done
    expect(await stateOf(id)).toMatchObject({ state: 'failed', problem: { kind: 'documents-many' } })
    await leaveView(averil, 'there')
  })

  test('that would be too large says so, and nothing of it is kept', async () => {
    const { work, goOn } = slowWork(200)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    goOn()
    const found = await putInTray(db, { ...wish(edition), most: 0.05 })
    if (!found.ok) throw new Error(found.problem.kind)
    await found.value.done
    expect(await stateOf(found.value.id)).toMatchObject({ state: 'failed', problem: { kind: 'tray-file-large' } })
    expect(await select(db, `SELECT part FROM \`${db.catalogue}\`.tray_parts`)).toEqual([])
    await leaveView(averil, 'there')
  })

  test('of which nothing is heard any more says that the program was stopped', async () => {
    await run(
      db,
      `INSERT INTO \`${db.catalogue}\`.tray (id, book_id, account_id, title, form, state, made_at, beat)
       VALUES ('lost', ?, ?, 'Lost', 'pdf', 'making', DATE_FORMAT(UTC_TIMESTAMP(3), '%Y-%m-%d %T.%f'), UTC_TIMESTAMP(3) - INTERVAL 2 MINUTE)`,
      [book, averil],
    )
    expect(await stateOf('lost')).toMatchObject({ state: 'failed', problem: { kind: 'tray-stopped' } })
    expect(await fileInTray(db, owner(), 'lost')).toBe(undefined)
  })

  test('waits for some days, and then goes', async () => {
    const { work, goOn } = slowWork(4)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    goOn()
    const { id, done } = await put(edition)
    await done
    const age = (days: number) =>
      run(
        db,
        `UPDATE \`${db.catalogue}\`.tray SET made_at = DATE_FORMAT(UTC_TIMESTAMP(3) - INTERVAL ? DAY, '%Y-%m-%d %T.000') WHERE id = ?`,
        [days, id],
      )
    await age(trayLimits.days - 1)
    expect(await stateOf(id)).toBeDefined()
    await age(trayLimits.days + 1)
    expect(await stateOf(id)).toBe(undefined)
    expect(await fileInTray(db, owner(), id)).toBe(undefined)
    await (
      await put(edition)
    ).done
    expect(await select(db, `SELECT id FROM \`${db.catalogue}\`.tray WHERE id = ?`, [id])).toEqual([])
    await leaveView(averil, 'there')
  })

  test('is one of so many at the most, also where two are put in at the same moment', async () => {
    const { work, goOn } = slowWork(4)
    const { id: edition } = await startEdition(book, averil, () => work, 'there')
    goOn()
    const all = await Promise.all(Array.from({ length: trayLimits.files + 3 }, () => putInTray(db, wish(edition))))
    const refused = all.flatMap((one) => (one.ok ? [] : [one.problem.kind]))
    expect(refused).toEqual(['tray-full', 'tray-full', 'tray-full'])
    await Promise.all(all.flatMap((one) => (one.ok ? [one.value.done] : [])))
    expect((await trayOf(db, owner())).every(({ state }) => state === 'ready')).toBe(true)
    await leaveView(averil, 'there')
    expect(editionNow(edition, averil, book)).toBe(undefined)
  })
})
