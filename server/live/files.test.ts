import sharp from 'sharp'
import { beforeAll, expect, test } from 'vitest'
import { changedRecord, checkForm, copyText, formTextOf } from '@/core/records'
import { wordProblem } from '@/core/words'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import { csvOf, fileContents, findFile, type Live, saveRecord, storeFile } from '.'

let db: Catalogue
let live: Live
const now = { moment: '2027-03-12T09:30' }

beforeAll(async () => {
  db = await testCatalogue('files')
  const account = await testAccount(db, 'Averil')
  const id = await testBook(db, account, 'Files', [
    { kind: 'addTable', id: 'person', name: 'Person', keyField: 'key' },
    { kind: 'addField', table: 'person', id: 'name', name: 'Name', holds: 'line' },
    { kind: 'addField', table: 'person', id: 'owed', name: 'Owed', holds: 'exact' },
    { kind: 'addField', table: 'person', id: 'photo', name: 'Photo', holds: 'file' },
    { kind: 'changeField', field: 'photo', to: { picturesOnly: true, megabytes: 1 } },
    { kind: 'addField', table: 'person', id: 'letter', name: 'Letter', holds: 'file' },
    { kind: 'addField', table: 'person', id: 'sum', name: '=Sum', holds: 'line' },
  ])
  live = await opened(db, account, id)
})

const picture = (colour: string) =>
  sharp({ create: { width: 900, height: 600, channels: 3, background: colour } })
    .png()
    .toBuffer()
const words = (result: Awaited<ReturnType<typeof storeFile>>) =>
  result.ok ? result.value : wordProblem(result.problem)

test('a picture is kept once for each name and content, with a small one beside it', async () => {
  const contents = await picture('#14625c')
  const first = await storeFile({ db, live }, 'photo', { name: '../../flue.png', contents })
  expect(first).toMatchObject({ ok: true, value: { name: 'flue.png', mediaType: 'image/png', picture: true } })
  const hash = first.ok ? first.value.hash : ''
  expect(await storeFile({ db, live }, 'photo', { name: 'flue.png', contents })).toMatchObject({
    ok: true,
    value: { hash },
  })
  const other = await storeFile({ db, live }, 'photo', { name: 'again.png', contents })
  expect(await findFile({ db, live }, other.ok ? other.value.hash : '')).toMatchObject({ name: 'again.png' })
  expect(await fileContents({ db, live }, hash, false)).toEqual(contents)
  const small = await sharp(await fileContents({ db, live }, hash, true)).metadata()
  expect([small.format, small.width]).toEqual(['webp', 320])
  expect(await findFile({ db, live }, hash)).toMatchObject({ size: contents.length })
})

test.each<[string, string, () => Promise<Buffer>, string]>([
  [
    'a web page called a picture',
    'photo',
    async () => Buffer.from('<script>alert(1)</script>'),
    '“x.png” is not a picture (PNG, JPEG, WebP or GIF).',
  ],
  [
    'a broken picture',
    'photo',
    async () => (await picture('#a00')).subarray(0, 60),
    '“x.png” is not a picture (PNG, JPEG, WebP or GIF).',
  ],
  [
    'too large a file',
    'photo',
    async () => Buffer.alloc(1_100_000, 7),
    'The file is larger than the 1 MB that fit here. Choose a smaller one.',
  ],
  [
    'an empty file',
    'letter',
    async () => Buffer.alloc(0),
    '“x.png” is empty: there is nothing in the file. Choose another one.',
  ],
  ['a file for a field that is none', 'name', async () => picture('#000'), 'That field is no longer in the book.'],
])('%s is refused', async (_what, field, contents, expected) => {
  expect(words(await storeFile({ db, live }, field, { name: 'x.png', contents: await contents() }))).toBe(expected)
})

