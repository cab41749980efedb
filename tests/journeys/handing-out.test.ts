import { beforeAll, expect, test } from 'vitest'
import { type Block, type Edit, tableOf, type Way } from '@/core/book'
import { usualRows } from '@/core/reports'
import { servedAskedBook } from '../support/asked-book'
import { askedBook } from '../support/asked-design'
import { type Browser, Key } from '../support/browser'
import { DocumentHands } from '../support/document-hands'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
let hands: DocumentHands

const design = askedBook()
const way: Way = [{ to: 'rows', link: 'visit--payment' }]
const words = (said: string): Block => ({ kind: 'words', of: [{ kind: 'text', words: said }] })
/** What is owed for a visit, what was paid, and that it is done where it is. */
const kept: Edit = {
  kind: 'addTemplate',
  id: 'for-each-visit',
  table: 'visit',
  name: 'For each visit',
  paper: { size: 'a4', margin: 20 },
  letters: 10.5,
  columns: [
    {
      id: 'c1',
      shows: { kind: 'field', place: { way: [{ to: 'one', field: 'visit__house' }], field: 'house_town' } },
    },
    { id: 'c2', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } },
  ],
  blocks: [
    {
      kind: 'words',
      of: [
        { kind: 'text', words: 'Dear ' },
        { kind: 'field', column: 'c1' },
        { kind: 'text', words: ', you owe us ' },
        { kind: 'field', column: 'c2', as: 'words', none: 'nothing' },
        { kind: 'text', words: '.' },
      ],
    },
    words('Yours'),
    {
      kind: 'only',
      id: 'done',
      when: { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'is', with: [{ value: 'done' }] },
      of: [words('It is done.')],
    },
    {
      ...usualRows(design, tableOf(design, 'visit'), way, tableOf(design, 'payment'), 'paid'),
      none: 'Nothing was paid.',
    },
    words('Kindly'),
  ],
}

/** When a visit was billed. */
const billed: Edit = { kind: 'addField', table: 'visit', id: 'visit_billed', name: 'Billed on', holds: 'date' }

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedAskedBook('handing', billed, kept)
  browser = book.browser
  hands = new DocumentHands(browser)
})

test('on the record it is handed out: on the screen and in the PDF stand the same words, and where they should', async () => {
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.press('Hand out')
  await browser.press('For each visit')
  await hands.untilOnPage('Dear Otterby, you owe us forty pounds.')
  const lines = await hands.linesOn(1)
  expect(lines).toEqual(expect.arrayContaining(['Yours', 'Kindly', 'Payments', '40.00', 'It is done.']))
  const words = await hands.pdfWords('Print')
  const letters = (all: readonly string[]) => [...all.join('').replace(/\s/g, '')].sort().join('')
  expect(letters(words.map((one) => one.words))).toBe(letters(lines))
  // A4 with margins of 20 mm: 56.7 points.
  const dear = words.find((one) => one.words === 'Dear')!
  expect(dear.left).toBeCloseTo(56.7, 0)
  const totals = words.filter((one) => one.words === '40.00')
  // The sum stands at the right margin, under the amounts that it is of.
  expect(totals.at(-1)!.right).toBeCloseTo(595.3 - 56.7, 0)
  const amounts = words.filter((one) => /^(15|25)\.00$/.test(one.words))
  expect(amounts).toHaveLength(2)
  for (const amount of amounts) {
    expect(amount.right).toBeCloseTo(totals.at(-1)!.right, 0)
    expect(amount.foot).toBeLessThan(totals.at(-1)!.top + 1)
  }
  await browser.go(`${book.path}/records/visit/record/2`)
  await browser.press('Hand out')
  await browser.press('For each visit')
  await hands.untilOnPage('Dear Netherweir')
  expect(await hands.linesOn(1)).toContain('Nothing was paid.')
})

test('what is handed out is kept with its number; what the record says later is told beside it', async () => {
  await browser.go(`${book.path}/records/documents`)
  await browser.press('For each visit')
  await hands.untilWritten('Dear')
  await browser.press('Keep what is handed out')
  await browser.press('With a number, without gaps')
  await browser.fill('Begins with (optional)', 'B-')
  await browser.read('The first is B-0001.')
  await browser.choose('Note the day in', 'Billed on')
  await browser.read('It is filled in when this is handed out, where it is blank.')
  // A click beside its words puts the caret at their end.
  await hands.inText()
  await hands.putPart('Not of the record', 'Its number')
  await hands.untilWritten('YoursIts number')
  expect(await faults(browser)).toEqual([])
  await browser.press('Keep changes')
  await browser.read('The document is kept.')
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.press('Hand out')
  await browser.press('For each visit')
  await browser.read(
    'Handing it out keeps it as it is, gives it its number and notes the day in Billed on where that is blank',
  )
  await hands.untilOnPage('Yours…')
  await browser.press('Hand out')
  await hands.untilOnPage('YoursB-0001')
  expect(await hands.linesOn(1)).not.toContain('COPY')
  expect(await faults(browser)).toEqual([])
  await browser.press('Where it is kept')
  await browser.read('It would say the same today')
  await hands.untilOnPage('COPY')
  await book.sql("UPDATE $house SET town = 'Saltmere' WHERE house_number = 1")
  await browser.go(`${book.path}/records/visit/record/1`)
  await browser.read('For each visit B-0001')
  const noted = () =>
    hands.script<string>(
      'return [...document.querySelectorAll("label")].find((one) => one.innerText.startsWith("Billed on"))?.control?.value ?? ""',
    )
  await browser.driver.wait(async () => /^\d{1,2} \w{3} \d{4}$/.test(await noted()), 30_000)
  await browser.press('For each visit B-0001')
  await browser.read('Today it would say something else')
  await browser.press('Side by side')
  await browser.driver.wait(
    () =>
      hands.script<boolean>(
        'return document.body.innerText.includes("As it would be today") && [...document.querySelectorAll("svg text")].some((text) => text.textContent.includes("Saltmere"))',
      ),
    60_000,
  )
  expect(await faults(browser)).toEqual([])
  await browser.go(`${book.path}/records/documents/handed`)
  await browser.read('B-0001')
  await browser.fill('Find what was handed out', 'nothing like it')
  await browser.read('Nothing is called so')
  expect(await faults(browser)).toEqual([])
  await book.sql("UPDATE $house SET town = 'Otterby' WHERE house_number = 1")
})

test('for those that are marked, and for a whole list, there is one for each', async () => {
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('3 visits')
  await browser.press('Hand out')
  await browser.press('For each visit')
  await browser.read('For 3 visits, on 3 pages.')
  await browser.press('Hand out')
  await browser.read('3 papers handed out')
  await browser.driver.wait(async () => (await hands.linesOn(1)).some((line) => line.includes('B-0002')), 60_000)
  await browser.press('Take as files')
  await browser.read('named by what each is for, in a ZIP file')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.ESCAPE)
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('3 visits')
  await browser.press('Hand out')
  await browser.press('Label')
  await browser.read('For 3 visits, on 1 sheet.')
  await browser.fill('Begin at label, of 24', '23')
  await browser.read('For 3 visits, on 2 sheets.')
  await browser.fill('Begin at label, of 24', '25')
  await browser.read('From 1 to 24, whole.')
  expect(await faults(browser)).toEqual([])
})
