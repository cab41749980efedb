import { beforeAll, expect, test } from 'vitest'
import { application, browserAt } from '../support/application'
import { type Browser, Key } from '../support/browser'
import { faults } from '../support/faults'

let browser: Browser

beforeAll(async () => {
  const running = await application('needs')
  browser = await browserAt(running.url)
  await browser.go('/')
  await browser.read('Welcome to Hearth Table')
  await browser.type('Averil Teal', Key.TAB, 'a quiet little town', Key.ENTER)
  await browser.read('Make your first record book')
  await browser.type('Otterby Kennels', Key.ENTER)
  await browser.read('Start from the business')
})

const letter = `Hi Averil,

here is what we keep about the kennels.
Each owner has a name, a phone number and an e-mail address.
Every dog has a name, a breed and a date of birth, and belongs to one owner. An owner may have several dogs.
A stay is for one dog, from a start date to an end date. A stay is booked, running or over.
During a stay a dog gets extras; each extra has a name and a price. A stay may have at most five extras, and an extra comes up in many stays. We note the quantity.
We would like to see which dogs are here today.
Also the colour of the lead hook.

Kind regards
Hester`

const paste = (text: string) =>
  browser.driver.executeScript(
    `const data = new DataTransfer(); data.setData('text/plain', arguments[0])
     document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))`,
    text,
  )

test('a pasted letter becomes proposals that can be accepted, changed and waved off', async () => {
  await paste(letter)
  await browser.read('Accept everything')
  expect(await faults(browser)).toEqual([])
  // One alone, with another name than the words have.
  await browser.press('Change Dog: Breed')
  await browser.fill('Name', 'Breed or mix')
  await browser.press('Accept it so')
  await browser.press('Not this: Dog: Date of birth')
  await browser.read('Show 1 waved off')
  await browser.press('Show 1 waved off')
  await browser.press('Consider Dog: Date of birth again')
  await browser.press('Accept Dog: Date of birth')
  await browser.read('✓ in the book')
})

test('all of one need is one edit, and one undo', async () => {
  const box = await browser.driver.findElement({ xpath: '//textarea[contains(., "Each owner has")]' })
  await box.click()
  const number = await box.getAttribute('aria-label')
  await browser.press(`Accept all of need ${number!.replace('Need ', '')}`)
  await browser.read('Owner is there')
  await browser.driver.executeScript('document.activeElement.blur()')
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.read('Undone: Accept')
  await browser.named('Accept Owner: new table')
  await browser.type(Key.chord(Key.CONTROL, 'y'))
  await browser.read('Owner is there')
})

test('everything accepted is a design with its links, limits and needs met', async () => {
  await browser.press('All needs')
  await browser.press('Accept everything')
  await browser.chapter('tables')
  const told = await browser.read('Stay extra')
  expect(told).toMatch(/Owner[\s\S]*Dog|Dog[\s\S]*Owner/)
  await browser.press('Dog')
  await browser.read('to one Owner')
  const names = await browser.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('input[aria-label^="Name of the field "]')].map((e) => e.value)`,
  )
  expect(names).toEqual(['Dog number', 'Owner', 'Breed or mix', 'Date of birth', 'Name'])
  await browser.press('Stay')
  await browser.read('Pick: booked, running or over')
  await browser.press('Saved')
  const history = await browser.read('Every edit to the design')
  expect(history).toMatch(/Accept \d+ proposals/)
  expect(await browser.complaints()).toEqual([])
})
