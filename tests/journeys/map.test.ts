import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'
import { servedBook, type ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
const downloads = mkdtempSync(join(tmpdir(), 'hearth-map-'))

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedBook('mapping', 'Emberly Flue Care', emberlyDesign().edits)
  browser = book.browser
  await browser.command('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads })
  await browser.go(`${book.path}/workshop/map`)
  await laid()
})
afterAll(() => rmSync(downloads, { recursive: true, force: true }))

const laid = () => browser.see('[data-laid="yes"]')
const script = <T>(text: string, ...args: unknown[]) => browser.driver.executeScript<T>(text, ...args)
const card = (id: string) => browser.see(`.react-flow__node[data-id="${id}"]`)
const spotOf = (id: string) =>
  script<string>('return document.querySelector(`.react-flow__node[data-id="${arguments[0]}"]`).style.transform', id)
const drawnPaths = () => script<number>("return document.querySelectorAll('.react-flow__viewport-portal path').length")

test('it lays itself out, and reads as a list too', async () => {
  expect(await faults(browser)).toEqual([])
  const words = await script<string>('return document.querySelector("[aria-label=\'The map in words\']").textContent')
  expect(words).toContain('Premises')
  expect(words).toContain('is booked for to Visit: none or more')
  expect(await drawnPaths()).toBeGreaterThan(22)
  const spoken = await script<string>(
    "return document.getElementById(document.querySelector('.react-flow__node').getAttribute('aria-describedby')).textContent",
  )
  expect(spoken).toMatch(/the arrow keys move it/)
  expect(spoken).not.toMatch(/delete/i)
  await browser.press('Nearer')
  await browser.press('The whole map')
})

test('each reading shows what it says', async () => {
  const texts = () =>
    script<string>("return [...document.querySelectorAll('.react-flow__node text')].map(t => t.textContent).join('|')")
  const until = (has: string, hasNot: string) =>
    browser.driver.wait(
      async () => {
        const now = await texts()
        return now.includes(has) && !now.includes(hasNot)
      },
      patience,
      `The cards never showed ${has} without ${hasNot}.`,
    )
  await browser.answer('What stands on a card', 'Names')
  await until('Visit', 'Booked for')
  await browser.answer('What stands on a card', 'Keys')
  await until('Visit code', 'Ladder height')
  await browser.answer('What stands on a card', 'Kinds')
  await until('Date and time', 'DATETIME')
  await browser.answer('Show as', 'Database')
  await until('DATETIME', 'Date and time')
  await browser.answer('Show as', 'Without joining tables')
  await until('Date and time', 'Call first')
  await browser.answer('Show as', 'Designed')
  await browser.answer('What stands on a card', 'Fields')
  await until('Call first', 'Date and time')
  await laid()
})

test('a card is moved by hand and by the arrow keys, pinned, tidied round, and put back by undo', async () => {
  const before = await spotOf('fuel')
  const node = await card('fuel')
  await browser.driver
    .actions()
    .move({ origin: node })
    .press()
    .move({ origin: node, x: -20, y: 10 })
    .move({ origin: node, x: -70, y: 30 })
    .release()
    .perform()
  await laid()
  const moved = await spotOf('fuel')
  expect(moved).not.toBe(before)
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.driver.wait(async () => (await spotOf('fuel')) === before, patience, 'It was not put back.')
  await browser.type(Key.chord(Key.CONTROL, 'y'))
  await browser.driver.wait(async () => (await spotOf('fuel')) === moved, patience, 'It was not moved again.')
  await laid()
  await script('document.querySelector(`.react-flow__node[data-id="fuel"]`).focus()')
  await browser.type(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.chord(Key.SHIFT, Key.ARROW_DOWN))
  await laid()
  const [x, y] = await placeOf('fuel')
  const [wasX, wasY] = numbers(moved)
  expect([x - wasX!, y - wasY!]).toEqual([20, 40])
  await browser.press('Pin: tidying leaves it here')
  await browser.see('[aria-label="Release it: tidying may move it"]')
  await browser.press('Tidy up')
  await laid()
  expect(await placeOf('fuel')).toEqual([x, y])
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.read('Undone')
})

const numbers = (transform: string) => [...transform.matchAll(/-?\d+(\.\d+)?/g)].map(([number]) => Number(number))
const placeOf = async (id: string) => numbers(await spotOf(id)) as [number, number]

