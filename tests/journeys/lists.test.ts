import { beforeAll, expect, test } from 'vitest'
import { servedAskedBook } from '../support/asked-book'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedAskedBook('lists')
  browser = book.browser
})

const page = () => browser.driver.executeScript<string>('return document.body.innerText')
const text = () =>
  browser.driver.executeScript<string>('return document.querySelector("[role=grid], [role=table]")?.innerText ?? ""')

test('a list is put together from nothing by keyboard, and says what it asks and how many it leaves', async () => {
  await browser.go(`${book.path}/records/lists`)
  await browser.read('No list is kept yet')
  await browser.press('New list')
  await browser.press('Each visit')
  await browser.read('3 visits')
  expect(await faults(browser)).toEqual([])
  await (await browser.named('Add a condition')).sendKeys(Key.ENTER)
  await browser.choose('What is asked', 'Payments')
  await browser.read('2 have one, 1 has none; 3 in all.')
  await browser.choose('How many', 'there is none')
  await browser.read('Each visit that has no payment: 1 visit')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.TAB, Key.TAB, Key.TAB, Key.TAB, Key.ENTER)
  await browser.read(/Each visit that has no payment, with/)
  await browser.read(/^1 visit$/m)
  expect(await text()).not.toContain('done\n40')
  await browser.type(Key.chord(Key.CONTROL, 'z'))
  await browser.read('3 visits')
})

test('fields of what it is linked to are ticked, several together or on lines, and each is counted once', async () => {
  await browser.press('its House')
  await browser.press('Town')
  await browser.read('Otterby')
  await browser.press('its House')
  await browser.press('its Payments')
  await browser.press('Amount')
  await browser.read(/15\.00, 25\.00/)
  await browser.press('How many payments there are')
  await browser.choose('How several payments go', 'on a line each')
  await browser.read(/15\.00\s+25\.00/)
  expect(await faults(browser)).toEqual([])
  await browser.fill('Find a field', 'label')
  await browser.read(/its Paper · one or none\s+Label/)
  await browser.fill('Find a field', '')
})

test('what is asked each time is answered beside the sentence; left empty it asks for nothing', async () => {
  await browser.press('Add a condition')
  await browser.choose('What is asked', 'State')
  await browser.choose('How', 'is')
  await browser.choose('This', 'done')
  await browser.press('Asked each time it is run')
  await browser.read('Each visit whose state is the state asked for: 2 visits')
  await browser.press('Show them')
  await browser.read('2 visits')
  await browser.choose('State, asked for', 'asked')
  await browser.read(/^1 visit$/m)
  await browser.choose('State, asked for', 'all')
  await browser.read('3 visits')
})

test('of two conditions any is enough where that is pressed; what is there more than once is found', async () => {
  await browser.press('Add a condition')
  await browser.choose('What is asked', 'Another visit has the same …')
  await browser.read('Choose a field.')
  expect(await faults(browser)).toEqual([])
  await browser.press('House')
  await browser.read('Each visit of which another visit has the same house: 2 visits')
  await browser.press('Show them')
  await browser.read('2 visits')
  await browser.press('and: press to ask for any of these')
  await browser.read(/asked for\s*or\s*of which another visit has the same house/)
  expect(await faults(browser)).toEqual([])
  // Nobody answered what is asked, so that is true of all.
  await browser.read('3 visits')
  while ((await page()).includes('the same house')) await browser.type(Key.chord(Key.CONTROL, 'z'))
})

