import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest'
import sharp from 'sharp'
import { type Browser, Key, patience } from '../support/browser'
import { billing } from '../support/derived-design'
import { field } from '../support/edits'
import { faults } from '../support/faults'
import { servedBook, type ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
let records: string
const folder = mkdtempSync(join(tmpdir(), 'hearth-entry-'))
const picture = join(folder, 'flue drawing.png')

beforeAll(async () => {
  const paint = { width: 120, height: 80, channels: 3, background: '#14625c' } as const
  writeFileSync(picture, await sharp({ create: paint }).png().toBuffer())
  writeFileSync(join(folder, 'empty.png'), '')
  const design = billing().do(
    ...field('bill', 'drawing', 'Drawing', 'file', { picturesOnly: true }),
    ...field('bill', 'note', 'Note', 'line'),
    { kind: 'changeLink', link: 'line-bill-link', least: 1 },
  )
  design.do({
    kind: 'addRule',
    id: 'most',
    table: 'bill',
    says: { kind: 'holds', tree: design.tree('bill', 'Total <= 500') },
    words: 'A bill comes to 500 at most.',
  })
  design.do({
    kind: 'addRule',
    id: 'loud',
    table: 'bill',
    says: { kind: 'holds', tree: design.tree('bill', "Note <> 'loud'") },
    words: 'That note is loud.',
    warns: true,
  })
  book = await servedBook('entry', 'Weir and Daughters', design.edits, { isOpen: true })
  browser = book.browser
  records = `${book.path}/records`
  await book.sql("INSERT INTO $customer (customer_number, name, town) VALUES (1, 'Mill House', 'Otterby')")
  await book.sql("INSERT INTO $item (item_number, what, list_price) VALUES (1, 'Sweep', 62), (2, 'Cowl', 31.5)")
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

// Each test begins with a bill of its own: one line, two sweeps.
let bill: string
beforeEach(async () => {
  await book.sql('UPDATE $item SET list_price = 62 WHERE item_number = 1')
  await browser.go(`${records}/bill/new`)
  await line(browser, 'Sweep', '2')
  await saveAs('Saved as ')
  await browser.driver.wait(async () => /\/record\//.test(await browser.path()), patience)
  bill = await browser.path()
})

const save = (who = browser) => who.type(Key.chord(Key.CONTROL, 's'))
async function saveAs(words: string, who = browser) {
  await save(who)
  await who.read(words)
}

/** A further line, from the keyboard. */
async function line(who: Browser, item: string, quantity: string) {
  const at = (await who.driver.findElements({ css: '[aria-label^="Quantity, row"]' })).length + 1
  await who.press('Add')
  await who.fill(`Quantity, row ${at}`, quantity)
  await pick(who, `Item, row ${at}`, item)
}

async function pick(who: Browser, box: string, words: string) {
  // Enter takes what is found, also before it is.
  await who.fill(box, words)
  await who.type(Key.ENTER)
}

const chooseFile = async (path: string) => (await browser.see('input[type=file]')).sendKeys(path)

test('a file stays with its record through saves, an undo and a copy, by its name and small picture', async () => {
  await chooseFile(join(folder, 'empty.png'))
  await browser.read('“empty.png” is empty')
  await chooseFile(picture)
  await browser.read('flue drawing.png')
  await saveAs('Saved.')
  for (const note of ['One', 'Two', 'Three']) {
    await browser.fill('Note', note)
    await save()
    await browser.named('Saved')
  }
  await browser.fill('Note', 'Not this')
  await browser.go(bill)
  await browser.press('Discard it')
  await browser.holds('Note', 'Three')
  const look = async () => {
    await browser.read('flue drawing.png')
    const link = await browser.see('a[download]')
    const status = 'return fetch(arguments[0].href).then((answer) => answer.status)'
    expect(await browser.driver.executeScript(status, link)).toBe(200)
    await browser.driver.wait(
      () => browser.driver.executeScript<boolean>("return document.querySelector('a[download] img').naturalWidth > 0"),
      patience,
      'The small picture never came.',
    )
  }
  await look()
  await browser.press('Copy')
  await browser.read('New bill')
  await browser.holds('Note', 'Three')
  await browser.holds('Quantity, row 1', '2')
  await saveAs('Saved as ')
  await look()
  expect(await browser.complaints()).toEqual([])
})

test('two people on one row: both versions of each value stand there, and what is chosen is kept', async () => {
  const other = await book.another()
  await other.go(bill)
  await browser.go(bill)
  await other.fill('Quantity, row 1', '3')
  await saveAs('Saved.', other)
  await browser.fill('Quantity, row 1', '5')
  await pick(browser, 'Item, row 1', 'Cowl')
  await saveAs('changed this record while you were typing')
  await browser.read('Bill line: Sweep, 2')
  expect(await faults(browser)).toEqual([])
  await browser.answer('Keep for Sweep, 2, Quantity', 'Theirs')
  await browser.press('Save what is chosen')
  await browser.read('Saved with what you chose.')
  await browser.holds('Quantity, row 1', '3')
  await browser.holds('Item, row 1', 'Cowl')
  // A row taken out here that the other changed is kept unless that is chosen.
  await other.go(bill)
  await other.fill('Quantity, row 1', '7')
  await saveAs('Saved.', other)
  await line(browser, 'Sweep', '1')
  await browser.press('Remove bill line 1')
  await saveAs('The whole row')
  await browser.press('Save what is chosen')
  await browser.read('Saved with what you chose.')
  await browser.holds('Quantity, row 1', '7')
  await browser.holds('Quantity, row 2', '1')
})

test('a record that somebody removed becomes a new one with what was typed', async () => {
  await browser.fill('Note', 'Typed long after')
  await book.sql(`DELETE FROM $bill WHERE bill_number = ${bill.split('/').at(-1)}`)
  await saveAs('Somebody removed this bill')
  await browser.press('Save it as a new bill')
  await browser.read('Saved as ')
  await browser.driver.wait(async () => (await browser.path()) !== bill, patience, 'It never got a page of its own.')
  await browser.holds('Note', 'Typed long after')
  await browser.holds('Quantity, row 1', '2')
})

test('a price that changes while one types is shown again before it is saved', async () => {
  await line(browser, 'Sweep', '1')
  await browser.read('186.00')
  await book.sql('UPDATE $item SET list_price = 65 WHERE item_number = 1')
  await saveAs('is 65.00 now; you saw 62.00')
  await browser.press('Look at it again')
  await browser.read('189.00')
  await saveAs('Saved.')
  await browser.read('189.00')
})

test('one question after another: what was agreed to once still is', async () => {
  await line(browser, 'Sweep', '1')
  await browser.read('186.00')
  await browser.fill('Note', 'loud')
  await book.sql('UPDATE $item SET list_price = 65 WHERE item_number = 1')
  await saveAs('That note is loud.')
  await browser.press('Save all the same')
  await browser.read('is 65.00 now; you saw 62.00')
  await browser.press('Save with what it is now')
  await browser.read('Saved.')
  await browser.read('189.00')
})

test('a new record that is saved twice while it is on its way is made once', async () => {
  const many = async () => (await book.ask('SELECT COUNT(*) AS many FROM $bill'))[0]!.many
  const before = Number(await many())
  await browser.go(`${records}/bill/new`)
  await line(browser, 'Cowl', '1')
  await browser.command('Network.enable', {})
  const slow = (latency: number) =>
    browser.command('Network.emulateNetworkConditions', {
      ...{ offline: false, latency, downloadThroughput: -1, uploadThroughput: -1 },
    })
  await slow(700)
  await save()
  await save()
  await browser.read('Saved as ')
  await slow(0)
  await browser.driver.wait(async () => /\/record\//.test(await browser.path()), patience)
  await browser.named('Saved')
  expect(Number(await many())).toBe(before + 1)
})

test('what is wrong is listed, marked where it is, and gone with its cause', async () => {
  await browser.fill('Quantity, row 1', '9')
  await save()
  await browser.read('1 problem to correct before saving')
  await browser.read('A bill comes to 500 at most.')
  expect(await browser.driver.executeScript('return document.activeElement.id')).toBe('total')
  expect(await faults(browser)).toEqual([])
  await browser.fill('Quantity, row 1', '1')
  await browser.driver.wait(
    async () => !(await browser.driver.executeScript<string>('return document.body.innerText')).includes('at most.'),
    patience,
    'The words stayed though nothing is wrong any more.',
  )
  // Rows of which there must be one are asked for in the form, and leading there is one press.
  await browser.go(`${records}/bill/new`)
  await browser.read('At least one bill line is needed.')
  await save()
  await browser.read('A bill needs at least one bill line.')
  await browser.press('Bill lines')
  expect(await browser.focused()).toMatch(/^Add/)
  await line(browser, 'Cowl', '1')
  await saveAs('Saved as ')
})

test('a row that is taken out while its link is being found does not come back half', async () => {
  await browser.press('Add')
  const box = await browser.box('Item, row 2')
  await box.click()
  await box.sendKeys('Sw')
  await browser.press('Remove bill line 2')
  await browser.fill('Note', 'One line')
  await saveAs('Saved.')
  expect(await browser.driver.findElements({ css: '[aria-label^="Quantity, row"]' })).toHaveLength(1)
})

test('whoever closes Find or do is where they were, and the keyboard leads past the bar at once', async () => {
  await (await browser.box('Note')).click()
  await browser.type(Key.chord(Key.CONTROL, 'k'))
  await browser.see('[cmdk-input]')
  await browser.type(Key.ESCAPE)
  await browser.driver.wait(async () => (await browser.focused()) === 'Note', patience, 'The focus went astray.')
  await browser.go(bill)
  await browser.named('Saved')
  // The first stop of every page.
  await browser.driver.executeScript("document.querySelector('a[href], button, input').focus()")
  expect(await browser.focused()).toBe('Skip to the page itself')
  await browser.type(Key.ENTER)
  expect(await browser.driver.executeScript('return document.activeElement.id')).toBe('sheet')
})

test('values that a removed field holds go for good only once that is agreed to in Open', async () => {
  await browser.fill('Note', 'Kept until somebody agrees')
  await saveAs('Saved.')
  await browser.go(`${book.path}/workshop/tables?table=bill`)
  await browser.press('Settings of Note')
  await browser.press('Remove the field')
  // Its rule goes with it; the note itself is still there.
  await browser.go(`${book.path}/workshop/open`)
  await browser.read(/Note was removed from Bill, but \d+ bills? holds? something there/)
  expect(await (await browser.named('Open with these changes')).isEnabled()).toBe(false)
  expect(await faults(browser)).toEqual([])
  await browser.press('Remove them for good')
  await browser.read('What you agreed to remove goes last')
  expect(await faults(browser)).toEqual([])
  await browser.press('Open with these changes')
  await browser.read('Nothing has changed since the book was opened')
  await browser.go(bill)
  await browser.holds('Quantity, row 1', '2')
  expect(await browser.driver.findElements({ id: 'note' })).toHaveLength(0)
})

test('a sum in a number box becomes what it comes to, a weekday the day that it is', async () => {
  await browser.fill('Issued on', 'fri')
  await browser.type(Key.TAB)
  await browser.driver.wait(async () => /^\d{1,2} \w{3} \d{4}$/.test(await browser.value('Issued on')), patience)
  expect(new Date(await browser.value('Issued on')).getDay()).toBe(5)
  await browser.fill('Quantity, row 1', '2*3')
  await browser.type(Key.TAB)
  await browser.holds('Quantity, row 1', '6')
  // Saved from within the box too, without leaving it first.
  await browser.fill('Quantity, row 1', '(2+3)*2')
  await saveAs('Saved')
  await browser.go(bill)
  await browser.holds('Quantity, row 1', '10')
})
