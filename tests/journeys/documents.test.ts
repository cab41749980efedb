import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { servedAskedBook } from '../support/asked-book'
import { type Browser, Key } from '../support/browser'
import { DocumentHands } from '../support/document-hands'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
let hands: DocumentHands
const folder = mkdtempSync(join(tmpdir(), 'hearth-documents-'))

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedAskedBook('documents')
  browser = book.browser
  hands = new DocumentHands(browser)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

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
  await hands.untilOnPage('Otterby')
  const lines = await hands.linesOn(1)
  expect(lines).toEqual(expect.arrayContaining(['Payments', '40.00']))
  await browser.read('For one visit, on 1 page.')
  expect(await faults(browser)).toEqual([])
  await browser.choose('Document', 'Job card')
  await hands.untilOnPage('Notes')
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
  await hands.untilWritten('Dear House Otterby, you owe us Price £40.00. Yours')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('The document is kept.')
  await browser.driver.wait(async () => !(await browser.path()).includes('/new'), 60_000)
  await hands.untilWritten('Dear House Otterby')
})

test('it is shown as the pages that it comes to, with the values of any record', async () => {
  await browser.press('As pages')
  await hands.untilOnPage('Dear Otterby, you owe us £40.00.')
  await browser.fill('With the values of the visit', '2')
  await browser.type(Key.ARROW_DOWN, Key.ENTER)
  await hands.untilOnPage('Dear Netherweir, you owe us £60.00.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Write')
})

test('a value is written otherwise, and said otherwise where there is none', async () => {
  const chips = await browser.driver.findElements({ css: '.document-text .node-chip' })
  await chips[1]!.click()
  await browser.choose('Written as', 'in words')
  await browser.fill('Where there is none, say (optional)', 'nothing')
  await hands.untilWritten('sixty pounds')
  await hands.inText()
  await browser.press('As pages')
  await hands.untilOnPage('you owe us sixty pounds.')
  await browser.fill('With the values of the visit', '3')
  await browser.type(Key.ARROW_DOWN, Key.ENTER)
  await hands.untilOnPage('you owe us nothing.')
  await browser.press('Write')
})

test('rows of the record stand in it with what they come to; a condition tells where something stands', async () => {
  await hands.inText()
  await browser.type(Key.chord(Key.CONTROL, Key.END), Key.ENTER)
  // Another page by mistake, and back: what was written is still there.
  await browser.type('Kindly')
  await hands.untilWritten('Kindly')
  await browser.press('Payments')
  await browser.read('Payment number')
  await browser.driver.navigate().back()
  await browser.read('As you left it')
  await hands.untilWritten('Kindly')
  await hands.inText()
  await browser.type(Key.chord(Key.CONTROL, Key.END), Key.ENTER)
  await hands.putPart('Rows', 'Payments')
  await hands.untilWritten('Rows: each payment')
  await browser.fill('Where there are none, say (optional)', 'Nothing was paid.')
  await hands.untilWritten('with totals beneath')
  expect(await faults(browser)).toEqual([])
  await hands.inText()
  await browser.type(Key.chord(Key.CONTROL, Key.END))
  await browser.press('Only where a condition holds')
  await browser.choose('What is asked', 'State')
  await browser.choose('How', 'is')
  await browser.choose('This', 'done')
  await browser.press('Use it')
  await hands.untilWritten(/Only for those whose state is .*done/)
  await browser.type('It is done.')
  await hands.untilWritten('It is done.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Keep changes')
  await browser.read('The document is kept.')
})

test('what was changed is taken back; removed, it is gone', async () => {
  await browser.go(`${book.path}/records/documents`)
  await browser.press('For each visit')
  await hands.untilWritten('Dear')
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
  await hands.putPart('Parts', 'Table')
  await browser.see('.document-text table')
  await browser.driver.wait(
    () => hands.script<boolean>('return document.querySelector(".document-text th") !== null'),
    60_000,
  )
  await (await browser.see('.document-text th')).click()
  await browser.type('What was found')
  await browser.press('Row after')
  await browser.press('Column after')
  const cells = () =>
    hands.script<number>('return document.querySelector(".document-text table").querySelectorAll("td, th").length')
  await browser.driver.wait(async () => (await cells()) === 16, 60_000, 'It never had sixteen cells.')
  const picture = join(folder, 'stove.png')
  writeFileSync(
    picture,
    await sharp({ create: { width: 60, height: 30, channels: 3, background: '#d9a441' } })
      .png()
      .toBuffer(),
  )
  // A browser's own window for choosing a file is out of reach.
  await hands.script(
    'document.querySelector(\'[aria-label="Picture from this computer"]\').parentElement.hidden = false',
  )
  await (await browser.see('[aria-label="Picture from this computer"]')).sendKeys(picture)
  await browser.see('.document-text img[alt="A picture in the document"]')
  // What is no text stands after the table, which is whole.
  expect(await cells()).toBe(16)
  await hands.script(
    'document.querySelector(\'[aria-label="Picture from this computer"]\').parentElement.hidden = true',
  )
  expect(await faults(browser)).toEqual([])
  await browser.press('As pages')
  await hands.untilOnPage('What was found')
  await browser.driver.wait(
    () => hands.script<boolean>(`return document.querySelector('svg[aria-label^="Page 1"] image') !== null`),
    60_000,
  )
})