/** What was undone last may be drawn only after the map was fitted into the window, with cards elsewhere: then again. */
const wholeInSight = (...cards: readonly string[]) =>
  browser.driver.wait(
    async () => {
      await browser.press('The whole map')
      await browser.driver.sleep(300)
      return script<boolean>(
        `const map = document.querySelector('.react-flow').getBoundingClientRect()
        return [...arguments].every((id) => {
          const box = document.querySelector('.react-flow__node[data-id="' + id + '"]').getBoundingClientRect()
          return box.left >= map.left && box.right <= map.right && box.top >= map.top && box.bottom <= map.bottom
        })`,
        ...cards,
      )
    },
    patience,
    'The whole map never came into sight.',
  )

/** A card has its dot while one points at it; it may still be on its way, so one points again. */
async function dotOf(id: string) {
  const dot = `.react-flow__node[data-id="${id}"] .react-flow__handle-right`
  await browser.driver.wait(
    async () => {
      const origin = await card(id)
      const pointed = await browser.driver
        .actions()
        .move({ origin })
        .move({ origin, x: 3, y: 3 })
        .perform()
        .then(
          () => true,
          () => false,
        )
      const [found] = pointed ? await browser.driver.findElements({ css: dot }) : []
      return (await found?.isDisplayed().catch(() => false)) ?? false
    },
    patience,
    `${id} never showed its dot.`,
  )
  return browser.see(dot)
}

test('a line drawn from card to card asks the two questions there and then', async () => {
  await browser.answer('What stands on a card', 'Names')
  await laid()
  await wholeInSight('ticket', 'fuel')
  const from = await dotOf('ticket')
  const to = await card('fuel')
  await browser.driver
    .actions()
    .move({ origin: from })
    .press()
    .move({ origin: to, x: 5, y: 5 })
    .move({ origin: to })
    .release()
    .perform()
  await browser.read('Link Ticket and Fuel')
  await browser.answer('Can one ticket have more than one fuel?', 'No')
  await browser.answer('Can one fuel have more than one ticket?', 'Yes')
  expect(await faults(browser)).toEqual([])
  await browser.press('Link them')
  await browser.press('Back to the map')
  await browser.type(Key.ESCAPE)
  await browser.read('23 links')
  await browser.answer('What stands on a card', 'Fields')
  await laid()
})

const faded = () =>
  script<string[]>(
    "return [...document.querySelectorAll('.react-flow__node')].filter(n => n.firstChild.style.opacity < 1).map(n => n.dataset.id)",
  )

test('the lens fades what is far', async () => {
  await browser.choose('Find a table', 'Fuel')
  await browser.answer('How many links away from the chosen table', '1')
  await browser.driver.wait(async () => (await faded()).includes('payment'), patience)
  expect(await faded()).not.toContain('appliance-model')
  await browser.answer('How many links away from the chosen table', 'All')
})

test('a field of a table says what it is made from, and the map shows it when asked', async () => {
  await browser.choose('Find a table', 'Visit')
  await browser.press('Bill total')
  await browser.read('Work line → Price each is copied from Service item → List price')
  await browser.read('Visit → Still owed is worked out from Visit → Bill total')
  await browser.press('Show it on the map')
  await laid()
  await browser.driver.wait(async () => (await faded()).includes('fuel'), patience)
  expect(await faded()).not.toContain('service-item')
  await browser.press('Back')
  await browser.driver.wait(async () => (await faded()).length === 0, patience)
})

