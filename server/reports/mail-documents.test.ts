import { createServer, type Server } from 'node:net'
import type { AddressInfo } from 'node:net'
import PostalMime from 'postal-mime'
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest'
import type { Edit, Template } from '@/core/book'
import { wordProblem } from '@/core/words'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { link, table } from '@/tests/support/tables'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Live } from '../live'
import {
  findMail,
  mailCounts,
  mailPdf,
  mailsOfRecord,
  newestMails,
  receivedFile,
  receivedOf,
  sendAgain,
  sendWaiting,
  setPostOffice,
  takeBack,
} from '../post'
import { mailDocuments, mailsToCome } from './mail-documents'
import { papersOf } from './papers'

let db: Catalogue
let live: Live
let account: string
let book: string

const design: Edit[] = [
  ...table('Person', 'Name line', 'Address email'),
  ...table('Visit', 'Day date', 'Price money'),
  link('person', 'visit'),
]

beforeAll(async () => {
  process.env.HEARTH_SECRET ??= 'a secret for tests only, long enough to seal'
  db = await testCatalogue('mails')
  const averil = await testAccount(db, 'Averil')
  account = averil.id
  book = await testBook(db, averil, 'Asked', design)
  live = await opened(db, averil, book)
  const at = (name: string) => `\`${live.schema}\`.${name}`
  await run(
    db,
    `INSERT INTO ${at('person')} (person_number, name, address) VALUES
     (1, 'Ida Ö. "Quick" Marl', 'ida@otterby.example'), (2, 'Bo', NULL), (3, 'Cy', 'cy@refused.example')`,
  )
  await run(
    db,
    `INSERT INTO ${at('visit')} (visit_number, day, price, person) VALUES
     (1, '2027-01-01', 5, 1), (2, '2027-01-02', 6, 2), (3, '2027-01-03', 7, 3)`,
  )
})
beforeEach(async () => {
  for (const name of ['mails', 'post_received', 'post_offices', 'papers', 'paper_numbers'])
    await run(db, `DELETE FROM \`${db.catalogue}\`.${name}`)
})
const servers: Server[] = []
afterAll(() => servers.forEach((server) => server.close()))

const person = [{ to: 'one', field: 'visit__person' }] as const
const bill = (more: Partial<Template> = {}): Template => ({
  id: 'bill',
  table: 'visit',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  handed: { numbered: { prefix: 'B-', width: 3 } },
  columns: [
    { id: 'name', shows: { kind: 'field', place: { way: person, field: 'person_name' } } },
    { id: 'to', shows: { kind: 'field', place: { way: person, field: 'person_address' } } },
    { id: 'price', shows: { kind: 'field', place: { way: [], field: 'visit_price' } } },
  ],
  blocks: [{ kind: 'words', of: [{ kind: 'said', what: 'number' }] }],
  mail: {
    to: 'to',
    subject: [
      { kind: 'text', words: 'Bill ' },
      { kind: 'said', what: 'number' },
    ],
    message: [
      [
        { kind: 'text', words: 'Dear ' },
        { kind: 'field', column: 'name' },
        { kind: 'text', words: ',' },
      ],
      [
        { kind: 'text', words: 'please pay ' },
        { kind: 'field', column: 'price' },
        { kind: 'text', words: '.' },
      ],
    ],
    attached: true,
  },
  ...more,
})
const handing = (template: Template, refs: readonly string[]) => ({
  db,
  book,
  account,
  writings: {
    reads: { db, live },
    template,
    answers: { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [] },
    of: { refs },
    letterhead: undefined,
    who: 'Averil',
  },
})
async function mailed(template: Template, refs: readonly string[]): Promise<number> {
  const made = await mailDocuments(handing(template, refs))
  if (!made.ok) throw new Error(wordProblem(made.problem))
  return made.value
}
const stateOf = async (ref: string) => {
  const [mail] = await mailsOfRecord(db, book, 'visit', ref)
  return mail && [mail.state, mail.why]
}

test('what would be sent is told before, and who has no address', async () => {
  const found = await mailsToCome(handing(bill(), ['1', '2']))
  expect(found).toMatchObject({
    ok: true,
    value: {
      file: 'Bill.pdf',
      mails: [
        {
          to: ['ida@otterby.example'],
          subject: 'Bill …',
          text: 'Dear Ida Ö. "Quick" Marl,\n\nplease pay £5.00.',
          before: undefined,
        },
        { to: [], text: 'Dear Bo,\n\nplease pay £6.00.' },
      ],
    },
  })
})

