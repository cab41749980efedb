import { beforeAll, expect, inject, test } from 'vitest'
import { connect, type Database, run } from '@/server/database'
import { application, browserAt } from '../support/application'
import type { Browser } from '../support/browser'
import { faults } from '../support/faults'

let db: Database
let browser: Browser

beforeAll(async () => {
  const running = await application('troubles')
  db = await connect(`${inject('databaseUrl')}/troubles`)
  browser = await browserAt(running.url)
  await browser.begin('Teal and Sons, Sweeps')
  return () => db.sequelize.close()
})

test('an address that leads nowhere says so, and leads back', async () => {
  await browser.go('/books/nowhere/records')
  await browser.read('There is nothing here')
  expect(await faults(browser)).toEqual([])
  await browser.press('To your record books')
  await browser.read('Teal and Sons, Sweeps')
})

test('a page that can’t be made says what to do, and comes once it can', async () => {
  await run(db, 'RENAME TABLE troubles.memberships TO troubles.hidden')
  await browser.go('/books')
  const page = await browser.read('This page can’t be shown just now')
  expect(page).not.toMatch(/memberships|SELECT|Error/)
  expect(await faults(browser)).toEqual([])
  await run(db, 'RENAME TABLE troubles.hidden TO troubles.memberships')
  await browser.press('Try again')
  await browser.read('Teal and Sons, Sweeps')
})

test('an edit that isn’t saved yet says so, is asked about before the page is left, and is saved once it can be', async () => {
  await browser.press('Teal and Sons, Sweeps')
  await browser.read('Start from the business')
  await browser.chapter('tables')
  await run(db, 'RENAME TABLE troubles.edits TO troubles.hidden')
  await browser.press('Add a table')
  await browser.fill('Name', 'Visit')
  await browser.press('Add the table')
  await browser.read('Not saved yet, trying again')
  const isAsked = `const leaving = new Event('beforeunload', { cancelable: true }); return !window.dispatchEvent(leaving)`
  expect(await browser.driver.executeScript(isAsked)).toBe(true)
  await run(db, 'RENAME TABLE troubles.hidden TO troubles.edits')
  await browser.see('[data-waiting="0"]')
  expect(await browser.driver.executeScript(isAsked)).toBe(false)
})

test('where the server can’t be reached, what was asked says so and can be asked again', async () => {
  await browser.chapter('open')
  await browser.read('This will be made')
  await browser.offline(true)
  await browser.press('Open the book')
  await browser.read('Hearth Table doesn’t answer')
  await browser.offline(false)
  await browser.press('Open the book')
  await browser.read('is open')
})

test('every part of the kit and every control can be read and worked by anybody, in both themes', async () => {
  await browser.go('/kit')
  for (const theme of ['Light', 'Dark']) {
    await browser.press(theme)
    expect(await faults(browser), theme).toEqual([])
  }
  await browser.press('Open a dialog')
  await browser.read('What goes with it is said before.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Cancel')
})
