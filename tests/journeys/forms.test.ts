import { beforeAll, expect, test } from 'vitest'
import { focusOn } from '../support/arranged-form'
import { type Browser, Key, patience } from '../support/browser'
import { billing } from '../support/derived-design'
import { faults } from '../support/faults'
import { servedBook, type ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
let records: string

beforeAll(async () => {
  const design = billing().do({ kind: 'changeField', field: 'on', to: { must: true } })
  book = await servedBook('forms', 'Weir and Daughters', design.edits, { isOpen: true })
  browser = book.browser
  records = `${book.path}/records`
  await book.sql("INSERT INTO $customer (customer_number, name, town) VALUES (1, 'Mill House', 'Otterby')")
  await book.sql("INSERT INTO $item (item_number, what, list_price) VALUES (1, 'Sweep', 62)")
})

const keep = () => browser.type(Key.chord(Key.CONTROL, 's'))

/** The parts of the form in their order on the screen, line by line: "Customer + Issued on". */
const lines = (who = browser) =>
  who.driver.executeScript<string[]>(`
    const parts = [...document.querySelectorAll('#sheet [data-handle]')].map((e) => ({
      name: e.getAttribute('aria-label').split(',')[0],
      at: e.closest('[data-part]').getBoundingClientRect(),
    }))
    const lines = []
    for (const part of parts) {
      const line = lines.find((one) => Math.abs(one.top - part.at.top) < 2)
      if (line) line.names.push(part.name)
      else lines.push({ top: part.at.top, names: [part.name] })
    }
    return lines.map((line) => line.names.join(' + '))`)

/** Parts of a form that lie over one another. */
const overlaps = () =>
  browser.driver.executeScript<string[]>(`
    const all = [...document.querySelectorAll('#sheet [data-field]')]
    const found = []
    for (const [at, a] of all.entries())
      for (const b of all.slice(at + 1)) {
        if (a.contains(b)) continue
        const [p, q] = [a.getBoundingClientRect(), b.getBoundingClientRect()]
        const over = Math.min(p.right, q.right) - Math.max(p.left, q.left) > 1 &&
          Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top) > 1
        if (over) found.push(a.dataset.field + ' and ' + b.dataset.field)
      }
    // What runs out of its place lies over the next.
    for (const one of all) if (one.scrollWidth - one.clientWidth > 1) found.push(one.dataset.field + ' runs out')
    return found`)

test('the office arranges its form by the keyboard, and records are typed in it', async () => {
  await browser.go(`${records}/bill/new`)
  await browser.press('Arrange the form')
  await browser.read('not kept yet')
  const before = await lines()
  expect(before[0]).toBe('Customer + Issued on + State')
  // The state goes into a line of its own, is made wider, and everything can be taken back.
  await focusOn(browser, 'State')
  await browser.type(Key.ARROW_DOWN)
  await browser.driver.wait(async () => (await lines())[1] === 'State', patience)
  await browser.type(Key.chord(Key.SHIFT, Key.ARROW_RIGHT))
  await browser.type(Key.chord(Key.CONTROL, 'z'), Key.chord(Key.CONTROL, 'z'))
  await browser.driver.wait(async () => (await lines()).join() === before.join(), patience)
  await browser.type(Key.chord(Key.CONTROL, 'y'))
  await browser.driver.wait(async () => (await lines())[1] === 'State', patience)
  // What the customer says of itself, under a heading of the office's own.
  await focusOn(browser, 'State')
  await browser.press('Group')
  await browser.fill('Heading', 'Who it is for')
  await focusOn(browser, 'Customer')
  await browser.choose('In the group', 'Who it is for')
  await browser.press('A value of a linked record')
  await browser.press('Town')
  await focusOn(browser, 'Issued on')
  await browser.fill('Label', 'Billed on')
  await browser.answer('Label stands', 'beside')
  await browser.press('The form as a whole')
  await browser.fill('Name', 'Our bill')
  expect(await faults(browser)).toEqual([])
  await keep()
  await browser.read('The form is kept.')
  await browser.press('Use it')
  await browser.read('Who it is for')
  await browser.fill('Billed on', '3/4/2027')
  await browser.fill('Customer', 'Mill')
  await browser.type(Key.ENTER)
  await browser.read(/Otterby[^]*Otterby/)
  await keep()
  await browser.read('Saved as ')
  expect(await faults(browser)).toEqual([])
  expect(await book.ask('SELECT issued_on, customer FROM $bill')).toEqual([{ issued_on: '2027-04-03', customer: 1 }])
})

test('nothing lies over anything else, however wide the window is', async () => {
  for (const width of [1500, 1024, 768, 420]) {
    await browser.resize({ width, height: 900 })
    await browser.go(`${records}/bill/record/1`)
    await browser.read('Who it is for')
    expect([width, await overlaps()]).toEqual([width, []])
    const wide = await browser.driver.executeScript<number>(
      'return document.querySelector("#sheet").scrollWidth - document.querySelector("#sheet").clientWidth',
    )
    expect([width, wide]).toEqual([width, 0])
  }
  await browser.resize({ width: 1280, height: 800 })
})

test('a part that is dragged comes to stand where it is let go', async () => {
  await browser.go(`${records}/bill/arrange`)
  await browser.see('[data-handle][aria-label^="State,"]')
  await browser.box('Name')
  const before = await lines()
  const [dragged, onto] = [
    await browser.see('[data-handle][aria-label^="State,"]'),
    await browser.see('[data-handle][aria-label^="Customer,"]'),
  ]
  const to = await onto.getRect()
  await browser.driver
    .actions()
    .move({ origin: dragged })
    .press()
    .move({ origin: dragged, x: -8, y: 4 })
    .move({ x: Math.round(to.x + to.width * 0.2), y: Math.round(to.y + to.height / 2), duration: 200 })
    .release()
    .perform()
  await browser.driver.wait(async () => (await lines())[0] !== before[0], patience)
  expect((await lines())[0]).toBe('State + Customer + Issued on')
  await browser.press('Undo')
  await browser.driver.wait(async () => (await lines()).join() === before.join(), patience)
})

test('rows stand on cards, with what they come to; left out, a part says what that costs', async () => {
  await browser.go(`${records}/bill/arrange`)
  await browser.read('not kept yet')
  await focusOn(browser, 'Bill lines')
  await browser.answer('Each row', 'on a card')
  await browser.press('Quantity in all')
  await focusOn(browser, 'Issued on')
  await browser.read('No new bill can be saved: Issued on must be filled.')
  await browser.type(Key.DELETE)
  await browser.read('Issued on is left out')
  await browser.press('The form as a whole')
  await browser.fill('Name', 'Without a day')
  await keep()
  await browser.read('The form is kept.')
  await browser.go(`${records}/bill/new`)
  await browser.press('Form: Our bill')
  await browser.press('Without a day')
  await browser.press('Add bill line')
  await browser.fill('Quantity, row 1', '2')
  await browser.press('Add bill line')
  await browser.fill('Quantity, row 2', '3')
  await browser.read(/Quantity in all\s+5/)
  await keep()
  await browser.read('Issued on must be filled. It isn’t on this form.')
})

test('whoever has several forms chooses, and a new record starts as that one says', async () => {
  await browser.go(`${records}/bill/arrange`)
  await browser.fill('Name', 'At the telephone')
  await browser.press('staff')
  await browser.press('readers')
  await browser.choose('Another value to start with', 'State')
  await browser.fill('State', 'sold')
  await keep()
  await browser.read(/State: .*sold/)
  await browser.fill('State', 'sent')
  await keep()
  await browser.read('The form is kept.')
  await browser.go(`${records}/bill/new`)
  await browser.press('Form: Without a day')
  await browser.press('At the telephone')
  await browser.holds('State', 'sent')
  await browser.press('Form: At the telephone')
  await browser.press('Arrange this form')
  // Rows of the record have buttons that begin with the same word.
  await browser.see('[data-handle]')
  await browser.press('Remove')
  await browser.press('Remove it')
  await browser.go(`${records}/bill/new`)
  await browser.read('Our bill')
})

test('one look for all forms is seen on several in both themes; what can’t be read is mended', async () => {
  await browser.go(`${records}/look`)
  await browser.read('How forms look')
  await browser.box('Colour of headings')
  const paint = (label: string, colour: string) =>
    browser.driver.executeScript(
      `const box = [...document.querySelectorAll('input[type=color]')].find((e) => e.labels[0].innerText === arguments[0])
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(box, arguments[1])
       box.dispatchEvent(new Event('input', { bubbles: true }))`,
      label,
      colour,
    )
  await paint('Colour of headings', '#e0b354')
  await browser.read('Too pale to be read.')
  await browser.press('Use it for all forms')
  await browser.read('too pale')
  await paint('Ground of groups', '#f3efe2')
  await browser.press('Make it readable')
  await browser.answer('Letters', 'large')
  await browser.answer('Theme it is seen in', 'in the dark')
  expect(await faults(browser)).toEqual([])
  await browser.press('Use it for all forms')
  await browser.read('All forms look like this now.')
  await browser.go(`${records}/bill/record/1`)
  await browser.read('Who it is for')
  const ground = 'return getComputedStyle(document.querySelector("#sheet form section")).backgroundColor'
  expect(await browser.driver.executeScript(ground)).toBe('rgb(243, 239, 226)')
  expect(await faults(browser)).toEqual([])
})
