import { beforeAll, expect, test } from 'vitest'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'
import { hiring } from '../support/ruled-design'
import { servedBook, type ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedBook('ruling', 'Quay Rooms', hiring().edits)
  browser = book.browser
  await browser.go(`${book.path}/workshop/rules`)
})

const tick = async (name: string) => (await browser.box(name)).click()

async function rule(table: string, about: string, words: string, parts: () => Promise<unknown>) {
  await browser.press('Add a rule')
  await browser.choose('For each', table)
  await browser.choose('What it is about', about)
  await parts()
  await browser.fill('What staff read when it isn’t so', words)
  await browser.press('Add the rule')
  await browser.driver.wait(
    async () => !(await browser.driver.executeScript('return document.querySelector("[role=dialog]")')),
    patience,
  )
  await browser.read(words)
}

test('every kind of rule is made by filling in a sentence', async () => {
  await rule('Hire', 'A field compared with another, or with a value', 'It ends before it begins.', async () => {
    await browser.choose('This field', 'To day')
    await browser.choose('How', 'is not before')
    await browser.choose('With what', 'From day')
    await browser.read('"To day" >= "From day"')
    expect(await faults(browser)).toEqual([])
  })
  await rule('Hire', 'A field between two values', 'From 1 to 500 guests.', async () => {
    await browser.choose('This field', 'Guests')
    await browser.fill('is from', '1')
    await browser.fill('to', '500')
  })
  await rule('Hire', 'If one condition is met, then another', 'What is agreed has a price.', async () => {
    await browser.choose('This field', 'State')
    await browser.choose('The value', 'agreed')
    const [, then] = await browser.driver
      .findElements({ css: '#rule-then-subject' })
      .then((found) => [undefined, found[0]])
    await then!.findElement({ xpath: './/option[normalize-space() = "Price"]' }).then((one) => one.click())
    const how = await browser.see('#rule-then-operator')
    await how.findElement({ xpath: './/option[normalize-space() = "is filled"]' }).then((one) => one.click())
    await browser.read(`NOT (State = 'agreed') OR Price IS NOT NULL`)
  })
  await rule('Hire', 'A number of days from one date to another', 'Four weeks at most.', async () => {
    await browser.choose('The later day', 'To day')
    await browser.choose('comes after', 'From day')
    await browser.fill('and at most this many', '28')
  })
  await rule('Hire', 'At least one of some fields filled', 'A note or a price.', async () => {
    await tick('Price')
    await tick('Note')
  })
  await rule('Extra', 'A text that looks a certain way', 'Extras begin with X-.', async () => {
    await browser.choose('This text', 'What')
    await browser.fill('these letters', 'X-')
  })
  await rule('Extra', 'Some fields together must be different', 'That extra is there already.', async () => {
    await tick('What')
    await tick('Hire')
    expect(await faults(browser)).toEqual([])
  })
  await rule('Hire', 'No two at the same time', 'The room is taken then.', async () => {
    await browser.choose('It lasts from', 'From day')
    await browser.choose('until (empty: no end)', 'To day')
    await tick('Room')
    await browser.fill('Except records where', `State = 'called of'`)
    await browser.read('Did you mean called off?')
    await browser.fill('Except records where', `State = 'called off'`)
  })
  await rule('Hire', 'Which state may follow which', 'It can’t become that now.', async () => {
    await browser.choose('The states are those of', 'State')
    for (const to of ['asked-agreed', 'agreed-over']) await (await browser.see(`#rule-step-${to}`)).click()
  })
  await rule('Hire', 'No change once a condition is met', 'What is over stays as it is.', async () => {
    await browser.fill('Nothing changes any more once', `State = 'over'`)
    await tick('Note')
  })
  await rule('Hire', 'Anything else, written as an expression', 'The room has fewer seats.', async () => {
    await browser.fill('What must be true for each hire', 'Guests <= Room.S')
    await browser.read('Room → Seats')
    // What is offered is closed first, and the dialog only after it.
    await browser.type(Key.ESCAPE)
    await browser.fill('What must be true for each hire', 'Guests <= Room.S')
    await browser.read('Room → Seats')
    await browser.type(Key.ENTER)
    await browser.read(/Made up: Guests \d+\s+(✓ true|is refused)/)
  })
  await rule('Hire', 'A field compared with another, or with a value', 'That is many guests.', async () => {
    await browser.choose('This field', 'Guests')
    await browser.choose('How', 'is at most')
    await browser.fill('The value', '45')
    await browser.answer('What it does', 'Only warns')
  })
  expect(await faults(browser)).toEqual([])
})

