import { expect, test } from 'vitest'
import { application, browserAt } from '../support/application'
import { Key, patience } from '../support/browser'
import { faults } from '../support/faults'

test('from an empty start to related records in a list, with the keyboard', async () => {
  const running = await application('firstbook')
  const browser = await browserAt(running.url)

  // The very first start asks for the administrator.
  await browser.go('/')
  await browser.read('Welcome to Hearth Table')
  await browser.type('Averil Teal', Key.TAB, 'short', Key.ENTER)
  await browser.read('A password has at least 10 characters')
  await browser.fill('Password', 'a quiet little town')
  await browser.type(Key.ENTER)
  await browser.read('Make your first record book')
  await browser.type('Otterby Sweeps', Key.ENTER)

  // Three needs, two of them pasted at once would be two lines; here each is typed.
  await browser.read('Start from the business')
  for (const need of [
    'Each visit is at one premises.',
    'A visit has a day and a price.',
    'List the visits of a premises.',
  ])
    await browser.type(need, Key.ENTER)
  await browser.read('0 of 3 needs met')
  expect(await faults(browser)).toEqual([])

  // Two tables, reached by Find or do.
  await browser.type(Key.chord(Key.CONTROL, 'k'))
  await browser.read('Chapters')
  await browser.type('add a table', Key.ENTER)
  await browser.read('The first table')
  await browser.type('Premises', Key.ENTER)
  await browser.see('#add-field-name')
  await browser.fill('Name of the next field', 'Address')
  await browser.type(Key.TAB, 'Line', Key.ENTER)
  await browser.type('Postcode', Key.TAB, 'Code', Key.ENTER)
  await browser.read('Code of up to 10 characters')
  await browser.press('Add a table')
  await browser.see('#table-name')
  await browser.type('Visit', Key.ENTER)
  await browser.see('#add-field-name')
  // Whoever added a table writes its first field at once.
  await browser.type('Day', Key.TAB, 'Date', Key.ENTER)
  await browser.type('Price', Key.TAB, 'Money', Key.ENTER)
  await browser.type('Note', Key.TAB, 'Passage', Key.ENTER)
  await browser.read('Passage of text')
  expect(await faults(browser)).toEqual([])

  // A field is opened and tried; the words are those that staff would read.
  await browser.press('Settings of Price')
  await browser.fill('Try a value', 'twelve')
  await browser.read('Refused: “twelve” is not a number such as')
  await browser.fill('Try a value', '62.5')
  await browser.read('Taken: 62.50')

  // The pair's questions, answered.
  await browser.chapter('pairings')
  await browser.read('0 of 1 answered')
  await browser.press('Ask me the next one')
  // Two questions and no more, from the keyboard: the first has the focus, arrows choose.
  await browser.read('Can one premises have more than one visit?')
  expect(await browser.read('Pairings')).not.toContain('Must every')
  await browser.type(' ', Key.TAB, Key.ARROW_RIGHT)
  await browser.answer('Must every visit have a premises?', 'Yes')
  await browser.read('Each visit gets a link to one premises.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Link them')
  await browser.read('1 of 1 answered')

  // The map draws it and the book opens.
  await browser.chapter('map')
  await browser.see('[data-laid="yes"]')
  await browser.chapter('open')
  await browser.read('This will be made')
  await browser.press('Show all the SQL')
  await browser.read('CREATE TABLE')
  expect(await faults(browser)).toEqual([])
  await browser.press('Open the book')
  await browser.read('The book is open', patience)

  // In Records: a visit, with its premises entered without leaving it.
  await browser.press('Go to Records')
  await browser.press('New visit')
  await browser.read('Fields with a star must be filled')
  const box = await browser.box('Premises')
  await box.click()
  await browser.type('14 Quay Lane')
  await browser.read('Add “14 Quay Lane”')
  await browser.type(Key.ENTER)
  await browser.read('New premises')
  // One goes on typing where the first box is empty.
  await browser.type('ot4 1ql')
  expect(await browser.value('Postcode')).toMatch(/ot4 1ql/i)
  await browser.press('Save and use it')
  await browser.read('New visit')
  await browser.driver.wait(async () => (await browser.value('Premises')) === '14 Quay Lane', patience)
  await browser.fill('Day', '12/3/2027')
  await browser.fill('Price', '-3')
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('This must be 0.00 or more.')
  expect(await browser.focused()).toMatch(/^Price/)
  await browser.fill('Price', '62.5')
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('Saved as 1.')
  await browser.driver.wait(async () => (await browser.value('Day')) === '12 Mar 2027', patience)
  expect(await faults(browser)).toEqual([])

  // And in the list, with the words of the premises.
  await browser.press('Visits')
  await browser.read('1 record')
  expect(await browser.read('62.50')).toContain('14 Quay Lane')
  expect(await faults(browser)).toEqual([])
  expect(await browser.complaints()).toEqual([])
})
