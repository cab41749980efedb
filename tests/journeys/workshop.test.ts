import { beforeAll, expect, test } from 'vitest'
import { application, browserAt } from '../support/application'
import { type Browser, Key } from '../support/browser'
import { faults } from '../support/faults'

let browser: Browser

// Each test goes on where the one before it stopped, as an afternoon of designing does.
beforeAll(async () => {
  const running = await application('workshop')
  browser = await browserAt(running.url)
  await browser.begin('Otterby Sweeps')
})

const alt = (key: string) => Key.chord(Key.ALT, key)
const values = (css: string) =>
  browser.driver.executeScript<string[]>('return [...document.querySelectorAll(arguments[0])].map((e) => e.value)', css)
const needs = () => values('textarea[aria-label^="Need "]')
const fields = () => values('input[aria-label^="Name of the field "]')
const until = (what: () => Promise<unknown>, want: unknown) =>
  browser.driver
    .wait(async () => JSON.stringify(await what()) === JSON.stringify(want), 8000)
    .catch(async () => {
      expect(await what()).toEqual(want)
    })

test('pasted lines become needs, which are reworded, put in order and removed', async () => {
  await browser.paste('1. Each visit is at one premises.\n2) A visit has a day.\n- List the visits of a day.\n\n')
  await until(needs, ['Each visit is at one premises.', 'A visit has a day.', 'List the visits of a day.'])
  await browser.fill('Need 2', 'A visit has a day and a price.')
  await browser.type(Key.ENTER)
  await browser.read('0 of 3 needs met')
  await (await browser.box('Need 3')).click()
  await browser.type(alt(Key.ARROW_UP))
  await until(needs, ['Each visit is at one premises.', 'List the visits of a day.', 'A visit has a day and a price.'])
  await browser.press('Remove need 2')
  await until(needs, ['Each visit is at one premises.', 'A visit has a day and a price.'])
  await browser.driver.executeScript('document.activeElement.blur()')
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await until(needs, ['Each visit is at one premises.', 'List the visits of a day.', 'A visit has a day and a price.'])
})

test('a need is dragged to its place', async () => {
  const handle = await browser.named('Move need 1')
  const target = await browser.named('Move need 3')
  await browser.driver
    .actions({ async: true })
    .move({ origin: handle })
    .press()
    .move({ origin: handle, y: 20 })
    .move({ origin: target, y: 6, duration: 300 })
    .release()
    .perform()
  await until(needs, ['List the visits of a day.', 'A visit has a day and a price.', 'Each visit is at one premises.'])
})

test('a table gets its fields, their order, its choices and what staff know it by', async () => {
  await browser.chapter('tables')
  await browser.read('The first table')
  await browser.type('Visit', Key.ENTER)
  await browser.see('#add-field-name')
  await browser.fill('Name of the next field', 'Day')
  await browser.type(Key.TAB, 'Date', Key.ENTER)
  await browser.type('Price', Key.TAB, 'Money', Key.ENTER)
  await browser.type('State', Key.TAB, 'Pick', Key.ENTER)
  await until(fields, ['Visit number', 'Day', 'Price', 'State'])

  await (await browser.box('Name of the field State')).click()
  await browser.type(alt(Key.ARROW_UP))
  await until(fields, ['Visit number', 'Day', 'State', 'Price'])

  await browser.press('Settings of State')
  await browser.fill('Next choice', 'booked, done, cancelled')
  await browser.type(Key.ENTER)
  await browser.read('Pick: booked, done or cancelled')
  await browser.press('Move cancelled up')
  await browser.read('Pick: booked, cancelled or done')
  await browser.press('Take booked out')
  await browser.read('Pick: cancelled or done')
  await browser.fill('Try a value', 'booked')
  await browser.read('Refused:')

  const [, knownBy] = await browser.driver.findElements({ xpath: '//header//button[.="Visit number"]' })
  await knownBy!.click()
  await browser.read('What staff know a record by')
  await (await browser.box('Day')).click()
  await browser.type(Key.ESCAPE)
  await browser.read('and staff know a visit by\nVisit number and Day')
  expect(await faults(browser)).toEqual([])
})

test('a table that others hang on is copied and removed, said first what goes', async () => {
  await browser.press('Add a table')
  await browser.see('#table-name')
  await browser.type('Premises', Key.ENTER)
  await browser.see('#add-field-name')
  await browser.chapter('pairings')
  await browser.press('Ask me the next one')
  await browser.answer('Can one visit have more than one premises?', 'No, one at most')
  await browser.answer('Can one premises have more than one visit?', 'Yes, several')
  await browser.press('Tie them')
  await browser.read('1 of 1 answered')
  await browser.chapter('tables')
  await browser.press('Visit')
  await browser.press('Copy')
  await browser.read('Visit copy')
  await until(fields, ['Visit number', 'Premises', 'Day', 'State', 'Price'])
  await browser.press('Premises')
  await browser.press('Remove')
  await browser.read('Remove Premises?')
  const said = await browser.read('Visit loses its link Premises')
  expect(said).toContain('Visit copy loses its link Premises')
  await browser.press('Remove Premises')
  await browser.press('Visit')
  await until(fields, ['Visit number', 'Day', 'State', 'Price'])
  await browser.driver.executeScript('document.activeElement.blur()')
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await until(fields, ['Visit number', 'Premises', 'Day', 'State', 'Price'])
})

test('the look of the book changes what every field shows', async () => {
  await browser.type(Key.chord(Key.CONTROL, 'k'))
  await browser.read('Chapters')
  await browser.type('Dates, numbers', Key.ENTER)
  await browser.read('The book and how it writes')
  const sign = await browser.box('Sign of the currency')
  await sign.click()
  await browser.type(Key.chord(Key.CONTROL, 'a'), '€', Key.TAB)
  expect(await faults(browser)).toEqual([])
  await browser.chapter('tables')
  await browser.press('Visit')
  await browser.read('€')
})

test('history tells every edit and goes back to any of them', async () => {
  await browser.press('Saved')
  await browser.read('Every edit to the design')
  // The rows come while the head stands already.
  for (const words of ['Copy Visit', 'Add the table Premises', 'Tie each Visit to one Premises'])
    await browser.read(words)
  const row = await browser.driver.findElement({ xpath: '//li[contains(., "Add the table Visit")]' })
  await browser.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', row)
  const back = await row.findElement({ css: 'button' })
  await browser.driver.executeScript('arguments[0].click()', back)
  await browser.read('The book is back as it was.')
  await browser.chapter('tables')
  await browser.press('Visit')
  await until(fields, ['Visit number'])
})

test('people get a sign-in and lose it again', async () => {
  await browser.press('Office')
  await browser.read('Who may use this book')
  await browser.fill('Name', 'Bram Kestle')
  await browser.fill('First password', 'soot-on-my-boots')
  await browser.press('Add')
  await browser.see('label[for^="role-"]')
  await browser.read('Bram Kestle')
  expect(await faults(browser)).toEqual([])
  expect(await browser.complaints()).toEqual([])
})
