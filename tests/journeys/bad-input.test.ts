import { afterAll, beforeAll, expect, inject, test } from 'vitest'
import type { Edit } from '@/core/book'
import type { KindName } from '@/core/kinds'
import { editBook, findBook, makeBook } from '@/server/books'
import { catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { liveOf, openBook, readList, saveRecord } from '@/server/live'
import { makeAccount } from '@/server/people'
import { application, browserAt } from '../support/application'
import { type Browser, Key, patience } from '../support/browser'

const password = 'a long enough one'
const kinds: readonly [string, KindName, object][] = [
  ['Short line', 'line', { length: 10, must: true }],
  ['Long words', 'passage', {}],
  ['Post code', 'code', { length: 6, exactLength: true }],
  ['How many', 'whole', { least: '1', most: '60' }],
  ['How high', 'exact', { digits: 2, decimals: 1, most: '14', refusal: 'Over 14 m needs the tower crew.' }],
  ['Reading', 'measured', { most: '1' }],
  ['Price', 'money', {}],
  ['Day', 'date', {}],
  ['Hour', 'time', {}],
  ['Moment', 'dateTime', {}],
  ['Mail', 'email', {}],
  ['Ring', 'phone', {}],
  ['Page', 'web', {}],
]

let browser: Browser
let records: string
let listed: () => Promise<readonly string[]>
let close: () => Promise<void>

beforeAll(async () => {
  const running = await application('badinput')
  const db = await catalogueOn(await connect(`${inject('databaseUrl')}/badinput`))
  const account = await makeAccount(db, 'Averil', password, true)
  if (!account.ok) throw new Error('Expected an account.')
  const made = await makeBook(db, account.value, `Robert'); DROP TABLE books;-- <b>`)
  const id = made.ok ? made.value : ''
  const edits: Edit[] = [
    { kind: 'addTable', id: 'thing', name: '<img src=x onerror=alert(1)> "thing`', keyField: 'key' },
    ...kinds.flatMap(([name, holds, to], at): Edit[] => [
      { kind: 'addField', table: 'thing', id: `f${at}`, name, holds },
      ...(Object.keys(to).length > 0 ? [{ kind: 'changeField', field: `f${at}`, to } as Edit] : []),
    ]),
    { kind: 'addTable', id: 'place', name: 'Place', keyField: 'place-key' },
    { kind: 'addField', table: 'place', id: 'place-name', name: 'Place name', holds: 'line' },
    {
      kind: 'answerPairing',
      a: 'place',
      b: 'thing',
      aHasSeveral: true,
      bHasSeveral: false,
      aMust: false,
      bMust: false,
      ids: { table: 't', links: ['l', 'm'], fields: ['at', 'n'] },
    },
  ]
  for (const edit of edits) {
    const saved = await editBook(db, id, account.value.id, edit, [])
    if (!saved.ok) throw new Error(JSON.stringify(saved.problem))
  }
  await openBook(db, id, account.value.id)
  const live = liveOf((await findBook(db, id))!)
  if (!live.ok) throw new Error('Expected an open book.')
  await saveRecord(
    { db, live: live.value, who: 'Averil' },
    {
      table: 'place',
      ref: null,
      rev: null,
      values: { 'place-name': 'Otterby' },
      children: [],
    },
  )
  listed = async () =>
    (await readList({ db, live: live.value }, { table: 'thing', limit: 50 })).rows.map((row) => row.values.f0 ?? '')
  close = () => db.sequelize.close()
  browser = await browserAt(running.url)
  await browser.signIn('Averil', password)
  records = `/books/${id}/records`
})

afterAll(() => close())

const wrong: readonly [string, string, string][] = [
  ['Short line', 'x'.repeat(11), 'This is 11 characters long; at most 10 fit.'],
  ['Short line', ' ', 'Short line must be filled.'],
  ['Post code', '0042', 'This must be exactly 6 characters; it has 4.'],
  ['How many', 'three', '“three” is not a whole number such as 12.'],
  ['How many', '61', 'This must be 60 or less.'],
  ['How high', '15.2', 'Over 14 m needs the tower crew.'],
  ['How high', '1.25', 'At most 1 decimal fits here.'],
  ['Reading', '1e5', '“1e5” is not a number such as 12.5.'],
  ['Price', '12,50', '“12,50” is not a number such as 12.5.'],
  ['Day', '29/2/2027', 'There is no “29/2/2027”: February 2027 ends on the 28th.'],
  ['Day', 'soon', '“soon” is not a date such as 12 Mar 2027.'],
  ['Hour', '25:00', '“25:00” is not a time such as 09:30.'],
  ['Moment', '12 Mar 2027', '“12 Mar 2027” is not a date and time such as 12 Mar 2027, 09:30.'],
  ['Mail', 'averil at home', '“averil at home” is not an e-mail address such as office@firm.example.'],
  ['Ring', '<script>', '“<script>” is not a phone number such as 01555 0142.'],
  ['Page', 'javascript:alert(1)', '“javascript:alert(1)” is not a web address such as https://firm.example.'],
]

test('each kind of field refuses what it can’t hold, in words, and keeps what was typed', async () => {
  await browser.go(`${records}/thing/new`)
  await browser.read('Fields with a star must be filled')
  for (const [box, typed, words] of wrong) {
    await browser.fill(box, typed)
    await browser.type(Key.TAB)
    await browser.read(words)
    if (typed.trim()) expect(await browser.value(box)).toBe(typed)
    await browser.fill(box, '')
  }
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('1 problem to correct before saving')
  expect(await browser.focused()).toMatch(/^Short line/)
}, 120_000)

test('emoji, right-to-left words, SQL and HTML are just words', async () => {
  await browser.fill('Short line', '<b>🐿️</b>')
  const passage = `שלום'); DROP TABLE thing;-- <script>alert(1)</script>`
  await browser.driver.executeScript(
    `const box = arguments[0]; box.focus(); document.execCommand('insertText', false, arguments[1])`,
    await browser.box('Long words'),
    passage,
  )
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('Saved as 1.')
  expect(await browser.value('Long words')).toBe(passage)
  expect(await listed()).toEqual(['<b>🐿️</b>'])
  await browser.go(`${records}/thing`)
  expect(await browser.read('1 record')).toContain('<b>🐿️</b>')
})

test('ten megabytes pasted are met with a sentence, not a crash, and what stood there stays', async () => {
  await browser.go(`${records}/thing/new`)
  await browser.fill('Long words', 'before the paste')
  await browser.driver.executeScript(
    `const clipboardData = new DataTransfer()
     clipboardData.setData('text/plain', 'x'.repeat(10_000_000))
     arguments[0].dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))`,
    await browser.box('Long words'),
  )
  await browser.read('This is 10,000,000 characters long; at most 100,000 fit. It was not put in.')
  expect(await browser.value('Long words')).toBe('before the paste')
  await browser.fill('Long words', '')
})

test('a passage a little too long is refused with how long it is', async () => {
  await browser.driver.executeScript(
    `const box = arguments[0]
     Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(box, 'x'.repeat(50_001))
     box.dispatchEvent(new Event('input', { bubbles: true }))`,
    await browser.box('Long words'),
  )
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('This is 50,001 characters long; at most 50,000 fit.')
  expect(await listed()).toEqual(['<b>🐿️</b>'])
  await browser.fill('Long words', '')
})

test('a link whose record is gone in the meantime is refused at its field', async () => {
  const other = await browserAt(browser.url)
  await other.signIn('Averil', password)
  await browser.go(`${records}/thing/new`)
  await browser.fill('Short line', 'linked')
  await browser.fill('Place', 'Otterby')
  await browser.type(Key.ENTER)
  await browser.driver.wait(async () => (await browser.value('Place')) === 'Otterby', patience)
  await other.go(`${records}/place/record/1`)
  await other.press('Remove')
  await other.read('Nothing else goes with it')
  await other.press('Remove it')
  await other.read('The place was removed')
  await browser.type(Key.chord(Key.CONTROL, 's'))
  await browser.read('The place chosen for Place is no longer there. Choose another.')
  expect(await browser.value('Short line')).toBe('linked')
})
