import { createHash } from 'node:crypto'
import { beforeAll, expect, test } from 'vitest'
import type { Block, Column, Template } from '@/core/book'
import { wordProblem } from '@/core/words'
import { askedDesign } from '@/tests/support/asked-design'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { textsOn } from '@/tests/support/page-laws'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Live } from '../live'
import { handOut } from './hand-out'
import { mostHandedOut } from './prepare'
import type { Writings } from './lay-documents'
import { differencesOf, findPaper, newestPapers, paperPdf, papersOf, papersWork, todayWork } from './papers'

let db: Catalogue
let live: Live
let account: string
let book: string

beforeAll(async () => {
  db = await testCatalogue('handout')
  const averil = await testAccount(db, 'Averil')
  account = averil.id
  book = await testBook(db, averil, 'Asked', askedDesign)
  live = await opened(db, averil, book)
  const at = (name: string) => `\`${live.schema}\`.${name}`
  await run(db, `INSERT INTO ${at('house')} (house_number, town) VALUES (1, 'Otterby'), (2, 'Ash')`)
  await run(
    db,
    `INSERT INTO ${at('visit')} (visit_number, day, price, house)
     SELECT seq, '2027-01-01', seq, 1 + seq MOD 2 FROM ${at('seq_1_to_600')}`,
  )
})

const number: Block = {
  kind: 'words',
  of: [
    { kind: 'text', words: 'Bill ' },
    { kind: 'said', what: 'number' },
    { kind: 'text', words: ' in ' },
    { kind: 'field', column: 'town' },
  ],
}
const bill = (
  id: string,
  numbered: NonNullable<Template['handed']>['numbered'] = { prefix: 'B-', width: 4 },
): Template => ({
  id,
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  handed: { numbered },
  columns: [
    {
      id: 'town',
      shows: { kind: 'field', place: { way: [{ to: 'one', field: 'visit__house' }], field: 'house_town' } },
    },
  ],
  blocks: [number],
})
const writings = (template: Template, refs: readonly string[], moment = '2027-03-12T10:00'): Writings => ({
  reads: { db, live },
  template,
  answers: { given: {}, now: { moment }, lists: [] },
  of: { refs },
  letterhead: undefined,
  who: 'Averil',
})
async function handedOut(template: Template, refs: readonly string[], moment?: string): Promise<readonly string[]> {
  const made = await handOut({ db, book, account, writings: writings(template, refs, moment) })
  if (!made.ok) throw new Error(wordProblem(made.problem))
  return made.value
}
const numbersOf = async (template: string) =>
  (
    await select<{ number: string }>(
      db,
      `SELECT number FROM \`${db.catalogue}\`.papers WHERE template_id = ? ORDER BY number`,
      [template],
    )
  ).map((row) => row.number)
async function wordsOf(papers: readonly string[], originalFor?: string) {
  const found: string[][] = []
  await papersWork({ db, book, papers, originalFor }, 'Asked').lay(
    () => undefined,
    (pages) => {
      found.push(...pages.map((page) => textsOn(page).map(({ words }) => words)))
      return Promise.resolve()
    },
  )
  return found
}

test('a paper has its number in its text, and is kept byte by byte', async () => {
  const [id = ''] = await handedOut(bill('first'), ['7'])
  expect(await findPaper(db, book, id)).toMatchObject({
    number: 'B-0001',
    ref: '7',
    label: '7',
    by: 'Averil',
    name: 'Bill',
  })
  const kept = (await paperPdf(db, book, id))!
  expect(kept.pdf.subarray(0, 8).toString('latin1')).toBe('%PDF-1.7')
  expect(createHash('sha256').update(kept.pdf).digest('hex')).toBe(kept.hash)
  expect(kept.name).toBe('Bill B-0001')
  expect(await paperPdf(db, 'another', id)).toBe(undefined)
  expect(await findPaper(db, 'another', id)).toBe(undefined)
})

