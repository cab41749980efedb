import { beforeAll, expect, test } from 'vitest'
import { application, browserAt } from '../support/application'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'

let browser: Browser

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  const running = await application('reshaping')
  browser = await browserAt(running.url)
  await browser.begin('Teal and Sons, Sweeps')
  await browser.paste(`Each van has a plate, a maker and a number of seats.
A trip has a day. A trip is planned, under way or over. A trip is made with one van. A van may make several trips.
A trip may have several sweeps, and a sweep comes up in many trips. We note the hours. Each sweep has a name.`)
  await browser.press('Accept everything')
  await browser.chapter('pairings')
})

test('a limit is set by hand, one with a condition beside it, and lifted', async () => {
  // They come together through trips, and nobody need be asked.
  await browser.named('Van and Sweep: left alone')
  await browser.press('Van and Trip: 1 link')
  await browser.fill('How many trips at most for each van', '3')
  await browser.press('Set the limit')
  await browser.read('At most 3 trips for each van')
  await browser.fill('How many trips at most for each van', '1')
  await browser.choose('Which trips count', 'those with State “under way”')
  await browser.type(Key.TAB, Key.ENTER)
  await browser.read('At most 1 trip with State “under way” for each van')
  expect(await faults(browser)).toEqual([])
  await browser.press('Lift the limit: At most 3 trips for each van')
  const left = await browser.read('At most 1 trip with')
  expect(left).not.toContain('At most 3 trips for each van')
})

test('choices become a word list that gets more words, and fixed choices again', async () => {
  await browser.chapter('tables')
  await browser.press('Trip')
  await browser.press('Settings of State')
  await browser.press('Make them a word list')
  await browser.read('from State')
  await browser.press('State')
  await browser.read('word list')
  await browser.fill('Next word', 'called off')
  await browser.type(Key.ENTER)
  await browser.named('Remove called off')
  expect(await faults(browser)).toEqual([])
  await browser.press('Make them fixed choices')
  await browser.read('Choice: planned, under way, over or called off')
})

test('a joining table gets a number of its own, and its pair back', async () => {
  await browser.press('Trip sweep')
  await browser.press('Split or join')
  await browser.answer('What it is', 'Records of its own')
  await browser.press('Give it a number')
  await browser.read('Trip sweep number')
  await browser.press('Split or join')
  await browser.answer('What it is', 'Only a pair')
  await browser.press('Make the pair its key')
  await browser.driver.wait(async () => !(await browser.read('joining table')).includes('Trip sweep number'), patience)
})

test('a name in the database is chosen, and a reserved one refused in words', async () => {
  await browser.press('Van')
  await browser.read('shown as')
  await browser.fill('Name of the table in the database', 'select')
  await browser.type(Key.ENTER)
  await browser.read('“select” can’t be a name in the database, because databases keep that word to themselves.')
  await browser.fill('Name of the table in the database', 'vehicles')
  await browser.type(Key.ENTER)
  await browser.driver.wait(
    async () => (await browser.value('Name of the table in the database')) === 'vehicles',
    patience,
  )
})

test('a rule is written with help, and says at once what is wrong', async () => {
  await browser.chapter('rules')
  // Escape leaves it, and whoever came by the keyboard is where they were.
  await browser.press('Add a rule')
  await browser.see('[role=dialog]')
  await browser.type(Key.ESCAPE)
  await browser.driver.wait(async () => (await browser.focused()) === 'Add a rule', patience)
  await browser.type(Key.ENTER)
  await browser.choose('For each', 'Van')
  await browser.choose('What it is about', 'Anything else, written as an expression')
  await browser.fill('What must be true for each van', 'Seats < 9')
  await browser.read('Van has no field “Seats”.')
  await browser.fill('What must be true for each van', '"Number of seats" < 9')
  await browser.read('It can be kept.')
  await browser.fill('What staff read when it isn’t so', 'Nine seats or more need a bus licence.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Add the rule')
  await browser.read('Nine seats or more need a bus licence.')
})

test('a dry run is filled, tried in Records and thrown away', async () => {
  await browser.chapter('review')
  await browser.press('Fill a dry run')
  await browser.read(/\d+ made-up records in 4 tables/, patience)
  expect(await faults(browser)).toEqual([])
  await browser.press('Try it in Records')
  await browser.read('All records here are made up.')
  await browser.press('Vans')
  await browser.read(/12 records/)
  await browser.press('New van')
  await browser.fill('Plate', 'TS 77')
  await browser.fill('Number of seats', '12')
  await browser.press('Save')
  await browser.read('Nine seats or more need a bus licence.')
  await browser.fill('Number of seats', '8')
  await browser.press('Save')
  await browser.read('By Averil Teal')
  await browser.press('Throw it away')
  await browser.read('What a careful designer would say')
  await browser.named('Fill a dry run')
})

test('once it is open, records follow a split', async () => {
  // What was still asked of the dry run when it was thrown away.
  await browser.complaints()
  await browser.chapter('open')
  await browser.press('Open the book')
  await browser.read('The book is open')
  const book = /\/books\/[^/]+/.exec(await browser.path())![0]
  await browser.go(`${book}/records`)
  await browser.press('New van')
  await browser.fill('Plate', 'TS 1')
  await browser.fill('Maker', 'Otterby Motors')
  await browser.press('Save')
  await browser.read('By Averil Teal')
  await browser.go(`${book}/workshop/tables`)
  await browser.press('Van')
  await browser.press('Split or join')
  await browser.fill('Name of the new table', 'Maker')
  await (await browser.box('Maker')).click()
  await browser.press('Split it')
  await browser.chapter('open')
  await browser.read('Make one maker of all vans that say the same')
  await browser.press('Open with these changes')
  await browser.read('Nothing has changed since the book was opened')
  await browser.go(`${book}/records`)
  await browser.press('Makers')
  await browser.read('Otterby Motors')
  expect(await browser.complaints()).toEqual([])
})