test('they refuse while one types, on save, and from plain SQL', async () => {
  await browser.chapter('open')
  await browser.press('Open the book')
  await browser.read('is open')
  await book.sql('INSERT INTO $room (room_number, seats) VALUES (1, 50)')
  await browser.go(`${book.path}/records/hire/new`)
  await browser.fill('From day', '10 Mar 2027')
  await browser.fill('To day', '9 Mar 2027')
  await browser.type(Key.TAB)
  await browser.read('It ends before it begins.')
  await browser.fill('To day', '12 Mar 2027')
  await browser.fill('Guests', '60')
  await browser.fill('Room', '1')
  await browser.type(Key.ENTER)
  await browser.read('The room has fewer seats.')
  await browser.fill('Guests', '48')
  await browser.type(Key.TAB)
  await browser.driver.wait(async () => !(await browser.read('')).includes('fewer seats'), patience)
  await browser.choose('State', 'agreed')
  await browser.fill('Note', 'By phone')
  await browser.type(Key.TAB)
  await browser.read('What is agreed has a price.')
  await browser.fill('Price', '120')
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('That is many guests.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Save all the same')
  await browser.read('Saved')
  const insert = (values: string) =>
    book.otherTool(`INSERT INTO hire (hire_number, room, note, from_day, to_day, guests) VALUES (${values})`)
  await expect(insert("50, 1, 'x', '2027-03-12', '2027-03-13', 10")).rejects.toThrow('The room is taken then.')
  await expect(insert("50, 1, 'x', '2027-04-12', '2027-04-13', 70")).rejects.toThrow('The room has fewer seats.')
})

test('a record that is over stays as it is, but for its note', async () => {
  // Once it is saved, the new record's own page takes the place of the empty form.
  await browser.driver.wait(async () => /\/record\//.test(await browser.path()), patience)
  await browser.choose('State', 'over')
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('What is over stays as it is.')
  expect(await (await browser.box('Guests')).getAttribute('readonly')).toBeTruthy()
  await browser.fill('Note', 'Went well')
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('Saved')
  await expect(book.otherTool('UPDATE hire SET guests = 5')).rejects.toThrow('What is over stays as it is.')
  expect(await faults(browser)).toEqual([])
})

test('who breaks a rule is listed, with a way to let it be for new records alone', async () => {
  await browser.go(`${book.path}/workshop/rules`)
  await rule('Hire', 'A field compared with another, or with a value', 'At most forty.', async () => {
    await browser.choose('This field', 'Guests')
    await browser.choose('How', 'is at most')
    await browser.fill('The value', '40')
  })
  await browser.press('Broken by: which records break At most forty.')
  await browser.read('1 hire breaks it:')
  expect(await faults(browser)).toEqual([])
  await browser.press('Ask it of new records alone')
  await browser.read('new records')
  expect(await browser.complaints()).toEqual([])
})

test('a code gets its pattern from real values, and fills itself in while one types', async () => {
  await browser.go(`${book.path}/workshop/tables?table=room`)
  await browser.fill('Name of the next field', 'Door code')
  await browser.choose('Kind of the next field', 'Code — a code of fixed shape; keeps leading zeros')
  await browser.press('Add a field')
  await browser.press('Settings of Door code')
  await browser.fill('Pattern from real values, one a line', 'D-0041/QL\nD-0007/AB\nD-1234/ZX\nlost key')
  await browser.read('D-, then four digits, then /, then two capital letters.')
  await browser.read('1 value doesn’t fit: lost key.')
  expect(await faults(browser)).toEqual([])
  await browser.press('Use this pattern')
  await browser.read('Code: D-, then four digits, then /, then two capital letters')
  await browser.fill('Try a value', '0418 ql')
  await browser.read('Taken: D-0418/QL')
  await browser.press('two capital letters')
  await (await browser.box('May be missing')).click()
  await browser.read('then perhaps two capital letters')
  await browser.press('four digits')
  expect(await faults(browser)).toEqual([])
  await browser.chapter('open')
  await browser.press('Open with these changes')
  await browser.read('as opened')
  await browser.go(`${book.path}/records/room/new`)
  await browser.fill('Door code', '0418ql')
  expect(await browser.value('Door code')).toBe('D-0418/QL')
  await browser.fill('Door code', '12x')
  await browser.type(Key.TAB)
  await browser.read('It is written as D-, then four digits')
})

test('a need that lays down a rule asks for it until it is made, or none is needed', async () => {
  await browser.go(`${book.path}/workshop/needs`)
  await browser.fill('Write or paste the next need', 'No guest may stay once the music is over.')
  await browser.type(Key.ENTER)
  await browser.fill('Write or paste the next need', 'A hire is refused unless it is agreed in writing.')
  await browser.type(Key.ENTER)
  for (const need of ['Need 1', 'Need 2']) {
    await (await browser.box(need)).click()
    await browser.press('What meets it')
    await tick('Hire')
  }
  await browser.read('2 in part, 0 not yet')
  await browser.read('“is refused unless it is agreed in writing” lays down a rule.')
  expect(await faults(browser)).toEqual([])
  await browser.press('It needs no rule')
  // What the words name and nothing in the design is called is asked about, too.
  await browser.read('Nothing in the design is called “writing”.')
  expect(await faults(browser)).toEqual([])
  await browser.press('It needs no place')
  await browser.read('1 of 2 needs met')

  await browser.chapter('rules')
  await browser.read('1 need lays down a rule')
  expect(await faults(browser)).toEqual([])
  await browser.press('Add the rule of need 1')
  await browser.read('Need 1: No guest may stay once the music is over.')
  await browser.choose('This field', 'Guests')
  await browser.choose('How', 'is at least')
  await browser.fill('The value', '1')
  await browser.fill('What staff read when it isn’t so', 'At least one guest.')
  await browser.press('Add the rule')
  await browser.read('Guests >= 1')
  await browser.chapter('needs')
  await (await browser.box('Need 1')).click()
  await browser.read('Nothing in the design is called “music”.')
  await browser.press('It needs no place')
  await browser.read('2 of 2 needs met')
  expect(await browser.complaints()).toEqual([])
})