test('who handed it out sees the original, everybody else a copy', async () => {
  const papers = await handedOut(bill('copies'), ['7'])
  expect(await wordsOf(papers, account)).toEqual([['Bill B-0001 in Ash']])
  expect(await wordsOf(papers, 'another')).toEqual([['Bill B-0001 in Ash', 'COPY']])
  expect(await wordsOf(papers)).toEqual([['Bill B-0001 in Ash', 'COPY']])
  await run(db, `UPDATE \`${db.catalogue}\`.papers SET made_at = '2020-01-01 00:00:00.000' WHERE id = ?`, [papers[0]!])
  expect(await wordsOf(papers, account)).toEqual([['Bill B-0001 in Ash', 'COPY']])
})

test('many at the same moment get numbers without gaps, each once', async () => {
  const hands = Array.from({ length: 12 }, (_, at) =>
    handedOut(bill('many'), [String(at + 1), String(at + 101), String(at + 201)]),
  )
  const papers = await Promise.all(hands)
  expect(await numbersOf('many')).toEqual(Array.from({ length: 36 }, (_, at) => `B-${String(at + 1).padStart(4, '0')}`))
  // Those that are handed out together have numbers next to each other, in their order.
  for (const own of papers) {
    const found = await Promise.all(own.map(async (id) => Number((await findPaper(db, book, id))!.number!.slice(2))))
    expect(found).toEqual([found[0], found[0]! + 1, found[0]! + 2])
  }
})

test('what fails gives its numbers back', async () => {
  await handedOut(bill('failing'), ['1'])
  const table = `\`${db.catalogue}\`.papers`
  await run(
    db,
    `CREATE TRIGGER \`${db.catalogue}\`.no_ash BEFORE INSERT ON ${table} FOR EACH ROW
     BEGIN IF NEW.template_id = 'failing' AND NEW.ref = '3' THEN SIGNAL SQLSTATE '45000'; END IF; END`,
  )
  await expect(handedOut(bill('failing'), ['2', '3'])).rejects.toThrow()
  await run(db, `DROP TRIGGER \`${db.catalogue}\`.no_ash`)
  await handedOut(bill('failing'), ['4'])
  expect(await numbersOf('failing')).toEqual(['B-0001', 'B-0002'])
})

test('with the year before them numbers begin anew each year; without any, papers are kept all the same', async () => {
  const yearly = bill('yearly', { prefix: 'B-', width: 3, yearly: true })
  await handedOut(yearly, ['1'], '2027-12-31T23:59')
  await handedOut(yearly, ['1', '2'], '2028-01-01T00:00')
  expect(await numbersOf('yearly')).toEqual(['B-2027-001', 'B-2028-001', 'B-2028-002'])
  const plain = { ...bill('plain'), handed: {} }
  await handedOut(plain, ['1'])
  await handedOut(plain, ['1'])
  expect(await numbersOf('plain')).toEqual([null, null])
})

test('a number that was given under other settings is told, and nothing is handed out twice', async () => {
  await handedOut(bill('twice', { prefix: 'B-', width: 4, yearly: true }), ['1'])
  const other = bill('twice', { prefix: 'B-2027-', width: 4 })
  await expect(handedOut(other, ['1', '2'])).rejects.toThrow(/handed out already/)
  await handedOut(bill('twice', { prefix: 'C-', width: 4 }), ['1'])
  expect(await numbersOf('twice')).toEqual(['B-2027-0001', 'C-0001'])
})

test('too many together, or none at all, are refused in words, and take no number', async () => {
  const refs = Array.from({ length: mostHandedOut + 1 }, (_, at) => String(at + 1))
  await expect(handedOut(bill('refused'), refs)).rejects.toThrow(/At most 500 are handed out/)
  await expect(handedOut(bill('refused'), ['9999'])).rejects.toThrow(/no record/)
  await handedOut(bill('refused'), ['1'])
  expect(await numbersOf('refused')).toEqual(['B-0001'])
})

