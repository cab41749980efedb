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
  expect(first).toMatch(/^3 \| 3 Mar 2027 \| asked/)
  await toGrid()
  await browser.type(Key.ARROW_RIGHT, Key.F2)
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
  await settled('3 | 3 Mar 2027')
})

test('a letter on a cell begins it anew, and Escape leaves everything as it was', async () => {
  await toGrid()
  await browser.type(Key.ARROW_RIGHT, '7')
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
  const houses = () => book.sql('SELECT house FROM $visit ORDER BY visit_number')
  expect(await houses()).toEqual([{ house: 1 }, { house: 2 }, { house: 2 }])
  await browser.press('Take it back')
  await browser.read('2 visits are as before.')
  expect(await houses()).toEqual([{ house: 1 }, { house: 2 }, { house: 1 }])
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
  expect(await book.sql("SELECT COUNT(*) AS n FROM $visit WHERE state = 'booked'")).toEqual([{ n: 1 }])
})

test('what goes with the marked ones is said before they are removed', async () => {
  await browser.press('Unmark all')
  await toGrid()
  await browser.type(' ')
  await browser.read('1 visit marked')
  await browser.press('Remove')
  await browser.read(/Remove 1 visit\?/)
  await browser.read(/1 payment|Nothing else/)
  await browser.press('Cancel')
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
