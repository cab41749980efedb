import { beforeAll, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { type Browser, Key } from '../support/browser'
import { faults } from '../support/faults'
import { servedBook, type ServedBook } from '../support/served-book'
import { link, table } from '../support/tables'

const design: Edit[] = [
  ...table('Person', 'Name line', 'Address email'),
  ...table('Visit', 'Day date', 'Price money'),
  link('person', 'visit'),
]

let book: ServedBook
let browser: Browser
let records: string

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedBook('mail', 'Hollin and Sons', design, { isOpen: true })
  browser = book.browser
  records = `${book.path}/records`
  await book.sql(
    `INSERT INTO $person (person_number, name, address) VALUES (1, 'Una', 'una@otterby.example'), (2, 'Corin', NULL), (3, 'Dara', 'dara@refused.example')`,
  )
  await book.sql(
    `INSERT INTO $visit (visit_number, day, price, person) VALUES (1, '2027-03-01', 40, 1), (2, '2027-03-02', 60, 2), (3, '2027-03-03', 5, 3)`,
  )
})

const written = async () =>
  (await browser.driver.executeScript<string>('return document.querySelector(".mail-text")?.innerText ?? ""')).replace(
    /\s+/g,
    ' ',
  )

test('an e-mail is written before the text, with the values of an example in it', async () => {
  await browser.go(`${records}/documents/new?of=visit&as=ready-bill`)
  await browser.read('Put into the text')
  await browser.press('E-mail')
  await browser.read('E-mail to Person → Address una@otterby.example')
  await browser.driver.wait(async () => (await written()).includes('Bill for visit Visit number 1'), 60_000)
  await browser.type(Key.END, ' Please pay soon.')
  await browser.driver.wait(async () => (await written()).includes('Good day, Please pay soon.'), 60_000)
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.driver.wait(async () => !(await written()).includes('Please pay soon.'), 60_000)
  await browser.type(' Please pay by Friday.')
  expect(await faults(browser)).toEqual([])
  // Whatever else is chosen, what is handed out is kept with its number.
  await (await browser.see('.document-text .tiptap > h1')).click()
  await browser.press('Keep what is handed out')
  await browser.press('With a number, without gaps')
  await browser.press('Keep it')
  await browser.read('The document is kept')
})

test('it is looked at before it goes out; who has no address is told', async () => {
  await browser.go(`${records}/visit/record/2`)
  await browser.press('Hand out')
  await browser.press('Bill')
  await browser.press('E-mail')
  await browser.read('Person → Address is empty')
  expect(await (await browser.named('Send')).isEnabled()).toBe(false)
  expect(await faults(browser)).toEqual([])
  await browser.go(`${records}/visit/record/1`)
  await browser.press('Hand out')
  await browser.press('Bill')
  await browser.press('E-mail')
  await browser.read('Please pay by Friday.')
  await browser.read('1 e-mail')
  await browser.press('Send it')
  await browser.read('Bill for visit 1')
})

test('it came in at the post office, is kept with its record, and isn’t sent twice unasked', async () => {
  await browser.press('Bill for visit 1')
  await browser.read(/Sent \d/)
  await browser.read('una@otterby.example')
  expect(await faults(browser)).toEqual([])
  await browser.go(`${records}/documents/post`)
  const said = await browser.read('una@otterby.example')
  expect(said).toContain('Bill 0001.pdf')
  expect(said).toContain('Please pay by Friday.')
  expect(await faults(browser)).toEqual([])
  await browser.go(`${records}/visit/record/1`)
  await browser.read('1 paper handed out')
  await browser.read('1 e-mail')
  await browser.press('Hand out')
  await browser.press('Bill')
  await browser.press('E-mail')
  await browser.read('1 visit had it before')
  expect(await (await browser.named('Send')).isEnabled()).toBe(false)
  await browser.press('Send it to them again')
  expect(await (await browser.named('Send it')).isEnabled()).toBe(true)
})

test('what the post office refuses says why, and can be sent again when the address is put right', async () => {
  await browser.go(`${records}/visit/record/3`)
  await browser.press('Hand out')
  await browser.press('Bill')
  await browser.press('E-mail')
  await browser.press('Send it')
  await browser.read('The post office says: 550 Nobody has a box here')
  await browser.press('Bill for visit 3')
  await browser.read('It was tried once.')
  await browser.press('Send it again')
  await browser.read('Nobody has a box here')
})

test('a real post office is set up in words; one that isn’t there is told, and nothing is lost', async () => {
  await browser.go(`${records}/documents/post`)
  await browser.press('A real one')
  await browser.press('Save')
  await browser.read('Type the name of the machine')
  await browser.fill('Machine', '127.0.0.1')
  await browser.choose('The connection is', 'not safe: within the house alone')
  await browser.fill('Port', '9')
  await browser.fill('Address', 'not an address')
  await browser.press('Save')
  await browser.read('is not an e-mail address')
  await browser.fill('Address', 'office@hollin.example')
  await browser.press('Save')
  await browser.read('The next e-mails go out so.')
  await browser.go(`${records}/visit/record/1`)
  await browser.press('Hand out')
  await browser.press('Bill')
  await browser.press('E-mail')
  await browser.read('By 127.0.0.1')
  await browser.press('Send it to them again')
  await browser.press('Send it')
  await browser.read('1 e-mail waits to be sent.')
  await browser.read('No post office answers at this address')
  await browser.press('Take them back')
  await browser.read('taken back')
})
