import sharp from 'sharp'
import { beforeAll, expect, test } from 'vitest'
import { askedDesign } from '@/tests/support/asked-design'
import { testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { ReportPdf } from '../papers'
import { mostMegabytes, pictureOf, picturesFor, storePicture } from './pictures'

let db: Catalogue
let book: string

beforeAll(async () => {
  db = await testCatalogue('pictures')
  book = await testBook(db, await testAccount(db, 'Averil'), 'Asked', askedDesign)
})

const drawn = (width: number, height: number, format: 'png' | 'jpeg' | 'webp' = 'png') =>
  sharp({ create: { width, height, channels: 4, background: { r: 200, g: 30, b: 10, alpha: 0.5 } } })
    .toFormat(format)
    .toBuffer()

test('a picture is kept with as many dots as paper shows, on white', async () => {
  const stored = await storePicture(db, book, { name: 'logo.png', contents: await drawn(3000, 500) })
  expect(stored).toMatchObject({ ok: true, value: { width: 1200, height: 200 } })
  const { hash } = stored.ok ? stored.value : { hash: '' }
  const kept = (await pictureOf(db, book, hash))!
  const { channels, format } = await sharp(kept).metadata()
  expect([channels, format]).toEqual([3, 'png'])
  expect(await pictureOf(db, 'another', hash)).toBe(undefined)
  const again = await storePicture(db, book, { name: 'logo.png', contents: await drawn(3000, 500) })
  expect(again).toEqual(stored)
})

test.each(['jpeg', 'webp'] as const)('a %s becomes one that paper takes', async (format) => {
  const stored = await storePicture(db, book, { name: `logo.${format}`, contents: await drawn(40, 30, format) })
  expect(stored).toMatchObject({ ok: true, value: { width: 40, height: 30 } })
})

test('what is no picture, or too large a file, is refused in words', async () => {
  const refused = async (contents: Buffer) => {
    const stored = await storePicture(db, book, { name: 'logo.png', contents })
    return stored.ok ? undefined : stored.problem.kind
  }
  expect(await refused(Buffer.from('not a picture at all'))).toBe('file-not-picture')
  expect(await refused(Buffer.alloc(0))).toBe('file-not-picture')
  expect(await refused((await drawn(40, 30)).subarray(0, 60))).toBe('file-not-picture')
  expect(await refused(Buffer.alloc(mostMegabytes * 1024 * 1024 + 1))).toBe('file-too-big')
})

test('it is in a PDF once, however many pages it stands on; one that is gone leaves its place free', async () => {
  const stored = await storePicture(db, book, { name: 'logo.png', contents: await drawn(60, 40) })
  if (!stored.ok) throw new Error('It was not kept.')
  const pictures = await picturesFor(db, { logo: stored.value })
  const pdf = new ReportPdf({ width: 300, height: 200 }, { title: 'T', author: 'A', made: new Date(0), pictures })
  const parts: Buffer[] = []
  const read = (async () => {
    for await (const part of pdf.stream) parts.push(part as Buffer)
  })()
  const at = { kind: 'picture', x: 10, y: 10, width: 60, height: 40 } as const
  const pages = [stored.value.hash, stored.value.hash, '0'.repeat(64)]
  for (const hash of pages) pdf.page({ items: [{ ...at, hash }], areas: [], marks: [] })
  pdf.end()
  await read
  expect(
    Buffer.concat(parts)
      .toString('latin1')
      .match(/\/Subtype \/Image/g),
  ).toHaveLength(1)
})