test('whether the record says something else by now is told line by line, with today’s paper beside', async () => {
  const [id = ''] = await handedOut(bill('later'), ['8'])
  const asked = {
    db,
    book,
    paper: id,
    reads: { db, live },
    answers: { given: {}, now: { moment: '2027-05-01T10:00' }, lists: [] },
  }
  expect(await differencesOf(asked)).toEqual({ isGone: false, isSame: true, was: [], is: [] })
  await run(db, `UPDATE \`${live.schema}\`.house SET town = 'Saltmere' WHERE house_number = 1`)
  expect(await differencesOf(asked)).toEqual({
    isGone: false,
    isSame: false,
    was: ['Bill B-0001 in Otterby'],
    is: ['Bill B-0001 in Saltmere'],
  })
  const today: string[] = []
  await todayWork(asked).lay(
    () => undefined,
    (pages) => {
      today.push(...pages.flatMap((page) => textsOn(page).map(({ words }) => words)))
      return Promise.resolve()
    },
  )
  expect(today).toEqual(['Bill B-0001 in Saltmere'])
  await run(db, `DELETE FROM \`${live.schema}\`.visit WHERE visit_number = 8`)
  expect(await differencesOf(asked)).toEqual({ isGone: true, isSame: false, was: [], is: [] })
  expect(await wordsOf([id], account)).toEqual([['Bill B-0001 in Otterby']])
})

test('a code without words that says something else is told, too; another letterhead is not the record’s', async () => {
  const day: Column = { id: 'day', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } }
  const coded: Template = {
    ...bill('coded'),
    columns: [day],
    blocks: [{ kind: 'code', as: 'code128', column: 'day', bare: true }],
  }
  const letterhead = { name: 'Hollin and Sons' }
  const made = await handOut({ db, book, account, writings: { ...writings(coded, ['20']), letterhead } })
  const [paper = ''] = made.ok ? made.value : []
  const asked = { db, book, paper, reads: { db, live }, answers: writings(coded, []).answers }
  expect(await differencesOf(asked)).toMatchObject({ isSame: true })
  await run(db, `UPDATE \`${live.schema}\`.visit SET price = 21 WHERE visit_number = 20`)
  expect(await differencesOf(asked)).toEqual({ isGone: false, isSame: false, was: [], is: [] })
})

test('hundreds with rows of their own are handed out, each with its own', async () => {
  const rows: Block = {
    kind: 'rows',
    id: 'paid',
    way: [{ to: 'rows', link: 'visit--payment' }],
    columns: [{ id: 'amount', shows: { kind: 'field', place: { way: [], field: 'payment_amount' } } }],
    order: [],
    figures: [{ column: 'amount', name: 'total' }],
  }
  await run(
    db,
    `INSERT INTO \`${live.schema}\`.payment (payment_number, visit, amount) SELECT seq, 20 + seq MOD 450, seq FROM \`${live.schema}\`.seq_1_to_900`,
  )
  const template = { ...bill('rows'), blocks: [number, rows] }
  const refs = Array.from({ length: 450 }, (_, at) => String(20 + at))
  const papers = await handedOut(template, refs)
  expect(papers).toHaveLength(450)
  const words = await wordsOf(papers.slice(200, 300))
  // Two payments of each visit, 450 apart: what they come to is in its document and in no other.
  words.forEach((own, at) => {
    const first = (200 + at) % 450
    const sum = first === 0 ? 450 + 900 : 2 * first + 450
    expect(own).toContain(`${sum.toLocaleString('en-GB')}.00`)
  })
})

test('papers are found by their record, and by letters of their number', async () => {
  await handedOut(bill('found', { prefix: '50%_', width: 2 }), ['11', '12'])
  expect((await papersOf(db, book, 'visit', '11')).map((paper) => paper.number)).toContain('50%_01')
  expect((await newestPapers(db, book, '0%_')).map((paper) => paper.number)).toEqual(['50%_02', '50%_01'])
  expect(await newestPapers(db, book, 'nothing like it')).toEqual([])
})
