import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { type Browser, Key } from '../support/browser'
import { billingTables } from '../support/derived-design'
import { tie } from '../support/edits'
import { faults } from '../support/faults'
import { servedBook, type ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser

/** A bill can be sent to another customer than the one it is for. */
const sentTo: Edit[] = [
  tie('customer', 'bill', { link: 'bill-sent-link', field: 'bill-sent' }),
  { kind: 'changeField', field: 'bill-sent', to: { name: 'Sent to' } },
]

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedBook('derived', 'Weir and Daughters', [...billingTables().edits, ...sentTo])
  browser = book.browser
})

async function addField(name: string, kind: string) {
  await browser.fill('Name of the next field', name)
  await browser.choose('Kind of the next field', kind)
  await browser.press('Add a field')
  await browser.press(`Settings of ${name}`)
}

test('each derived kind is designed by choosing, and says what it is made from', async () => {
  await browser.go(`${book.path}/workshop/tables?table=line`)
  await addField('Price each', 'Copied — a value of the linked record, as it was when the link was made')
  await browser.choose('Copies', 'Item → List price')
  await browser.read('Copied: Item → List price')
  expect(await faults(browser)).toEqual([])
  await addField('Line amount', 'Worked out — calculated from other fields of the record')
  await browser.fill('Calculated as', 'Quantty * "Price each"')
  await browser.read('Did you mean Quantity?')
  await browser.fill('Calculated as', 'Quantity * "Price each"')
  await browser.read('It can be kept.')
  await browser.type(Key.TAB)
  await browser.read('= Quantity * "Price each"')

  await browser.go(`${book.path}/workshop/tables?table=bill`)
  await addField('Town of customer', 'Borrowed — a value of the linked record, always as it is there now')
  await browser.choose('Shows', 'Customer → Town')
  await browser.read('Borrowed: Customer → Town')
  await addField('Total', 'Gathered — count, total, average, least or greatest of the rows that link here')
  await browser.choose('Gathers, for each record, the', 'Bill lines')
  await browser.read('how many bill lines')
  await browser.choose('and takes', 'the total of Line amount')
  await browser.read('total of Line amount of its bill lines')
  await browser.read('Changes with Bill line → Line amount and the bill lines that there are.')
  expect(await faults(browser)).toEqual([])
})

test('rows that lead here by two links are told apart, in choosing and in writing', async () => {
  await browser.go(`${book.path}/workshop/tables?table=customer`)
  await addField('Latest sent', 'Gathered — count, total, average, least or greatest of the rows that link here')
  await browser.choose('Gathers, for each record, the', 'Bills by Sent to')
  await browser.read('how many bills by Sent to')
  await browser.choose('and takes', 'the latest Issued on')
  await browser.read('latest Issued on of its bills by Sent to')
  await addField('Sent or charged', 'Worked out — calculated from other fields of the record')
  await browser.fill('Calculated as', 'COUNT(Bill)')
  await browser.read('Bill is linked to Customer by Customer and Sent to')
  await browser.fill('Calculated as', 'COUNT(Bill BY "Sent to") + COUNT(Bill BY Customer)')
  await browser.read('It can be kept.')
  await browser.type(Key.TAB)
  await browser.read('= COUNT(Bill BY "Sent to") + COUNT(Bill BY Customer)')
  await browser.go(`${book.path}/workshop/tables?table=bill`)
  await browser.press('Settings of Total')
})

test('a circle is spelled out, and stands in the way of opening until it is undone', async () => {
  await addField('Round', 'Worked out — calculated from other fields of the record')
  await browser.fill('Calculated as', 'Total')
  await browser.type(Key.TAB)
  await browser.read('= Total')
  await browser.go(`${book.path}/workshop/tables?table=line`)
  await browser.press('Settings of Line amount')
  await browser.fill('Calculated as', 'Quantity * Bill.Roun')
  // Left with the very last letter, before anything could be drawn.
  await browser.driver.executeAsyncScript(`
    document.execCommand('insertText', false, 'd')
    Promise.resolve().then(() => document.activeElement.blur()).then(arguments[0])`)
  await browser.read('Bill line → Line amount is made from itself')
  await browser.chapter('open')
  await browser.read('Bill → Round is made from itself: Bill → Round, from Bill → Total')
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.read('Open the book')
})

test('in Records everything moves while the lines are typed, and is the same once it is saved', async () => {
  await browser.press('Open the book')
  await browser.read('is open')
  await book.sql("INSERT INTO $item (item_number, what, list_price) VALUES (1, 'Sweep', 62), (2, 'Cowl', 31.5)")
  await book.sql("INSERT INTO $customer (customer_number, name, town) VALUES (1, 'Mill House', 'Otterby')")
  await browser.go(`${book.path}/records/bill/new`)
  await browser.fill('Customer', 'Mill')
  await browser.press('Mill House')
  await browser.read('Otterby')
  await browser.press('Add bill line')
  await browser.fill('Quantity, row 1', '3')
  await browser.fill('Item, row 1', 'Swe')
  await browser.press('Sweep')
  await browser.read(/Total\s+186\.00/)
  await browser.press('Add bill line')
  await browser.fill('Quantity, row 2', '2')
  await browser.fill('Item, row 2', 'Cow')
  await browser.press('Cowl')
  await browser.read(/Total\s+249\.00/)
  await browser.fill('Quantity, row 1', '1')
  await browser.read(/Total\s+125\.00/)
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('Saved')
  await browser.read(/Total\s+125\.00/)
  expect(await book.ask('SELECT town_of_customer AS town, total FROM $bill_full')).toEqual([
    { town: 'Otterby', total: '125.00' },
  ])
})

test('a list is sorted by what is gathered', async () => {
  await book.sql('INSERT INTO $bill (bill_number) VALUES (50)')
  await book.sql('INSERT INTO $bill_line (bill_line_number, bill, item, quantity) VALUES (50, 50, 1, 9)')
  await browser.go(`${book.path}/records/bill`)
  await browser.press('Total')
  await browser.press('Total')
  await browser.read(/558\.00[\s\S]*125\.00/)
})

test('and narrowed to what is derived, with the condition taken away again', async () => {
  await browser.press('Filter')
  await browser.choose('This field', 'Total')
  await browser.choose('How', 'is more than')
  await browser.fill('The value', '200')
  await browser.read('Only where total is more than 200.00.')
  await browser.press('Show them')
  await browser.read('1 found among 2')
  expect(await browser.driver.executeScript('return document.body.innerText')).not.toContain('125.00')
  expect(await faults(browser)).toEqual([])
  await browser.press('No longer only where Total is more than 200.00')
  await browser.read('2 records')
  expect(await browser.complaints()).toEqual([])
})
