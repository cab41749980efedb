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
  const box = (id: string) => ({ kind: 'field' as const, id, span: 6 })
  const design = billing().do(
    { kind: 'changeField', field: 'on', to: { must: true } },
    { kind: 'changeField', field: 'amount', to: { must: true } },
    {
      ...{ kind: 'addForm', id: 'folded', table: 'payment', name: 'Payment slip', without: [] },
      lines: [
        [{ ...{ kind: 'group', id: 'more', span: 12, heading: 'How much', folded: true }, lines: [[box('amount')]] }],
      ],
    },
    {
      ...{ kind: 'addForm', id: 'whole', table: 'bill', name: 'Our bill', without: [] },
      lines: [
        [box('bill-customer')],
        [{ ...box('on'), label: 'Billed on' }, box('state')],
        [{ kind: 'rows', id: 'line-bill-link', span: 12 }],
      ],
    },
  )
  book = await servedBook('entering', 'Weir and Daughters', design.edits, { isOpen: true })
  browser = book.browser
  records = `${book.path}/records`
  await book.sql("INSERT INTO $customer (customer_number, name, town) VALUES (1, 'Mill House', 'Otterby')")
  await book.sql("INSERT INTO $item (item_number, what, list_price) VALUES (1, 'Sweep', 62)")
  await book.sql("INSERT INTO $bill (bill_number, issued_on) VALUES (1, '2027-03-12')")
})

const keep = () => browser.type(Key.chord(Key.CONTROL, 's'))

test('a group that is folded opens where something in it is wrong', async () => {
  await browser.go(`${records}/payment/new`)
  await browser.read('How much')
  expect(await browser.driver.findElement({ id: 'amount' }).isDisplayed()).toBe(false)
  await keep()
  await browser.read('Amount must be filled.')
  await browser.driver.wait(async () => (await browser.focused()).startsWith('Amount'), patience)
})

test('a part shows, must be filled and is only read when something holds; what would be refused out of sight isn’t kept', async () => {
  await browser.go(`${records}/bill/arrange`)
  await browser.fill('Name', 'Step by step')
  await focusOn(browser, 'Issued on')
  await browser.press('Shows: always')
  await browser.answer('When', 'only when …')
  await browser.read('Choose a field.')
  await browser.choose('This field', 'State')
  await browser.driver.findElement({ css: '[aria-label="The value"]' }).sendKeys('sent')
  await browser.read('Issued on must be filled, so it can’t be out of sight: a new bill would be refused for it.')
  expect(await (await browser.named('Done')).isEnabled()).toBe(false)
  await browser.press('Cancel')
  const when = async (part: string, question: string, add: () => Promise<void>) => {
    await focusOn(browser, part)
    await browser.press(question)
    await browser.answer('When', 'only when …')
    await add()
    await browser.press('Done')
  }
  await when('Bill lines', 'Shows: always', async () => {
    await browser.choose('This field', 'State')
    await browser.driver.findElement({ css: '[aria-label="The value"]' }).sendKeys('sent')
    await browser.press('And another condition')
    const second = await browser.see('[aria-label="Condition 2"]')
    await second.findElement({ css: 'option[value="Customer.Town"]' }).click()
    await second.findElement({ css: 'input' }).sendKeys('Otterby')
  })
  await browser.read('Shows when State is “sent” and Customer → Town is “Otterby”')
  await when('Customer', 'Must be filled: as its table asks', async () => {
    await browser.press('Write it as an expression')
    await browser.driver.findElement({ css: '.cm-content' }).sendKeys("State <> 'open'")
  })
  await browser.press('Must be filled: when State is not “open”')
  await browser.press('Cancel')
  await focusOn(browser, 'Issued on')
  await browser.press('Only read: never')
  await browser.answer('When', 'always')
  await browser.read('Issued on must be filled, so somebody must be able to')
  await browser.press('Cancel')
  await keep()
  await browser.read('The form is kept.')

  await browser.go(`${records}/bill/new`)
  const rows = () => browser.driver.findElements({ css: '[data-field="line-bill-link"]' })
  await browser.press('Add bill line')
  await browser.fill('Quantity, row 1', '2')
  await browser.press('Form: Our bill')
  await browser.press('Step by step')
  // What was typed holds rows: they show.
  await browser.read('Town of customer')
  expect(await rows()).toHaveLength(1)
  await browser.go(`${records}/bill/new`)
  await browser.press('Discard it')
  await browser.fill('Issued on', '12 Mar 2027')
  await browser.choose('State', 'sent')
  await keep()
  await browser.read('Customer must be filled.')
  expect(await rows()).toHaveLength(0)
  // Another form asks for other things.
  await browser.press('Form: Step by step')
  await browser.press('Our bill')
  await browser.driver.wait(
    async () => !(await browser.read('Billed on')).includes('Customer must be filled.'),
    patience,
  )
  await browser.press('Form: Our bill')
  await browser.press('Step by step')
  await browser.fill('Customer', 'Mill')
  await browser.read('Mill House')
  await browser.type(Key.ENTER)
  await browser.press('Add bill line')
  await browser.fill('Quantity, row 1', '2')
  // What holds something doesn’t go out of sight.
  await browser.choose('State', 'open')
  expect(await rows()).toHaveLength(1)
  await keep()
  await browser.read('Saved')
})

test('a block from a spreadsheet goes into rows: names find their records, what is wrong stays marked, and all is taken back', async () => {
  await browser.go(`${records}/bill/record/1`)
  await browser.press('Form: Step by step')
  await browser.press('Our bill')
  await browser.press('Add bill line')
  await browser.box('Quantity, row 1')
  const block = 'Quantity\tItem\tWhere\n2\tSWEEP\tyard\na few\t1\troof\n3\tSweeping brush\t\n'
  await (await browser.box('Quantity, row 1')).click()
  await browser.paste(block)
  await browser.read('3 bill lines pasted. 1 link to be chosen from the list. 1 column had no place.')
  await browser.holds('Item, row 1', 'Sweep')
  await browser.holds('Item, row 2', 'Sweep')
  await browser.read('“a few” is not a whole number')
  await browser.read('No record is chosen yet for “Sweeping brush”. Choose it from the list.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Undo')
  await browser.driver.wait(async () => (await browser.value('Quantity, row 1')) === '', patience)
  await (await browser.box('Quantity, row 1')).click()
  await browser.paste(block)
  await keep()
  await browser.read('2 problems to correct before saving')
  const isIn = (box: string) =>
    browser.driver.wait(async () => (await browser.focused()).startsWith(box), patience, `${box} never had the focus.`)
  await isIn('Quantity, row 2')
  // Down the column with Enter; what stands above is repeated.
  await browser.fill('Quantity, row 2', '4')
  await browser.type(Key.ENTER)
  await isIn('Quantity, row 3')
  await browser.type(Key.ENTER)
  await isIn('Quantity, row 4')
  await browser.type(Key.chord(Key.ALT, 'r'))
  await browser.holds('Quantity, row 4', '3')
  await browser.fill('Item, row 3', 'Swe')
  await browser.read('Add “Swe”')
  await browser.type(Key.ENTER)
  await keep()
  await browser.read('Saved')
  expect(await book.ask('SELECT quantity, item FROM $bill_line WHERE bill = 1 ORDER BY bill_line_number')).toEqual([
    { quantity: 2, item: 1 },
    { quantity: 4, item: 1 },
    { quantity: 3, item: 1 },
    { quantity: 3, item: null },
  ])
})