test('made from: derived fields say it in their lines, one stream runs between two tables, kinds can be left out', async () => {
  await browser.type(Key.ESCAPE)
  await browser.read('From table to table')
  // However long the margin, it scrolls by itself and the page doesn't.
  expect(await script<boolean>('return document.documentElement.scrollHeight <= innerHeight')).toBe(true)
  const cards = await script<string>(
    "return [...document.querySelectorAll('.react-flow__node text')].map(t => t.textContent).join('|')",
  )
  expect(cards).toContain('List price of its Service item')
  expect(cards).toContain('total of Amount')
  expect(await faults(browser)).toEqual([])
  // A stream, from the list and from its line, with all that it comes from and goes to.
  await browser.press('Visit from Work line')
  await browser.read('Visit → Work is gathered from Work line → Amount')
  await browser.read('Work line → Price each is copied from Service item → List price')
  expect(await faded()).toContain('fuel')
  expect(await faults(browser)).toEqual([])
  await browser.press('Back')
  await script(`
    const held = document.querySelector('.react-flow__viewport-portal path[pointer-events=stroke]')
    held.dispatchEvent(new MouseEvent('click', { bubbles: true }))`)
  await browser.see('[aria-label="What is made from what"]')
  await browser.press('Back')
  // A rule is traced as well.
  await browser.press('More would be paid than the bill comes to.')
  await browser.read('Visit → Bill total is bound to Visit → Paid')
  await browser.press('Back')
  await browser.press('Copied')
  await laid()
  await browser.press('Visit from Work line')
  await browser.driver.wait(
    async () => !(await script<string>('return document.body.innerText')).includes('is copied from'),
    patience,
  )
  await browser.press('Back')
  await browser.press('Copied')
  await laid()
  await save('Drawing (SVG)')
  const file = join(downloads, 'Emberly Flue Care.svg')
  expect(readFileSync(file, 'utf8')).toContain('List price of its Service item')
  rmSync(file)
  await browser.answer('What is drawn between the cards', 'Links')
  await laid()
})

test('cards that belong together get an area, and a note is written', async () => {
  await browser.choose('Find a table', 'Contact')
  await browser.press('Make an area of them')
  await browser.fill('Its name', 'People we ring')
  await browser.press('Make the area')
  await browser.type(Key.ESCAPE)
  await browser.read('Areas')
  await browser.press('Write a note')
  await browser.fill('What it says', 'Agreed with the office on Monday.')
  await browser.press('Save')
  await browser.see('[aria-label="Note: Agreed with the office on Monday."]')
  expect(await browser.complaints()).toEqual([])
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
    const pixels = await script<number>(compare, readFileSync(join(downloads, 'Emberly Flue Care.svg'), 'utf8'))
    expect(pixels).toBeGreaterThan(0.97)
  },
  patience,
)

/** Draws the visit's card out of the file and out of the page, and says what share of the dots is alike. */
const compare = `
  const [file] = arguments
  const size = (e) => e.getBoundingClientRect()
  const page = document.querySelector('.react-flow__node[data-id=visit] svg').cloneNode(true)
  const parsed = new DOMParser().parseFromString(file, 'image/svg+xml').documentElement
  const style = parsed.querySelector('style').textContent
  const group = [...parsed.querySelectorAll('g[transform]')].find((g) => [...g.querySelectorAll('text')].some((t) => t.textContent === 'Visit' && t.getAttribute('font-weight') === '700'))
  const [width, height] = [page.getAttribute('width'), page.getAttribute('height')]
  const colours = getComputedStyle(document.documentElement)
  const own = new XMLSerializer().serializeToString(page).replace(/var\\((--[\\w-]+)\\)/g, (_, name) => colours.getPropertyValue(name).replace(/light-dark\\(([^,]+),.*\\)/, '$1').trim())
  const wrap = (inner) => '<svg xmlns="http://www.w3.org/2000/svg" width="' + width + '" height="' + height + '" viewBox="0 0 ' + width + ' ' + height + '" font-family="\\'Atkinson Hyperlegible Next\\'"><style>' + style + '</style><rect width="100%" height="100%" fill="white"/>' + inner + '</svg>'
  group.removeAttribute('transform')
  const draw = (text) => new Promise((resolve, reject) => {
    const image = new Image()
    image.onerror = () => reject(new Error('no drawing'))
    image.onload = () => {
      const canvas = document.createElement('canvas')
      canvas.width = width * 2; canvas.height = height * 2
      const context = canvas.getContext('2d', { willReadFrequently: true })
      context.drawImage(image, 0, 0, canvas.width, canvas.height)
      resolve(context.getImageData(0, 0, canvas.width, canvas.height).data)
    }
    image.src = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }))
  })
  return Promise.all([draw(wrap(own)), draw(wrap(new XMLSerializer().serializeToString(group)))]).then(([a, b]) => {
    let same = 0
    for (let at = 0; at < a.length; at += 4) if (Math.abs(a[at] - b[at]) + Math.abs(a[at + 1] - b[at + 1]) + Math.abs(a[at + 2] - b[at + 2]) < 60) same++
    return same / (a.length / 4)
  })`
