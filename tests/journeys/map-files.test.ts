import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { emberlyDesign } from '@/demo/emberly/design'
import { type Browser, patience } from '../support/browser'
import { compareCards } from '../support/compare-cards'
import { faults } from '../support/faults'
import { servedBook } from '../support/served-book'

let browser: Browser
const downloads = mkdtempSync(join(tmpdir(), 'hearth-map-'))

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  const area: Edit = { kind: 'addArea', id: 'rung', name: 'People we ring', tone: 'spruce', tables: ['contact'] }
  const book = await servedBook('mapfiles', 'Emberly Flue Care', [...emberlyDesign().edits, area])
  browser = book.browser
  await browser.command('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads })
  await browser.go(`${book.path}/workshop/map`)
  await laid()
})
afterAll(() => rmSync(downloads, { recursive: true, force: true }))

const laid = () => browser.see('[data-laid="yes"]')
const script = <T>(text: string, ...args: unknown[]) => browser.driver.executeScript<T>(text, ...args)

test('what each field is made from is saved like the links', async () => {
  await browser.answer('What is drawn between the cards', 'Made from')
  await browser.read('From table to table')
  await laid()
  await save('Drawing (SVG)')
  const file = join(downloads, 'Emberly Flue Care.svg')
  expect(readFileSync(file, 'utf8')).toContain('List price of its Service item')
  rmSync(file)
  await browser.answer('What is drawn between the cards', 'Links')
  await laid()
})

test('what is saved is what is seen: an SVG with its letters, a PNG, and a PDF that warns of small print', async () => {
  const onScreen = await script<string[]>(
    "return [...document.querySelectorAll('.react-flow__node[data-id=visit] text')].map(t => t.textContent)",
  )
  await save('Drawing (SVG)')
  const plain = join(downloads, 'Emberly Flue Care.svg')
  expect(readFileSync(plain, 'utf8').match(/font-family:'[^']+'/g)).toEqual([
    "font-family:'Atkinson Hyperlegible Next'",
  ])
  rmSync(plain)
  await browser.press('Save picture')
  await browser.answer('What kind of file', 'For paper (PDF)')
  await browser.read('too small to read well')
  await browser.answer('How many pages', 'As many as it takes')
  await browser.read(/prints at [789]\.\d pt, on \d+ pages/)
  expect(await faults(browser)).toEqual([])
  // Letters of other scripts have a typeface too; those that none has are named.
  await browser.fill('Author', 'Жанна 漢')
  await browser.press('Save')
  await arrived('Emberly Flue Care.pdf')
  const pdf = readFileSync(join(downloads, 'Emberly Flue Care.pdf'), 'latin1')
  expect(pdf.startsWith('%PDF-')).toBe(true)
  await browser.read('The PDF has no shapes for 漢')
  expect(pdf).toContain('NotoSans')
  expect(pdf.match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(1)
  await save('Drawing (SVG)')
  const svg = readFileSync(join(downloads, 'Emberly Flue Care.svg'), 'utf8')
  expect(svg).toContain('data:font/woff2;base64,')
  expect(svg).toContain("font-family:'Noto Sans'")
  expect(svg).toContain('People we ring')
  for (const text of onScreen) expect(svg).toContain(`>${text}</text>`)
  expect(svg).not.toMatch(/var\(--|<script|href=/)
  await save('Picture (PNG)')
  const png = readFileSync(join(downloads, 'Emberly Flue Care.png'))
  expect(png.subarray(1, 4).toString()).toBe('PNG')
  expect(dotsAnInch(png)).toBe(192)
}, 90_000)

/** What a PNG says of its size on paper (ISO/IEC 15948, 11.3.4.3), in dots an inch. */
const dotsAnInch = (png: Buffer) => Math.round(png.readUInt32BE(png.indexOf('pHYs') + 4) * 0.0254)

async function save(kind: string): Promise<void> {
  await browser.press('Save picture')
  await browser.answer('What kind of file', kind)
  await browser.press('Save')
  await browser.read('The map is saved.')
  await arrived(`Emberly Flue Care.${kind.slice(-4, -1).toLowerCase()}`)
}

const arrived = (name: string) =>
  browser.driver.wait(() => readdirSync(downloads).includes(name), patience, `${name} never arrived.`)

test(
  'the file, drawn again by itself, looks like the screen',
  async () => {
    // The same part of both: one card, at full size.
    const pixels = await script<number>(compareCards, readFileSync(join(downloads, 'Emberly Flue Care.svg'), 'utf8'))
    expect(pixels).toBeGreaterThan(0.97)
  },
  patience,
)