test('a record can only point to a file that is there', async () => {
  const save = (photo: string) =>
    saveRecord(
      { db, live, who: 'Averil' },
      {
        table: 'person',
        ref: null,
        rev: null,
        values: { name: 'Bram', photo },
        children: [],
      },
    )
  const refused = await save('0'.repeat(64))
  expect(refused.kind === 'refused' && Object.keys(refused.problems.fields)).toEqual(['photo'])
  const kept = await storeFile({ db, live }, 'photo', { name: 'x.png', contents: await picture('#123456') })
  expect((await save(kept.ok ? kept.value.hash : '')).kind).toBe('saved')
  // What another field took is asked by the field it comes to.
  const letter = await storeFile({ db, live }, 'letter', { name: 'x.txt', contents: Buffer.from('no picture') })
  expect(await save(letter.ok ? letter.value.hash : '')).toMatchObject({
    kind: 'refused',
    problems: { fields: { photo: { kind: 'file-not-picture' } } },
  })
  const large = await storeFile({ db, live }, 'letter', {
    name: 'x.png',
    contents: Buffer.concat([await picture('#654321'), Buffer.alloc(2 ** 20)]),
  })
  expect(await save(large.ok ? large.value.hash : '')).toMatchObject({
    kind: 'refused',
    problems: { fields: { photo: { kind: 'file-too-big' } } },
  })
})

test('files that no record refers to go after a day', async () => {
  const names = async () =>
    (await select<{ name: string }>(db, `SELECT file_name AS name FROM \`${live.schema}\`.stored_file ORDER BY 1`)).map(
      (row) => row.name,
    )
  const used = await storeFile({ db, live }, 'letter', { name: 'used.txt', contents: Buffer.from('used') })
  const letter = used.ok ? used.value.hash : ''
  await saveRecord({ db, live, who: 'A' }, { table: 'person', ref: null, rev: null, values: { letter }, children: [] })
  await storeFile({ db, live }, 'letter', { name: 'older.txt', contents: Buffer.from('older') })
  await run(db, `UPDATE \`${live.schema}\`.stored_file SET stored_at = stored_at - INTERVAL 2 DAY`)
  await storeFile({ db, live }, 'letter', { name: 'fresh.txt', contents: Buffer.from('fresh') })
  expect(await names()).toEqual(expect.arrayContaining(['fresh.txt', 'used.txt', 'x.png']))
  expect(await names()).not.toContain('older.txt')
})

test('a list goes out as CSV that no spreadsheet runs and every program reads', async () => {
  for (const [name, owed] of [
    ['=1+1', '-5.00'],
    ['says "hello", twice', null],
    ['@home', '12.5'],
    ['שלום', '0'],
    ['Flue;=1+1', '1'],
  ] as const) {
    await saveRecord(
      { db, live, who: 'Averil' },
      {
        table: 'person',
        ref: null,
        rev: null,
        values: { name, owed },
        children: [],
      },
    )
  }
  let csv = ''
  for await (const part of csvOf({ db, live }, { table: 'person', fields: ['name', 'owed', 'sum'] })) csv += part
  expect(csv.startsWith("\ufeffName,Owed,'=Sum\r\n")).toBe(true)
  expect(csv.split('\r\n').slice(-6)).toEqual([
    `'=1+1,-5.00,`,
    `"says ""hello"", twice",,`,
    `'@home,12.50,`,
    'שלום,0.00,',
    '"Flue;=1+1",1.00,',
    '',
  ])
})

test('a file stays through saves of other values, stands in the form by its name, and in a copy', async () => {
  const sent = await storeFile({ db, live }, 'letter', { name: 'flue drawing.pdf', contents: Buffer.from('a letter') })
  const hash = sent.ok ? sent.value.hash : ''
  const first = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table: 'person',
      ref: null,
      rev: null,
      values: { key: '77', name: 'Ten times', letter: hash },
      children: [],
    },
  )
  let record = first.kind === 'saved' ? first.record : undefined
  for (let time = 0; time < 10; time++) {
    const before = formTextOf(live.book, 'person', record, now)
    expect([before.text.letter, before.labels.letter]).toEqual([hash, 'flue drawing.pdf'])
    const typed = { ...before, text: { ...before.text, name: `Saved ${time} times` } }
    const checked = checkForm(live.book, 'person', typed, now)
    expect(checked.problems).toEqual({})
    const { values, children } = changedRecord(live.book, 'person', before, typed, checked, now)
    expect(values).toEqual({ name: `Saved ${time} times` })
    const { ref, rev } = record!.row
    const outcome = await saveRecord({ db, live, who: 'Averil' }, { table: 'person', ref, rev, values, children })
    record = outcome.kind === 'saved' ? outcome.record : undefined
  }
  const copy = copyText(live.book, 'person', record!, now)
  expect([copy.text.key, copy.text.name, copy.text.letter]).toEqual(['', 'Saved 9 times', hash])
})
