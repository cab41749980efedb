import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { servedAskedBook } from '../support/asked-book'
import { type Browser, Key } from '../support/browser'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
const folder = mkdtempSync(join(tmpdir(), 'hearth-documents-'))

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedAskedBook('documents')
  browser = book.browser
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const script = <T>(text: string, ...args: unknown[]) => browser.driver.executeScript<T>(text, ...args)

/** What stands on a page that is in sight, each line as one. */
const linesOn = (page: number) =>
  script<string[]>(
    `const lines = new Map()
     for (const text of document.querySelectorAll('svg[aria-label^="Page ${page} of"] text')) {
       const y = text.getAttribute('y')
       lines.set(y, (lines.get(y) ?? '') + text.textContent)
     }
     return [...lines.values()]`,
  )
const untilOnPage = (words: string) =>
  browser.driver.wait(async () => (await linesOn(1)).some((line) => line.includes(words)), 60_000, `No ${words} on it.`)

/** What the text says while it is written, chips by what they are called and what they hold. */
const written = () => script<string>('return document.querySelector(".document-text")?.innerText ?? ""')
async function untilWritten(words: string | RegExp): Promise<void> {
  let said = ''
  const isSo = async () => {
    said = (await written()).replace(/\s+/g, ' ')
    return typeof words === 'string' ? said.includes(words) : words.test(said)
  }
  await browser.driver.wait(isSo, 60_000).catch((cause: unknown) => {
    throw new Error(`It never said ${String(words)}. It says: ${said}`, { cause })
  })
}
// In the paragraph that has no chip.
const inText = async () => (await browser.see('.document-text .tiptap > p:nth-of-type(2)')).click()

/** Puts one of the parts at the left into the text. */
const putPart = (group: string, name: string) =>
  browser.driver.wait(
    () =>
      script<boolean>(
        `const found = [...document.querySelectorAll('section[aria-label="' + arguments[0] + '"] button')].find((one) => one.innerText.trim() === arguments[1])
         found?.click()
         return Boolean(found)`,
        group,
        name,
      ),
    60_000,
    `There is no ${name} to put in.`,
  )

/** Words of a PDF with where they stand, in points from the top left corner. */
async function pdfWords(link: string) {
  const address = await script<string>(
    `return [...document.querySelectorAll('a')].find((a) => a.textContent.includes(arguments[0]))?.href ?? ''`,
    link,
  )
  const cookies = (await browser.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const answer = await fetch(address, { headers: { cookie: cookies } })
  expect(answer.headers.get('content-type')).toBe('application/pdf')
  const file = join(folder, 'document.pdf')
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()))
  const boxes = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' })
  return [
    ...boxes.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(.*?)<\/word>/g),
  ].map(([, left, top, right, foot, words]) => ({
    left: Number(left),
    top: Number(top),
    right: Number(right),
    foot: Number(foot),
    words: words!,
  }))
}

test('where no document is kept, those that the program lays out are at hand on each record', async () => {
  await browser.go(`${book.path}/records/documents`)
  await browser.read('No document is kept yet')
  expect(await faults(browser)).toEqual([])
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.press('Hand out')
  await browser.read('Laid out by the program')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.ESCAPE)
  await browser.press('Hand out')
  await browser.press('Everything on it')
  await untilOnPage('Otterby')
  const lines = await linesOn(1)
  expect(lines).toEqual(expect.arrayContaining(['Payments', '40.00']))
  await browser.read('For one visit, on 1 page.')
  expect(await faults(browser)).toEqual([])
  await browser.choose('Document', 'Job card')
  await untilOnPage('Notes')
})

test('a document is made from nothing by the keyboard alone', async () => {
  await browser.go(`${book.path}/records/documents`)
  await browser.press('New document')
  await browser.press('For each visit')
  await browser.read('From what it begins')
  expect(await faults(browser)).toEqual([])
  await browser.press('An empty page')
  await browser.see('[aria-label="Text of the document"]')
  for (let tabs = 0; tabs < 80 && (await browser.focused()) !== 'Text of the document'; tabs++)
    await browser.type(Key.TAB)
  expect(await browser.focused()).toBe('Text of the document')
  const put = async (field: string) => {
    await browser.type(Key.chord(Key.ALT, 'f'))
    await browser.driver.wait(async () => (await browser.focused()) === 'Find a field to put in', 60_000)
    await browser.type(field, Key.ENTER)
    await browser.driver.wait(async () => (await browser.focused()) === 'Text of the document', 60_000)
  }
  await browser.type('Dear ')
  await put('Town')
  await browser.type(', you owe us ')
  await put('Price')
  await browser.type('.', Key.ENTER, 'Yours')
  await untilWritten('Dear House Otterby, you owe us Price £40.00. Yours')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('The document is kept.')
  await browser.driver.wait(async () => !(await browser.path()).includes('/new'), 60_000)
  await untilWritten('Dear House Otterby')
})