test('it comes in at the post office as it was written, with the paper that was handed out with it', async () => {
  expect(await mailed(bill(), ['1', '2'])).toBe(1)
  await sendWaiting(db)
  expect(await stateOf('1')).toEqual(['sent', undefined])
  const [message] = await receivedOf(db, book)
  expect(message).toMatchObject({
    to: 'ida@otterby.example',
    subject: 'Bill B-001',
    text: 'Dear Ida Ö. "Quick" Marl,\n\nplease pay £5.00.',
    files: [{ name: 'Bill B-001.pdf' }],
  })
  const [paper] = await papersOf(db, book, 'visit', '1')
  expect(paper?.number).toBe('B-001')
  // Whoever has no address gets no number either.
  expect(await papersOf(db, book, 'visit', '2')).toEqual([])
  const [mail] = await newestMails(db, book, 'B-001')
  const read = await PostalMime.parse((await receivedFile(db, book, message!.id))!)
  expect(Buffer.from(read.attachments[0]!.content as ArrayBuffer)).toEqual(await mailPdf(db, book, mail!.id))
  expect(read.headers.filter(({ key }) => key === 'to')).toHaveLength(1)
  expect(await findMail(db, 'another', mail!.id)).toBe(undefined)
  expect(await mailPdf(db, 'another', mail!.id)).toBe(undefined)
})

test('who had it before is told', async () => {
  await mailed(bill(), ['1'])
  const again = await mailsToCome(handing(bill(), ['1', '3']))
  expect(again.ok && again.value.mails.map(({ before }) => before !== undefined)).toEqual([true, false])
})

test('of two who send the same at the same moment one does; the other is told, and no number is lost', async () => {
  const looked = await mailsToCome(handing(bill(), ['1']))
  const asOf = looked.ok ? looked.value.asOf : ''
  const both = await Promise.allSettled([
    mailDocuments(handing(bill(), ['1']), { asOf }),
    mailDocuments(handing(bill(), ['1']), { asOf }),
  ])
  const refused = both.filter(({ status }) => status === 'rejected')
  expect(refused).toMatchObject([{ reason: { problem: { kind: 'mail-meanwhile', many: 1 } } }])
  expect(await mailsOfRecord(db, book, 'visit', '1')).toHaveLength(1)
  expect((await papersOf(db, book, 'visit', '1')).map(({ number }) => number)).toEqual(['B-001'])
  // Whoever looks again, and wants it so, may.
  const again = await mailsToCome(handing(bill(), ['1']))
  expect(again.ok && again.value.mails[0]?.before).toBeDefined()
  expect(await mailDocuments(handing(bill(), ['1']), { asOf: again.ok ? again.value.asOf : '' })).toEqual({
    ok: true,
    value: 1,
  })
})

test('a document without an e-mail of its own gets the one that goes with any', async () => {
  const { mail: _mail, handed: _handed, ...plain } = bill({ id: 'plain' })
  expect(await mailed(plain, ['1'])).toBe(1)
  await sendWaiting(db)
  expect(await receivedOf(db, book)).toMatchObject([
    { to: 'ida@otterby.example', subject: 'Bill for visit 1', files: [{ name: 'Bill.pdf' }] },
  ])
})

test('nothing is sent, and no number given, where nobody has an address', async () => {
  const made = await mailDocuments(handing(bill(), ['2']))
  expect(made.ok || made.problem).toEqual({ kind: 'mail-none', name: 'Bill' })
  expect(await select(db, `SELECT * FROM \`${db.catalogue}\`.paper_numbers WHERE last > 0`)).toEqual([])
})

test('what is refused for good says why, is not tried again by itself, and is sent again when asked', async () => {
  await mailed(bill(), ['3'])
  await sendWaiting(db)
  const refused = ['refused', 'The post office says: 550 Nobody has a box here']
  expect(await stateOf('3')).toEqual(refused)
  await sendWaiting(db)
  const [mail] = await mailsOfRecord(db, book, 'visit', '3')
  expect(mail).toMatchObject({ state: 'refused', tries: 1 })
  expect(await sendAgain(db, book, mail!.id)).toBe(true)
  expect(await sendAgain(db, book, mail!.id)).toBe(false)
  await sendWaiting(db)
  expect(await stateOf('3')).toEqual(refused)
  // Nothing was handed out a second time.
  expect(await papersOf(db, book, 'visit', '3')).toHaveLength(1)
})

/** A machine that answers whoever comes with some words, and then with nothing. */
async function machineThatSays(words: string): Promise<number> {
  const server = createServer((socket) => socket.end(words))
  servers.push(server)
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  return (server.address() as AddressInfo).port
}
const real = (port: number) =>
  setPostOffice(
    db,
    book,
    {
      senderName: 'Asked',
      senderAddress: 'office@asked.example',
      real: { host: '127.0.0.1', port, safety: 'none', user: undefined },
    },
    undefined,
  )