test('conditions stand within each other, a field beside another, and any of them turned round', async () => {
  await browser.press('Add a condition')
  await browser.choose('What is asked', 'Any of several things, or all of them …')
  await browser.read('Choose what is asked in each of them')
  await browser.choose('What is asked, 1', 'Price')
  await browser.choose('Compared with', 'its House: Floors')
  await browser.choose('What is asked, 2', 'Payments')
  await browser.choose('Only payments of which this is so (optional)', 'Amount')
  expect(await faults(browser)).toEqual([])
  const [, amount] = await browser.driver
    .findElements({ css: 'input[id$="-value-0"]' })
    .then((all) => [all[0], all.at(-1)])
  await amount?.sendKeys('25')
  await browser.read(
    /either whose price is its floors of its house or that has a payment whose amount is 25\.00: 1 visit/,
  )
  await browser.press('Turned round: those of which none of these is so')
  await browser.read(/that is neither one whose price .* nor one that has a payment .*: 2 visits/)
  await browser.press('Show them')
  await browser.read('2 visits')
  while ((await page()).includes('neither')) await browser.type(Key.chord(Key.CONTROL, 'z'))
})

test('it is put in groups, each with what it comes to, folded and unfolded', async () => {
  await browser.press('its House')
  await browser.press('Group it')
  await browser.choose('Group by', 'Town')
  await browser.choose('In which order, 1', 'Z to A')
  expect(await faults(browser)).toEqual([])
  await browser.press('Group them')
  await browser.read(/grouped by town of its house/)
  await browser.read(/Otterby · 2 visits\s+45\.00\s+3/)
  await browser.read(/Netherweir · 1 visit\s+—\s+0/)
  await browser.read(/All 3[^]*45\.00\s+3/)
  expect((await text()).indexOf('Otterby ·')).toBeLessThan((await text()).indexOf('Netherweir ·'))
  expect(await faults(browser)).toEqual([])
  await browser.press('Fold all')
  await browser.driver.wait(async () => !(await text()).includes('asked'), patience)
  await browser.press('Otterby · 2 visits')
  await browser.read('asked')
})

test('two groups are crossed, with what all come to on both sides; a number opens the records behind it', async () => {
  await browser.press('town of its house')
  await browser.press('And within these by something else')
  await browser.choose('Then group by, 2', 'State')
  await browser.press('Group them')
  await browser.press('Crossed')
  await browser.read(/crossed, showing visits/)
  await browser.read(/Town\s+asked\s+done\s+All/)
  await browser.read(/Otterby\s+1\s+1\s+2/)
  await browser.read(/Netherweir\s+·\s+1\s+1/)
  await browser.read(/All\s+1\s+2\s+3/)
  expect(await faults(browser)).toEqual([])
  await browser.press('2')
  await browser.read(/Otterby\s+Visit number[^]*\b3\b[^]*\b1\b/)
  expect(await faults(browser)).toEqual([])
  await browser.press('Close what is behind it')
  await browser.choose('What is told of each group', 'Total of amount')
  await browser.read(/Otterby\s+5\.00\s+40\.00\s+45\.00/)
})

test('what is grouped is drawn, the chart that fits offered first; other groups are drawn as they are', async () => {
  await browser.press('Chart')
  await browser.read('Stacked bars fit, as each part and the whole can be seen.')
  await browser.see('canvas')
  await browser.read(/The same in numbers/)
  expect(await faults(browser)).toEqual([])
  await browser.press('town of its house, then state')
  await browser.choose('Group by', 'Day')
  await browser.press('Not by this, 2')
  await browser.press('Group them')
  await browser.read('Lines fit, as these follow on each other in time.')
  await browser.press('Draw it so')
  await browser.read(/as lines of total of amount/)
  await browser.read(/March 2027\s+45\.00/)
  // The picture as it is handed over: large, and on white whatever the theme.
  await browser.driver.executeScript(`
    document.documentElement.dataset.theme = 'dark'
    URL.createObjectURL = (blob) => {
      void createImageBitmap(blob).then((picture) => {
        const canvas = new OffscreenCanvas(picture.width, picture.height)
        const pen = canvas.getContext('2d')
        pen.drawImage(picture, 0, 0)
        window.handedOver = [picture.width, picture.height, ...pen.getImageData(2, 2, 1, 1).data].join(' ')
      })
      return 'data:,'
    }`)
  await browser.press('PNG')
  await browser.driver.wait(
    () => browser.driver.executeScript('return typeof window.handedOver === "string"'),
    patience,
    'No picture was handed over.',
  )
  expect(await browser.driver.executeScript('return window.handedOver')).toBe('2400 1350 255 255 255 255')
  await browser.driver.executeScript('delete document.documentElement.dataset.theme; delete window.handedOver')
  expect(await browser.complaints()).toEqual([])
  // Taken back step by step, until it is as it was.
  while ((await page()).includes('grouped by')) await browser.type(Key.chord(Key.CONTROL, 'z'))
})