test('it is shown as the pages that it comes to, with the values of any record', async () => {
  await browser.press('As pages')
  await untilOnPage('Dear Otterby, you owe us £40.00.')
  await browser.fill('With the values of the visit', '2')
  await browser.type(Key.ARROW_DOWN, Key.ENTER)
  await untilOnPage('Dear Netherweir, you owe us £60.00.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Write')
})

test('a value is written otherwise, and said otherwise where there is none', async () => {
  const chips = await browser.driver.findElements({ css: '.document-text .node-chip' })
  await chips[1]!.click()
  await browser.choose('Written as', 'in words')
  await browser.fill('Where there is none, say (optional)', 'nothing')
  await untilWritten('sixty pounds')
  await inText()
  await browser.press('As pages')
  await untilOnPage('you owe us sixty pounds.')
  await browser.fill('With the values of the visit', '3')
  await browser.type(Key.ARROW_DOWN, Key.ENTER)
  await untilOnPage('you owe us nothing.')
  await browser.press('Write')
})

test('rows of the record stand in it with what they come to; a condition tells where something stands', async () => {
  await inText()
  await browser.type(Key.chord(Key.CONTROL, Key.END), Key.ENTER)
  // Another page by mistake, and back: what was written is still there.
  await browser.type('Kindly')
  await untilWritten('Kindly')
  await browser.press('Payments')
  await browser.read('Payment number')
  await browser.driver.navigate().back()
  await browser.read('As you left it')
  await untilWritten('Kindly')
  await inText()
  await browser.type(Key.chord(Key.CONTROL, Key.END), Key.ENTER)
  await putPart('Rows', 'Payments')
  await untilWritten('Rows: each payment')
  await browser.fill('Where there are none, say (optional)', 'Nothing was paid.')
  await untilWritten('with totals beneath')
  expect(await faults(browser)).toEqual([])
  await inText()
  await browser.type(Key.chord(Key.CONTROL, Key.END))
  await browser.press('Only where a condition holds')
  await browser.choose('What is asked', 'State')
  await browser.choose('How', 'is')
  await browser.choose('This', 'done')
  await browser.press('Use it')
  await untilWritten(/Only for those whose state is .*done/)
  await browser.type('It is done.')
  await untilWritten('It is done.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Keep changes')
  await browser.read('The document is kept.')
})

test('on the record it is handed out: on the screen and in the PDF stand the same words, and where they should', async () => {
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.press('Hand out')
  await browser.press('For each visit')
  await untilOnPage('Dear Otterby, you owe us forty pounds.')
  const lines = await linesOn(1)
  expect(lines).toEqual(expect.arrayContaining(['Yours', 'Kindly', 'Payments', '40.00', 'It is done.']))
  const words = await pdfWords('Print')
  const letters = (all: readonly string[]) => [...all.join('').replace(/\s/g, '')].sort().join('')
  expect(letters(words.map((one) => one.words))).toBe(letters(lines))
  // A4 with margins of 20 mm: 56.7 points.
  const dear = words.find((one) => one.words === 'Dear')!
  expect(dear.left).toBeCloseTo(56.7, 0)
  const totals = words.filter((one) => one.words === '40.00')
  // The sum stands at the right margin, under the amounts that it is of.
  expect(totals.at(-1)!.right).toBeCloseTo(595.3 - 56.7, 0)
  const amounts = words.filter((one) => /^(15|25)\.00$/.test(one.words))
  expect(amounts).toHaveLength(2)
  for (const amount of amounts) {
    expect(amount.right).toBeCloseTo(totals.at(-1)!.right, 0)
    expect(amount.foot).toBeLessThan(totals.at(-1)!.top + 1)
  }
  await browser.go(`${book.path}/records/visit/record/2`)
  await browser.press('Hand out')
  await browser.press('For each visit')
  await untilOnPage('Dear Netherweir')
  expect(await linesOn(1)).toContain('Nothing was paid.')
})

