import { beforeAll, expect, test } from 'vitest'
import { servedAskedBook } from '../support/asked-book'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedAskedBook('list_changes')
  browser = book.browser
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('3 visits')
})

const cells = () =>
  browser.driver.executeScript<string[]>(
    "return [...document.querySelectorAll('[data-row]')].map((row) => [...row.querySelectorAll('[data-cell]')].map((cell) => cell.innerText).join(' | '))",
  )
const settled = (words: string) =>
  browser.driver.wait(async () => (await cells()).join('\n').includes(words), patience, `“${words}” never came.`)
const toGrid = async () => {
  await browser.driver.executeScript("document.querySelector('[role=grid]').focus()")
  await browser.type(Key.ARROW_DOWN)
}

test('a value is changed where it stands, by the keyboard alone, and taken back', async () => {
  const [first] = await cells()
  expect(first).toMatch(/^3 \| .*3 Mar 2027 \| asked/)
  await toGrid()
  await browser.type(...Array<string>(4).fill(Key.ARROW_RIGHT), Key.F2)
  await browser.holds('Day', '3 Mar 2027')
  expect(await faults(browser)).toEqual([])
  await browser.type('no day', Key.ENTER)
  await browser.read(/no day|date|day/)
  // What was typed is still there, and nothing is changed.
  expect(await browser.value('Day')).toContain('no day')
  await browser.type(Key.chord(Key.CONTROL, 'a'), '5/3/2027', Key.ENTER)
  await browser.read('1 visit changed.')
  await settled('5 Mar 2027')
  // Back where it began, so that one can go on.
  expect(await browser.focused()).toBe('5 Mar 2027')
  await browser.press('Take it back')
  await browser.read('1 visit is as before.')
  await settled('| 3 Mar 2027 |')
})

test('a letter on a cell begins it anew, and Escape leaves everything as it was', async () => {
  await toGrid()
  await browser.type(...Array<string>(4).fill(Key.ARROW_RIGHT), '7')
  await browser.holds('Day', '7')
  await browser.type(Key.ESCAPE)
  await browser.driver.wait(async () => (await browser.focused()) === '3 Mar 2027', patience)
})

test('several are marked and changed as one, and taken back as one', async () => {
  await toGrid()
  await browser.type(' ', Key.ARROW_DOWN, ' ')
  await browser.read('2 visits marked')
  expect(await faults(browser)).toEqual([])
  await browser.press('Change a field')
  await browser.choose('Field', 'House')
  await browser.fill('House', 'Netherweir')
  await browser.press('Netherweir')
  await browser.press('Change 2 visits')
  await browser.read('2 visits changed.')
  const towns = async () => (await cells()).map((row) => row.split(' | ')[1])
  const come = (...wanted: string[]) =>
    browser.driver.wait(async () => (await towns()).join() === wanted.join(), patience, `Never ${wanted.join()}.`)
  await come('Netherweir', 'Netherweir', 'Otterby')
  await browser.press('Take it back')
  await browser.read('2 visits are as before.')
  await come('Otterby', 'Netherweir', 'Otterby')
})

test('what another changed meanwhile is not written over', async () => {
  await book.sql(
    "UPDATE $visit SET state = 'booked', changed_by = 'Bram', row_rev = row_rev + 1 WHERE visit_number = 2",
  )
  await browser.press('Change a field')
  await browser.choose('Field', 'State')
  await browser.choose('State', 'asked')
  await browser.press('Change 2 visits')
  await browser.read(/2.*: .*Bram.*Nothing was changed\./)
  await browser.press('Cancel')
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await settled('booked')
  expect((await cells()).map((row) => row.split(' | ')[5])).toEqual(['asked', 'booked', 'done'])
})

test('what goes with the marked ones is said before they are removed', async () => {
  await toGrid()
  await browser.type(' ')
  await browser.read('1 visit marked')
  await browser.press('Remove')
  await browser.read(/Remove 1 visit\?/)
  await browser.read(/1 payment|Nothing else/)
  await browser.press('Cancel')
})

test('numbers are told among all others, and fields joined as one', async () => {
  await browser.press('Price')
  await browser.press('Calculate a column')
  await browser.choose('First field', 'State')
  await browser.choose('Next field', 'House → Town')
  await browser.choose('Between them', 'a comma')
  expect(await faults(browser)).toEqual([])
  await browser.press('Add the column')
  await settled('booked, Netherweir')
  await browser.press('Calculate a column')
  await browser.press('A number among all others')
  await browser.choose('Column', 'Price')
  await browser.press('Add the column')
  await browser.read('Share of price')
  await settled('60.0')
  await settled('40.0')
  await browser.press('Share of price')
  await browser.choose('What is told of it', 'a running total, in the order of the list')
  await browser.press('Change it')
  await settled('100.00')
})

