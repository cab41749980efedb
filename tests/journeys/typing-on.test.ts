import { beforeAll, expect, test } from 'vitest'
import { type Browser, Key, patience } from '../support/browser'
import { servedDemo } from '../support/served-demo'

let clerk: Browser
let emberly: string

beforeAll(async () => {
  ;({ clerk, emberly } = await servedDemo('typing'))
})

const slow = (latency: number) =>
  clerk.command('Network.emulateNetworkConditions', {
    offline: false,
    latency,
    downloadThroughput: -1,
    uploadThroughput: -1,
  })

test('what is typed while a record is on its way to be saved is kept', async () => {
  await clerk.go(`${emberly}/records/premises/new`)
  await clerk.fill('Address', '4 Kiln Row')
  await clerk.command('Network.enable', {})
  await slow(700)
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.fill('Access note', 'Ring twice')
  await clerk.read('Saved as ')
  await clerk.driver.wait(async () => /\/record\//.test(await clerk.path()), patience)
  expect(await clerk.value('Access note')).toBe('Ring twice')
  // The same for a record that was there already.
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.fill('Postcode', 'OT4 1AA')
  await clerk.read('Saved.')
  await slow(0)
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.driver.wait(async () => (await clerk.named('Saved')).isDisplayed(), patience)
  expect([await clerk.value('Access note'), await clerk.value('Postcode')]).toEqual(['Ring twice', 'OT4 1AA'])
})

test('a row that is begun while its record is being saved stays, and one goes on typing in it', async () => {
  await clerk.go(`${emberly}/records/contact/new`)
  await clerk.fill('Name', 'Tansy Orme')
  await clerk.fill('E-mail', 'tansy@orme.example')
  await clerk.command('Network.enable', {})
  await slow(700)
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.press('Add contact phone')
  await clerk.fill('Number, row 1', '01632 960')
  await clerk.read('Saved as ')
  await slow(0)
  // The record's own page has come, and one is in the same box of it.
  const box = () =>
    clerk.driver.executeScript<string>('return location.pathname + " " + document.activeElement.ariaLabel')
  await clerk.driver.wait(async () => /record.* Number, row 1$/.test(await box()), patience)
  // One is still at it: nothing is told of drafts, and none is left for the next new contact.
  expect(await clerk.read('')).not.toContain('as you left it')
  await clerk.type(' 471')
  expect(await clerk.value('Number, row 1')).toBe('01632 960 471')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.read('Saved.')
  await clerk.driver.navigate().refresh()
  expect(await clerk.value('Number, row 1')).toBe('01632 960 471')
  // The number is part of the row's key; changing it leaves one in the same box.
  await clerk.fill('Number, row 1', '01632 960 472')
  await clerk.driver.executeScript('document.activeElement.dataset.seen = "same"')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.read('Saved.')
  await clerk.driver.wait(async () => !(await (await clerk.named('Save')).isEnabled()), patience)
  expect(await clerk.driver.executeScript('return document.activeElement.dataset.seen')).toBe('same')
  await clerk.driver.navigate().refresh()
  expect(await clerk.value('Number, row 1')).toBe('01632 960 472')
  await clerk.go(`${emberly}/records/contact/new`)
  await clerk.see('input')
  expect(await clerk.value('Name')).toBe('')
})

test('Save pressed while the new record’s own page is on its way is done there', async () => {
  await clerk.go(`${emberly}/records/contact/new`)
  await clerk.fill('Name', 'Bryony')
  await clerk.fill('E-mail', 'bryony@sedgewick.example')
  await clerk.command('Network.enable', {})
  await slow(3000)
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.read('Saved as ')
  await clerk.fill('Name', 'Bryony Sedgewick')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  expect(await clerk.path()).toMatch(/\/new$/)
  await slow(0)
  await clerk.driver.wait(async () => /\/record\//.test(await clerk.path()), patience)
  await clerk.driver.wait(async () => !(await (await clerk.named('Saved')).isEnabled()), patience)
  await clerk.driver.navigate().refresh()
  expect(await clerk.value('Name')).toBe('Bryony Sedgewick')
})

/** Letters one after the other, wherever they may land: as fast as a quick hand, without a look at the screen. */
const typeOn = (words: string) =>
  [...words].reduce((all, letter) => all.sendKeys(letter).pause(12), clerk.driver.actions()).perform()

test('what is typed on while a saved form is drawn anew arrives, letter for letter', async () => {
  const words = 'of the lower mill, and of the tannery behind it'
  await clerk.go(`${emberly}/records/contact/new`)
  await clerk.fill('E-mail', 'tansy@orme.example')
  await clerk.fill('Name', 'Tansy Orme ')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await typeOn(words)
  await clerk.read('Saved as ')
  await clerk.holds('Name', `Tansy Orme ${words}`)
  // Words that come up as a box is left don't push away what is pressed.
  await clerk.fill('E-mail', 'tansy at orme')
  await clerk.press('Add contact phone')
  await clerk.read('“tansy at orme” is not an e-mail')
  await clerk.fill('E-mail', 'tansy@orme.example')
  // The same in a row of a record that was there already, as the row is stored and as it is stored again.
  for (const [sofar, more] of [
    ['01632 ', '960 471 and then some digits 123'],
    ['01633 ', '960 472, after six in the evening'],
  ] as const) {
    await clerk.fill('Number, row 1', sofar)
    await clerk.driver.executeScript('document.activeElement.dataset.seen = arguments[0]', sofar)
    await clerk.type(Key.chord(Key.CONTROL, 's'))
    await typeOn(more)
    await clerk.read('Saved.')
    await clerk.holds('Number, row 1', sofar + more)
    // It is the very same box: whatever a box knows of itself, such as its undo, is still there.
    expect(await clerk.driver.executeScript('return document.activeElement.dataset.seen')).toBe(sofar)
  }
})

test('a blank typed last before saving is there for the next word, also on the page that takes this one’s place', async () => {
  const isSaved = () => clerk.driver.wait(async () => !(await (await clerk.named('Save')).isEnabled()), patience)
  await clerk.go(`${emberly}/records/contact/new`)
  await clerk.fill('E-mail', 'bryony@orme.example')
  await clerk.fill('Name', 'Bryony ')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await clerk.driver.wait(async () => /\/record\//.test(await clerk.path()), patience)
  await isSaved()
  expect(await clerk.value('Name')).toBe('Bryony')
  await typeOn('Orme ')
  await clerk.holds('Name', 'Bryony Orme ')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await isSaved()
  await typeOn('Marsh')
  await clerk.holds('Name', 'Bryony Orme Marsh')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await isSaved()
  // Where one goes on elsewhere, or anywhere but at the end, nothing is owed.
  await clerk.fill('Name', 'Bryony ')
  await clerk.type(Key.chord(Key.CONTROL, 's'))
  await isSaved()
  await clerk.type(Key.HOME, 'X')
  await clerk.holds('Name', 'XBryony')
})
