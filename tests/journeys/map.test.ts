import { beforeAll, expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'
import { servedBook, type ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedBook('mapping', 'Emberly Flue Care', emberlyDesign().edits)
  browser = book.browser
  await browser.go(`${book.path}/workshop/map`)
  await laid()
})

const laid = () => browser.see('[data-laid="yes"]')
const script = <T>(text: string, ...args: unknown[]) => browser.driver.executeScript<T>(text, ...args)
const card = (id: string) => browser.see(`.react-flow__node[data-id="${id}"]`)
const spotOf = (id: string) =>
  script<string>('return document.querySelector(`.react-flow__node[data-id="${arguments[0]}"]`).style.transform', id)
const drawnPaths = () => script<number>("return document.querySelectorAll('.react-flow__viewport-portal path').length")

test('it lays itself out, and reads as a list too', async () => {
  expect(await faults(browser)).toEqual([])
  const words = await script<string>('return document.querySelector("[aria-label=\'The map in words\']").textContent')
  expect(words).toContain('Premises')
  expect(words).toContain('is booked for to Visit: none or more')
  expect(await drawnPaths()).toBeGreaterThan(22)
  const spoken = await script<string>(
    "return document.getElementById(document.querySelector('.react-flow__node').getAttribute('aria-describedby')).textContent",
  )
  expect(spoken).toMatch(/the arrow keys move it/)
  expect(spoken).not.toMatch(/delete/i)
  await browser.press('Nearer')
  await browser.press('The whole map')
})

test('each reading shows what it says', async () => {
  const texts = () =>
    script<string>("return [...document.querySelectorAll('.react-flow__node text')].map(t => t.textContent).join('|')")
  const until = (has: string, hasNot: string) =>
    browser.driver.wait(
      async () => {
        const now = await texts()
        return now.includes(has) && !now.includes(hasNot)
      },
      patience,
      `The cards never showed ${has} without ${hasNot}.`,
    )
  await browser.answer('What stands on a card', 'Names')
  await until('Visit', 'Booked for')
  await browser.answer('What stands on a card', 'Keys')
  await until('Visit code', 'Ladder height')
  await browser.answer('What stands on a card', 'Kinds')
  await until('Date and time', 'DATETIME')
  await browser.answer('Show as', 'Database')
  await until('DATETIME', 'Date and time')
  await browser.answer('Show as', 'Without joining tables')
  await until('Date and time', 'Call first')
  await browser.answer('Show as', 'Designed')
  await browser.answer('What stands on a card', 'Fields')
  await until('Call first', 'Date and time')
  await laid()
})

test('a card is moved by hand and by the arrow keys, pinned, tidied round, and put back by undo', async () => {
  const before = await spotOf('fuel')
  const node = await card('fuel')
  await browser.driver
    .actions()
    .move({ origin: node })
    .press()
    .move({ origin: node, x: -20, y: 10 })
    .move({ origin: node, x: -70, y: 30 })
    .release()
    .perform()
  await laid()
  const moved = await spotOf('fuel')
  expect(moved).not.toBe(before)
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.driver.wait(async () => (await spotOf('fuel')) === before, patience, 'It was not put back.')
  await browser.type(Key.chord(Key.CONTROL, 'y'))
  await browser.driver.wait(async () => (await spotOf('fuel')) === moved, patience, 'It was not moved again.')
  await laid()
  await script('document.querySelector(`.react-flow__node[data-id="fuel"]`).focus()')
  await browser.type(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.chord(Key.SHIFT, Key.ARROW_DOWN))
  await laid()
  const [x, y] = await placeOf('fuel')
  const [wasX, wasY] = numbers(moved)
  expect([x - wasX!, y - wasY!]).toEqual([20, 40])
  await browser.press('Pin: tidying leaves it here')
  await browser.see('[aria-label="Release it: tidying may move it"]')
  await browser.press('Tidy up')
  await laid()
  expect(await placeOf('fuel')).toEqual([x, y])
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.read('Undone')
})

const numbers = (transform: string) => [...transform.matchAll(/-?\d+(\.\d+)?/g)].map(([number]) => Number(number))
const placeOf = async (id: string) => numbers(await spotOf(id)) as [number, number]

/** What was undone last may be drawn only after the map was fitted into the window, with cards elsewhere: then again. */
const wholeInSight = (...cards: readonly string[]) =>
  browser.driver.wait(
    async () => {
      await browser.press('The whole map')
      await browser.driver.sleep(300)
      return script<boolean>(
        `const map = document.querySelector('.react-flow').getBoundingClientRect()
        return [...arguments].every((id) => {
          const box = document.querySelector('.react-flow__node[data-id="' + id + '"]').getBoundingClientRect()
          return box.left >= map.left && box.right <= map.right && box.top >= map.top && box.bottom <= map.bottom
        })`,
        ...cards,
      )
    },
    patience,
    'The whole map never came into sight.',
  )