test('what is written is checked as it is written, and calculated', async () => {
  await browser.press('Calculate a column')
  await browser.press('Written')
  await browser.read('What it is')
  await browser.driver.wait(
    async () => (await browser.driver.findElements({ css: '.cm-content' })).length > 0,
    patience,
  )
  const editor = await browser.see('.cm-content')
  await editor.click()
  await editor.sendKeys('Price * 2 +')
  await browser.driver.wait(async () => !(await (await browser.named('Add the column')).isEnabled()), patience)
  await editor.sendKeys(' 1')
  await browser.read('It can be calculated.')
  expect(await faults(browser)).toEqual([])
  await browser.fill('Heading (optional)', 'Twice and one')
  await browser.press('Add the column')
  await settled('121.00')
  await browser.press('Without Twice and one')
})

test('a condition can be written too, and reads in the sentence as it is written', async () => {
  await browser.press('Add a condition')
  await browser.choose('What is asked', 'Something written as an expression …')
  const editor = await browser.see('.cm-content')
  await editor.click()
  await editor.sendKeys('Price > 50')
  await browser.read('Each visit of which “Price > 50” is so: 1 visit')
  expect(await faults(browser)).toEqual([])
  await browser.press('Show them')
  await browser.read(/^1 visit$/m)
  await browser.press('of which “Price > 50” is so')
  await browser.press('Remove the condition')
  await browser.read(/^3 visits$/m)
})

test('a record opened from a list has its neighbours there, and the list is come back to as it was', async () => {
  await toGrid()
  await browser.type(Key.ENTER)
  await browser.read('As in the list')
  const here = async () => (await browser.path()).replace(/.*record/, '')
  await browser.driver.wait(async () => (await here()) === '/3?by=list', patience)
  await browser.driver.wait(async () => (await browser.named('The next one (Alt ↓)')).isEnabled(), patience)
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.chord(Key.ALT, Key.ARROW_DOWN))
  await browser.driver.wait(async () => (await here()) === '/2?by=list', patience)
  await browser.press('Each visit')
  await browser.read('Running total of price')
  await settled('100.00')
})

test('what is missing is told, and a list that counts can be kept ready', async () => {
  await book.sql('DELETE FROM $payment WHERE payment_number = 2')
  await browser.go(`${book.path}/records/lists/new?of=payment`)
  await browser.read('2 payments')
  await browser.press('What is missing')
  await browser.read(/^2$/m)
  expect(await faults(browser)).toEqual([])
  await browser.press('Close')
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.press('its Payments')
  await browser.press('How many payments there are')
  await settled('| 1')
  await browser.press('Keep it')
  await browser.fill('Name', 'How often paid')
  await browser.press('Everybody’s')
  await browser.read('how many payments each visit has')
  await browser.press('Kept ready, to be quicker')
  await browser.press('Its number on the first page of Records')
  await browser.press('Keep it')
  await browser.read('everybody’s')
  await browser.go(`${book.path}/workshop/open`)
  await browser.read('Count the payments of each visit')
  await browser.press('Open with these changes')
  await browser.read('The book is open')
  await browser.go(`${book.path}/records`)
  await browser.read(/How often paid\s+3\s+visits/)
  expect(await faults(browser)).toEqual([])
  await browser.press('How often paid')
  await settled('| 1')
})

test('it is taken out as a spreadsheet, and shows the SQL that it becomes', async () => {
  await browser.driver.executeScript(`
    URL.createObjectURL = (blob) => { blob.slice(0, 2).text().then((text) => (window.handedOver = text)); return 'data:,' }`)
  await browser.press('Take out')
  await browser.press('Spreadsheet file')
  await browser.driver.wait(
    () => browser.driver.executeScript('return window.handedOver === "PK"'),
    patience,
    'No spreadsheet was handed over.',
  )
  await browser.press('Take out')
  await browser.press('Show the SQL')
  await browser.read(/-- The records\s+SELECT/)
  expect(await faults(browser)).toEqual([])
  await browser.press('Close')
  expect(await browser.complaints()).toEqual([])
})