test('what is handed out is kept with its number; what the record says later is told beside it', async () => {
  await browser.go(`${book.path}/records/documents`)
  await browser.press('For each visit')
  await untilWritten('Dear')
  await browser.press('Keep what is handed out')
  await browser.press('With a number, without gaps')
  await browser.fill('Begins with (optional)', 'B-')
  await browser.read('The first is B-0001.')
  // A click beside its words puts the caret at their end.
  await inText()
  await putPart('Not of the record', 'Its number')
  await untilWritten('YoursIts number')
  expect(await faults(browser)).toEqual([])
  await browser.press('Keep changes')
  await browser.read('The document is kept.')
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.press('Hand out')
  await browser.press('For each visit')
  await browser.read('Not handed out yet')
  await untilOnPage('Yours…')
  await browser.press('Hand out')
  await untilOnPage('YoursB-0001')
  expect(await linesOn(1)).not.toContain('COPY')
  expect(await faults(browser)).toEqual([])
  await browser.press('Where it is kept')
  await browser.read('It would say the same today')
  await untilOnPage('COPY')
  await book.sql("UPDATE $house SET town = 'Saltmere' WHERE house_number = 1")
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.press('For each visit B-0001')
  await browser.read('Today it would say something else')
  await browser.press('Side by side')
  await browser.driver.wait(
    () =>
      script<boolean>(
        'return document.body.innerText.includes("As it would be today") && [...document.querySelectorAll("svg text")].some((text) => text.textContent.includes("Saltmere"))',
      ),
    60_000,
  )
  expect(await faults(browser)).toEqual([])
  await browser.go(`${book.path}/records/documents/handed`)
  await browser.read('B-0001')
  await browser.fill('Find what was handed out', 'nothing like it')
  await browser.read('Nothing is called so')
  expect(await faults(browser)).toEqual([])
  await book.sql("UPDATE $house SET town = 'Otterby' WHERE house_number = 1")
})

test('for those that are marked, and for a whole list, there is one for each', async () => {
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('3 visits')
  await browser.press('Hand out')
  await browser.press('For each visit')
  await browser.read('For 3 visits, on 3 pages.')
  await browser.press('Hand out')
  await browser.read('3 papers handed out')
  await browser.driver.wait(async () => (await linesOn(1)).some((line) => line.includes('B-0002')), 60_000)
  await browser.press('Take as files')
  await browser.read('named by what each is for, in a ZIP file')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.ESCAPE)
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('3 visits')
  await browser.press('Hand out')
  await browser.press('Label')
  await browser.read('For 3 visits, on 1 sheet.')
  await browser.fill('Begin at label, of 24', '23')
  await browser.read('For 3 visits, on 2 sheets.')
  await browser.fill('Begin at label, of 24', '25')
  await browser.read('From 1 to 24, whole.')
  expect(await faults(browser)).toEqual([])
})

test('what was changed is taken back; removed, it is gone', async () => {
  await browser.go(`${book.path}/records/documents`)
  await browser.press('For each visit')
  await untilWritten('Dear')
  await browser.fill('Name', 'Reminder')
  await browser.press('Take the last change back')
  await browser.holds('Name', 'For each visit')
  await browser.fill('Name', 'Reminder')
  await browser.press('Keep changes')
  await browser.read('The document is kept.')
  await browser.press('Remove')
  await browser.read('Remove the document Reminder?')
  await browser.press('Remove it')
  await browser.read('No document is kept yet')
  expect((await browser.complaints()).filter((one) => !/ERR_ABORTED/.test(one))).toEqual([])
})

test('a table and a picture stand in the text, after each other, and on the pages', async () => {
  await browser.go(`${book.path}/records/documents/new?of=visit&as=ready-sheet`)
  await browser.read('Put into the text')
  await putPart('Parts', 'Table')
  await browser.see('.document-text table')
  await browser.driver.wait(
    () => script<boolean>('return document.querySelector(".document-text th") !== null'),
    60_000,
  )
  await (await browser.see('.document-text th')).click()
  await browser.type('What was found')
  await browser.press('Row after')
  await browser.press('Column after')
  const cells = () =>
    script<number>('return document.querySelector(".document-text table").querySelectorAll("td, th").length')
  await browser.driver.wait(async () => (await cells()) === 16, 60_000, 'It never had sixteen cells.')
  const picture = join(folder, 'stove.png')
  writeFileSync(
    picture,
    await sharp({ create: { width: 60, height: 30, channels: 3, background: '#d9a441' } })
      .png()
      .toBuffer(),
  )
  // A browser's own window for choosing a file is out of reach.
  await script('document.querySelector(\'[aria-label="Picture from this computer"]\').parentElement.hidden = false')
  await (await browser.see('[aria-label="Picture from this computer"]')).sendKeys(picture)
  await browser.see('.document-text img[alt="A picture in the document"]')
  // What is no text stands after the table, which is whole.
  expect(await cells()).toBe(16)
  await script('document.querySelector(\'[aria-label="Picture from this computer"]\').parentElement.hidden = true')
  expect(await faults(browser)).toEqual([])
  await browser.press('As pages')
  await untilOnPage('What was found')
  await browser.driver.wait(
    () => script<boolean>(`return document.querySelector('svg[aria-label^="Page 1"] image') !== null`),
    60_000,
  )
})