test.each([
  ['nothing', 'The post office can’t be reached.|No post office answers'],
  ['421 Too busy, come again\r\n', 'Too busy, come again'],
])('where the post office says %s, it waits and is tried again later', async (says, why) => {
  await real(says === 'nothing' ? 9 : await machineThatSays(says))
  await mailed(bill(), ['1'])
  await sendWaiting(db)
  const [mail] = await mailsOfRecord(db, book, 'visit', '1')
  expect(mail).toMatchObject({ state: 'waiting', tries: 1 })
  expect(mail!.why).toMatch(new RegExp(why))
  const wait = (Date.parse(`${mail!.at.replace(' ', 'T')}Z`) - Date.now()) / 60_000
  expect(wait).toBeGreaterThan(0.5)
  expect(wait).toBeLessThan(1.1)
  // Not before its time.
  await sendWaiting(db)
  expect((await mailsOfRecord(db, book, 'visit', '1'))[0]?.tries).toBe(1)
  // In time it is given up, in words.
  for (let tries = 1; tries < 6; tries++) {
    await run(db, `UPDATE \`${db.catalogue}\`.mails SET at = '2020-01-01 00:00:00.000'`)
    await sendWaiting(db)
  }
  expect((await mailsOfRecord(db, book, 'visit', '1'))[0]).toMatchObject({ state: 'refused', tries: 6 })
})

test('what was on its way when the server was stopped is not sent again unasked', async () => {
  await mailed(bill(), ['1'])
  await run(db, `UPDATE \`${db.catalogue}\`.mails SET state = 'going', at = '2020-01-01 00:00:00.000'`)
  await sendWaiting(db)
  expect(await stateOf('1')).toEqual(['unsure', undefined])
  expect(await receivedOf(db, book)).toEqual([])
  const [mail] = await mailsOfRecord(db, book, 'visit', '1')
  await sendAgain(db, book, mail!.id)
  await sendWaiting(db)
  expect(await stateOf('1')).toEqual(['sent', undefined])
})

test('what waits can be taken back; what was sent can’t', async () => {
  await mailed(bill(), ['1'])
  expect(await takeBack(db, book)).toBe(1)
  await sendWaiting(db)
  expect(await mailCounts(db, book)).toEqual({ back: 1 })
  await mailed(bill(), ['1'])
  await sendWaiting(db)
  expect(await takeBack(db, book)).toBe(0)
  expect(await mailCounts(db, book)).toEqual({ back: 1, sent: 1 })
})

test('hundreds go out once each, however many send at the same moment', async () => {
  await run(
    db,
    `INSERT INTO \`${live.schema}\`.visit (visit_number, day, price, person)
     SELECT seq, '2027-01-01', seq, 1 FROM \`${live.schema}\`.seq_100_to_299`,
  )
  const refs = Array.from({ length: 200 }, (_, at) => String(100 + at))
  expect(await mailed(bill(), refs)).toBe(200)
  await Promise.all([sendWaiting(db), sendWaiting(db), sendWaiting(db)])
  expect(await mailCounts(db, book)).toEqual({ sent: 200 })
  const [counted] = await select<{ many: number; subjects: number }>(
    db,
    `SELECT COUNT(*) AS many, COUNT(DISTINCT contents) AS subjects FROM \`${db.catalogue}\`.post_received`,
  )
  expect(counted).toEqual({ many: 200, subjects: 200 })
})

test('a password is sealed, stays where nothing else is said, and goes with no other host', async () => {
  const office = (host: string) => ({
    senderName: 'Asked',
    senderAddress: ' office@asked.example ',
    real: { host, port: 465, safety: 'tls', user: 'averil' } as const,
  })
  const sealed = async () =>
    (await select<{ password: string | null }>(db, `SELECT password FROM \`${db.catalogue}\`.post_offices`))[0]
      ?.password
  await setPostOffice(db, book, office('post.example'), 'hush')
  const first = await sealed()
  expect(first).not.toContain('hush')
  await setPostOffice(db, book, office('post.example'), undefined)
  expect(await sealed()).toBe(first)
  await setPostOffice(db, book, office('other.example'), undefined)
  expect(await sealed()).toBe(null)
  const odd = await setPostOffice(db, book, { ...office('x.example'), senderAddress: 'a, b@c.example' }, undefined)
  expect(odd.ok).toBe(false)
})
