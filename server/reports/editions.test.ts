import { beforeAll, expect, test } from 'vitest'
import { type LaidVisits, laidVisits } from '@/tests/support/laid-visits'
import type { Catalogue } from '../catalogue'
import type { Live } from '../live/live'
import { dropEdition, editionFile, editionNow, editionPage, laidEdition, startEdition } from '.'
import { type Laid, reportWork } from './lay-edition'
import { BeingOpened, lettingGo } from './work'

const averil = 'averil'
let db: Catalogue
let live: Live
let laying: LaidVisits['laying']
beforeAll(async () => {
  ;({ db, live, laying } = await laidVisits('editions'))
})

async function finished(id: string) {
  for (;;) {
    const now = editionNow(id, averil, 'book')
    if (now?.laid || now?.problem) return now
    await new Promise((later) => setTimeout(later, 20))
  }
}

test('an edition is read page by page, by who asked for it alone, and goes when it is no longer wanted', async () => {
  const { id } = await startEdition('book', averil, () => reportWork(laying()))
  const now = await finished(id)
  expect((now.laid as Laid).fitted).toMatchObject({ rows: 900, beside: 1 })
  expect(now.pages).toBeGreaterThan(15)
  const last = await editionPage(id, averil, 'book', now.pages - 1)
  expect(JSON.stringify(last)).toContain(`Page ${now.pages} of ${now.pages}`)
  expect(await editionPage(id, averil, 'book', now.pages)).toBe(undefined)
  for (const [account, book] of [
    ['bram', 'book'],
    [averil, 'another'],
  ] as const) {
    expect(editionNow(id, account, book)).toBe(undefined)
    expect(await editionPage(id, account, book, 0)).toBe(undefined)
    expect(laidEdition(id, account, book)).toBe(undefined)
  }
  await dropEdition(id, 'bram')
  expect(editionNow(id, averil, 'book')).toBeDefined()
  await dropEdition(id, averil)
  expect(editionNow(id, averil, 'book')).toBe(undefined)
})

test('the oldest of one person go, so that what waits never grows', async () => {
  const ids: string[] = []
  for (let at = 0; at < 9; at++) {
    const { id } = await startEdition('book', averil, () => reportWork(laying()))
    await finished(id)
    ids.push(id)
  }
  expect(ids.map((id) => editionNow(id, averil, 'book') !== undefined)).toEqual([
    ...[false, false, false],
    ...[true, true, true, true, true, true],
  ])
  for (const id of ids) await dropEdition(id, averil)
})

test('a list that takes too long, or is stopped, says so in words', async () => {
  const { id } = await startEdition('book', averil, () =>
    reportWork(laying({ reads: { db, live: { ...live, schema: 'nowhere' } } })),
  )
  expect((await finished(id)).problem).toEqual({ kind: 'unexpected' })
  await dropEdition(id, averil)
})

test('a table that is missing while the book is opened is told so', async () => {
  const missing = { db, live: { ...live, schema: 'nowhere' } }
  const { id } = await startEdition('book', averil, () =>
    reportWork(laying({ reads: missing, isOpening: () => Promise.resolve(true) })),
  )
  expect((await finished(id)).problem).toEqual({ kind: 'being-opened', book: live.book.name })
  await dropEdition(id, averil)
})

test('the PDF holds the words of its pages, and its title', async () => {
  const { id } = await startEdition('book', averil, () => reportWork(laying()))
  await finished(id)
  const made = laidEdition(id, averil, 'book')!
  const parts: Buffer[] = []
  for await (const part of editionFile(made, 'pdf', 'Averil')) parts.push(part as Buffer)
  const pdf = Buffer.concat(parts).toString('latin1')
  expect(made.title).toBe('Visits')
  expect(pdf.startsWith('%PDF-1.7')).toBe(true)
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(editionNow(id, averil, 'book')!.pages)
  await dropEdition(id, averil)
})

test('what is laid where another was looked at comes in its place, also while that is still being laid', async () => {
  const started = await Promise.all(
    Array.from({ length: 5 }, () => startEdition('book', averil, () => reportWork(laying()), 'one view')),
  )
  const last = await startEdition('book', averil, () => reportWork(laying()), 'one view')
  expect((await finished(last.id)).laid).toBeDefined()
  const others = await startEdition('book', averil, () => reportWork(laying()), 'another view')
  expect((await finished(others.id)).laid).toBeDefined()
  expect(started.map(({ id }) => editionNow(id, averil, 'book'))).toEqual(started.map(() => undefined))
  expect(editionNow(last.id, averil, 'book')).toBeDefined()
  for (const { id } of [last, others]) await dropEdition(id, averil)
})

test('few are laid at once, and each has its turn', async () => {
  let [now, most] = [0, 0]
  const isOpening = async () => {
    most = Math.max(most, ++now)
    await new Promise((later) => setTimeout(later, 30))
    now--
    return false
  }
  const wish = () => reportWork(laying({ isOpening }))
  const all = await Promise.all(Array.from({ length: 5 }, (_, at) => startEdition('book', `person ${at}`, wish)))
  for (const [at, { id }] of all.entries()) {
    const person = `person ${at}`
    while (!editionNow(id, person, 'book')?.laid) await new Promise((later) => setTimeout(later, 20))
    await dropEdition(id, person)
  }
  expect(most).toBeLessThanOrEqual(2)
})

test('while its book is opened a report lets go, and says so', async () => {
  const release = lettingGo({ isOpening: () => Promise.resolve(true) })
  await release()
  await new Promise((later) => setTimeout(later, 1100))
  await expect(release()).rejects.toThrow(BeingOpened)
})
