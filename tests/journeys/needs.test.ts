import { beforeAll, expect, test } from 'vitest'
import { application, browserAt } from '../support/application'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'

let browser: Browser

beforeAll(async () => {
  const running = await application('needs')
  browser = await browserAt(running.url)
  await browser.begin('Otterby Kennels')
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

test('a pasted letter becomes proposals that can be accepted, changed and dismissed', async () => {
  await browser.paste(letter)
  await browser.read('Accept everything')
  await browser.read('4 lines of greeting were left out')
  expect(await faults(browser)).toEqual([])
  // One alone, with another name than the words have.
  await browser.press('Change Dog: Breed')
  await browser.fill('Name', 'Breed or mix')
  await browser.press('Accept the change')
  await browser.press('Ignore: Dog: Date of birth')
  await browser.read('Show 1 ignored')
  await browser.press('Show 1 ignored')
  await browser.press('Restore Dog: Date of birth')
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
  await browser.read('Choice: booked, running or over')
  await browser.press('Saved')
  await browser.read('Every edit to the design')
  await browser.read(/Accept \d+ proposals/)
})

test('what the words leave open is answered where its pair stands, and is open no more', async () => {
  const open = 'Can one dog have more than one stay?'
  await browser.chapter('needs')
  await browser.press(`Answer: ${open}`)
  await browser.read(`Your words leave open: ${open}`)
  // Whoever comes to answer is at the first question.
  expect(await browser.driver.executeScript('return document.activeElement.role')).toBe('radio')
  expect(await faults(browser)).toEqual([])
  await browser.press(`No change needed: ${open}`)
  await browser.chapter('needs')
  await browser.read('Can one extra come up with more than one stay?')
  expect(await browser.read('Your words leave this open')).not.toContain(open)
})

test('advice is mended after it is shown what will be done, or dismissed with a reason', async () => {
  await browser.chapter('tables')
  await browser.press('Extra')
  await browser.see('#add-field-name')
  await browser.fill('Name of the next field', 'Age')
  await browser.type(Key.TAB, 'Whole', Key.ENTER)
  await browser.fill('Name of the next field', 'Weight')
  await browser.type(Key.TAB, 'Exact', Key.ENTER)
  await browser.chapter('review')
  await browser.read('Extra → Age will be wrong next year')
  expect(await faults(browser)).toEqual([])
  await browser.press('Keep the date of birth instead')
  await browser.read('This will be done.')
  await browser.press('Keep the date of birth instead')
  await browser.driver.wait(async () => !(await browser.read('Review')).includes('will be wrong next year'), patience)
  await browser.press('Ignore: Extra → Weight has no unit')
  await browser.fill('Why no change is needed', 'Everything here is in kilos.')
  await browser.press('Ignore it')
  await browser.press('Show 1 piece of advice ignored')
  await browser.read('Ignored: Everything here is in kilos.')
  await browser.read('What the records must answer')
})

test('a paper form becomes tables, a starter table another, and all is signed off on a sheet', async () => {
  await browser.chapter('needs')
  await browser.press('From a form')
  await browser.fill('What the form is called', 'Bill')
  await browser.fill('Its labels', 'Bill number\nDate\nOwner name\nQuantity\nDescription\nPrice each\nTotal')
  await browser.read('Bill line')
  expect(await faults(browser)).toEqual([])
  await browser.press('Make these tables')
  await browser.read('to one Bill')
  await browser.chapter('needs')
  await browser.press('Starter tables')
  await browser.press('Vehicle')
  await browser.fill('What your office calls it', 'Van')
  await browser.press('Make the table')
  await browser.read('Split or join')
  await browser.read('Van number')
  await browser.chapter('needs')
  await browser.press('Sign-off sheet')
  const sheet = await browser.read('What nobody asked for')
  expect(sheet).toMatch(/Van: the whole table/)
  expect(await faults(browser)).toEqual([])
})

test('what many records share moves to a table of its own', async () => {
  await browser.chapter('tables')
  await browser.press('Van')
  await browser.press('Split or join')
  await browser.fill('Name of the new table', 'Van model')
  await (await browser.box('Make')).click()
  await (await browser.box('Model')).click()
  await browser.press('Split it')
  await browser.read('Van model number')
  await browser.press('Van')
  await browser.read('to one Van model')
  expect(await browser.complaints()).toEqual([])
})

test('wrong input gets words or no room, and loses nothing', async () => {
  const strange = `<b>Each</b> ${'x'.repeat(90)} has a Robert'); DROP TABLE visit;-- and a שלום name.`
  await browser.chapter('needs')
  await browser.fill('Write or paste the next need', strange)
  await browser.type(Key.ENTER)
  const written = await browser.driver.findElement({ xpath: '//textarea[contains(., "DROP TABLE")]' })
  expect(await written.getAttribute('value')).toBe(strange)
  // No line is wider than its column, whatever it holds.
  const spill = await browser.driver.executeScript<number>(
    'const [e] = arguments; return e.getBoundingClientRect().right - e.closest("li").getBoundingClientRect().right',
    written,
  )
  expect(spill).toBeLessThanOrEqual(0)
  await written.click()
  await browser.read('What its words give')

  await browser.press('From a form')
  await browser.fill('Its labels', `Total\nTotal\n:::\nName\nname\n${'z'.repeat(100)}`)
  await browser.read('Say first what the form is called.')
  expect(await (await browser.named('Make these tables')).isEnabled()).toBe(false)
  await browser.fill('What the form is called', 'y'.repeat(80))
  expect(await browser.value('What the form is called')).toHaveLength(60)
  expect(
    await browser.driver.executeScript(
      'const m = document.querySelector("main"); return m.scrollWidth - m.clientWidth',
    ),
  ).toBe(0)
  await browser.press('Make these tables')
  await browser.see('#add-field-name')

  // A name that is taken is refused in words, and what was typed stays.
  await browser.press('Van')
  await browser.press('Split or join')
  await browser.fill('Name of the new table', 'dog')
  await (await browser.box('Registration')).click()
  await browser.press('Split it')
  await browser.read('There is already a table called “dog”')
  expect(await browser.value('Name of the new table')).toBe('dog')
  await browser.press('Cancel')
  expect(await browser.complaints()).toEqual([])
})