test('it is kept under a name, found in the index, and says when it was changed', async () => {
  await browser.press('Keep it')
  await browser.fill('Name', 'Visits and what was paid')
  await browser.press('Everybody’s')
  expect(await faults(browser)).toEqual([])
  await browser.press('Keep it')
  await browser.read('everybody’s')
  await browser.go(`${book.path}/records/lists`)
  await browser.press('Visits and what was paid')
  await browser.read('2 visits')
  await browser.press('by visit number')
  await browser.press('And then by another')
  await browser.press('Put in order')
  await browser.read('changed')
  await browser.press('Keep changes')
  await browser.press('Keep it')
  await browser.driver.wait(
    async () => !(await text()).includes('nothing') && !(await page()).includes('changed'),
    patience,
  )
  expect(await browser.complaints()).toEqual([])
})

test('it comes as a file with a line for each of what goes on lines', async () => {
  // The file as it is handed over.
  await browser.driver.executeScript(`
    URL.createObjectURL = (blob) => { blob.text().then((text) => (window.handedOver = text)); return 'data:,' }`)
  await browser.press('Take out')
  await browser.press('CSV file')
  await browser.driver.wait(
    () => browser.driver.executeScript('return typeof window.handedOver === "string"'),
    patience,
    'No file was handed over.',
  )
  const csv = await browser.driver.executeScript<string>('return window.handedOver')
  expect(csv.split('\r\n').slice(0, 4)).toEqual([
    expect.stringMatching(/^\ufeff?Visit number,.*Payments → Amount,Payments$/),
    expect.stringMatching(/^2,.*,,0$/),
    expect.stringMatching(/^1,.*,15\.00,2$/),
    expect.stringMatching(/^,.*,25\.00,$/),
  ])
})

test('what is too long is told, and nothing of it is lost', async () => {
  await browser.press('Keep changes')
  await browser.fill('Name', 'x'.repeat(61))
  await browser.press('Keep it')
  await browser.read('61')
  expect(await browser.value('Name')).toBe('x'.repeat(61))
  await browser.press('Cancel')
})

test('a list can be asked of one record, and is offered on that record’s own page', async () => {
  await browser.press('Add a condition')
  await browser.choose('What is asked', 'House')
  await browser.choose('How', 'is the one asked for')
  await browser.read('Each visit whose house is the house asked for')
  await browser.press('Show them')
  await browser.press('Keep changes')
  await browser.press('Keep it')
  await browser.driver.wait(async () => !(await page()).includes('changed'), patience)
  await browser.go(`${book.path}/records/house/record/2`)
  await browser.read('Lists of this house')
  await browser.press('Visits and what was paid')
  await browser.read(/^1 visit$/m)
  expect(await browser.value('House, asked for')).toBe('Netherweir')
  expect(await faults(browser)).toEqual([])
  await browser.fill('House, asked for', 'Otterby')
  await browser.type(Key.ENTER)
  await browser.driver.wait(async () => (await text()).includes('Otterby'), patience)
})

test('removed, it is in the index no more', async () => {
  await browser.press('Remove')
  await browser.press('Remove it')
  await browser.read('No list is kept yet')
  expect(await browser.complaints()).toEqual([])
})
