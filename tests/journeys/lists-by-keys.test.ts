import { beforeAll, beforeEach, expect, test } from 'vitest'
import { servedAskedBook } from '../support/asked-book'
import { type Browser, Key } from '../support/browser'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser

beforeAll(async () => {
  book = await servedAskedBook('listsbykeys')
  browser = book.browser
})

// Each list is made from nothing, and nobody touches a mouse.
beforeEach(async () => {
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('3 visits')
})

/** What the focus is on, as a screen reader says it. */
const here = () =>
  browser.driver.executeScript<string>(`
    const at = document.activeElement
    const label = at.id ? document.querySelector('label[for="' + CSS.escape(at.id) + '"]') : null
    return (at.getAttribute('aria-label') ?? label?.innerText ?? at.innerText ?? '').replace(/\\s+/g, ' ').trim()
  `)

/** Goes on from where the focus is, a stop at a time, until it is on what is called so. */
async function reach(name: string, back = false): Promise<void> {
  const met: string[] = []
  for (let stop = 0; stop < 150; stop++) {
    const words = await here()
    if (words === name) return
    met.push(words)
    await browser.type(back ? Key.chord(Key.SHIFT, Key.TAB) : Key.TAB)
  }
  throw new Error(`Nothing is called “${name}” on the way: ${met.join(' · ')}`)
}

/** Chooses in a box of choices by its words, going from one to the next. */
async function choose(name: string, words: string): Promise<void> {
  await reach(name)
  await browser.type(Key.HOME)
  const met: string[] = []
  for (;;) {
    const chosen = await browser.driver.executeScript<string>(
      'return document.activeElement.selectedOptions?.[0]?.textContent.trim() ?? ""',
    )
    if (chosen === words) return
    if (met.at(-1) === chosen) throw new Error(`${name} has no ${words}, but ${met.join(' · ')}`)
    met.push(chosen)
    await browser.type(Key.ARROW_DOWN)
  }
}

const press = async (name: string) => {
  await reach(name)
  await browser.type(Key.ENTER)
}

test('the visits to one house: it is named in the condition', async () => {
  await press('Add a condition')
  await choose('What is asked', 'House')
  await choose('How', 'is')
  await reach('This')
  await browser.type('Otter')
  await browser.see('[role=option]')
  await browser.type(Key.ARROW_DOWN, Key.ENTER)
  await browser.read('Each visit whose house is “Otterby”: 2 visits')
  expect(await faults(browser)).toEqual([])
  await press('Show them')
  await browser.read(/^2 visits$/m)
  await browser.read(/whose house is “Otterby”/)
})

test('the visits of the month asked for, and of the month before', async () => {
  await press('Add a condition')
  await choose('What is asked', 'Day')
  await choose('How', 'is')
  await reach('Asked each time it is run')
  await browser.type(' ')
  await reach('This', true)
  await browser.type('March 2027')
  await browser.read('Each visit whose day is the day asked for: 3 visits')
  expect(await faults(browser)).toEqual([])
  await press('Show them')
  await browser.read(/^3 visits$/m)
  await browser.holds('Day, asked for', 'March 2027')
  await press('Day, asked for: the days before')
  await browser.holds('Day, asked for', 'February 2027')
  await browser.read('No visit is like that')
  await reach('Day, asked for')
  await browser.type(Key.chord(Key.CONTROL, 'a'), '2 Mar 2027 to 3 Mar 2027')
  await browser.read(/^2 visits$/m)
  await browser.type(Key.chord(Key.CONTROL, 'a'), 'some day')
  await browser.read(/some day/)
  expect(await faults(browser)).toEqual([])
})

test('what each town comes to, in groups', async () => {
  await reach('Find a field')
  await browser.type('town')
  await reach('Town')
  await browser.type(' ')
  await press('Group it')
  await choose('Group by', 'Town')
  await press('Group them')
  await browser.read(/Netherweir · 1 visit/)
  await browser.read(/Otterby · 2 visits/)
  await reach('Fold all')
  await browser.type(Key.ENTER)
  await browser.read(/grouped by town of its house/)
})

test('towns that look like something, and numbers within texts in their order', async () => {
  await book.sql("UPDATE $house SET town = 'Flat 10' WHERE house_number = 1")
  await book.sql("UPDATE $house SET town = 'Flat 9' WHERE house_number = 2")
  await browser.go(`${book.path}/records/lists/new?of=house`)
  await browser.read('2 houses')
  await press('Add a condition')
  await choose('What is asked', 'Town')
  await choose('How', 'looks like')
  await browser.read('A star stands for any letters')
  await reach('This')
  await browser.type('f?at *')
  await browser.read('Each house whose town looks like “f?at *”: 2 houses')
  await press('Show them')
  await press('by house number, newest first')
  await choose('First by', 'Town')
  await choose('Which way, 1', 'A2 before A10')
  expect(await faults(browser)).toEqual([])
  await press('Put in order')
  await browser.read(/by town, A2 before A10/)
  await browser.read(/Flat 9[^]*Flat 10/)
})

test('two numbers of each house against each other, as points with the same in numbers', async () => {
  await reach('Price')
  await browser.type(' ')
  await press('Group it')
  await choose('Group by', 'House')
  await choose('Price', 'total')
  await press('Group them')
  await browser.read(/grouped by house/)
  await reach('What is missing')
  await browser.type(Key.TAB, Key.ARROW_RIGHT)
  await choose('Which chart', 'Points')
  await browser.read(/as points of visits against total of price/)
  await browser.read('Each point is one house')
  await browser.read(/Total of price\s+Visits/)
  expect(await faults(browser)).toEqual([])
})