/** A card has its dot while one points at it; it may still be on its way, so one points again. */
async function dotOf(id: string) {
  const dot = `.react-flow__node[data-id="${id}"] .react-flow__handle-right`
  await browser.driver.wait(
    async () => {
      const origin = await card(id)
      const pointed = await browser.driver
        .actions()
        .move({ origin })
        .move({ origin, x: 3, y: 3 })
        .perform()
        .then(
          () => true,
          () => false,
        )
      const [found] = pointed ? await browser.driver.findElements({ css: dot }) : []
      return (await found?.isDisplayed().catch(() => false)) ?? false
    },
    patience,
    `${id} never showed its dot.`,
  )
  return browser.see(dot)
}

test('a line drawn from card to card asks the two questions there and then', async () => {
  await browser.answer('What stands on a card', 'Names')
  await laid()
  await wholeInSight('ticket', 'fuel')
  const from = await dotOf('ticket')
  const to = await card('fuel')
  await browser.driver
    .actions()
    .move({ origin: from })
    .press()
    .move({ origin: to, x: 5, y: 5 })
    .move({ origin: to })
    .release()
    .perform()
  await browser.read('Link Ticket and Fuel')
  await browser.answer('Can one ticket have more than one fuel?', 'No')
  await browser.answer('Can one fuel have more than one ticket?', 'Yes')
  expect(await faults(browser)).toEqual([])
  await browser.press('Link them')
  await browser.press('Back to the map')
  await browser.type(Key.ESCAPE)
  await browser.read('23 links')
  await browser.answer('What stands on a card', 'Fields')
  await laid()
})

const faded = () =>
  script<string[]>(
    "return [...document.querySelectorAll('.react-flow__node')].filter(n => n.firstChild.style.opacity < 1).map(n => n.dataset.id)",
  )

test('the lens fades what is far', async () => {
  await browser.choose('Find a table', 'Fuel')
  await browser.answer('How many links away from the chosen table', '1')
  await browser.driver.wait(async () => (await faded()).includes('payment'), patience)
  expect(await faded()).not.toContain('appliance-model')
  await browser.answer('How many links away from the chosen table', 'All')
})

test('a field of a table says what it is made from, and the map shows it when asked', async () => {
  await browser.choose('Find a table', 'Visit')
  await browser.press('Bill total')
  await browser.read('Work line → Price each is copied from Service item → List price')
  await browser.read('Visit → Still owed is worked out from Visit → Bill total')
  await browser.press('Show it on the map')
  await laid()
  await browser.driver.wait(async () => (await faded()).includes('fuel'), patience)
  expect(await faded()).not.toContain('service-item')
  await browser.press('Back')
  await browser.driver.wait(async () => (await faded()).length === 0, patience)
})

test('made from: derived fields say it in their lines, one stream runs between two tables, kinds can be left out', async () => {
  await browser.type(Key.ESCAPE)
  await browser.read('From table to table')
  // However long the margin, it scrolls by itself and the page doesn't.
  expect(await script<boolean>('return document.documentElement.scrollHeight <= innerHeight')).toBe(true)
  const cards = await script<string>(
    "return [...document.querySelectorAll('.react-flow__node text')].map(t => t.textContent).join('|')",
  )
  expect(cards).toContain('List price of its Service item')
  expect(cards).toContain('total of Amount')
  expect(await faults(browser)).toEqual([])
  // A stream, from the list and from its line, with all that it comes from and goes to.
  await browser.press('Visit from Work line')
  await browser.read('Visit → Work is gathered from Work line → Amount')
  await browser.read('Work line → Price each is copied from Service item → List price')
  expect(await faded()).toContain('fuel')
  expect(await faults(browser)).toEqual([])
  await browser.press('Back')
  await script(`
    const held = document.querySelector('.react-flow__viewport-portal path[pointer-events=stroke]')
    held.dispatchEvent(new MouseEvent('click', { bubbles: true }))`)
  await browser.see('[aria-label="What is made from what"]')
  await browser.press('Back')
  // A rule is traced as well.
  await browser.press('More would be paid than the bill comes to.')
  await browser.read('Visit → Bill total is bound to Visit → Paid')
  await browser.press('Back')
  await browser.press('Copied')
  await laid()
  await browser.press('Visit from Work line')
  await browser.driver.wait(
    async () => !(await script<string>('return document.body.innerText')).includes('is copied from'),
    patience,
  )
  await browser.press('Back')
  await browser.press('Copied')
  await laid()
  await browser.answer('What is drawn between the cards', 'Links')
  await laid()
})

test('cards that belong together get an area, and a note is written', async () => {
  await browser.choose('Find a table', 'Contact')
  await browser.press('Make an area of them')
  await browser.fill('Its name', 'People we ring')
  await browser.press('Make the area')
  await browser.type(Key.ESCAPE)
  await browser.read('Areas')
  await browser.press('Write a note')
  await browser.fill('What it says', 'Agreed with the office on Monday.')
  await browser.press('Save')
  await browser.see('[aria-label="Note: Agreed with the office on Monday."]')
  expect(await browser.complaints()).toEqual([])
})
