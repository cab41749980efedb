import { beforeAll, expect, test } from 'vitest'
import { type Edit, tableOf } from '@/core/book'
import { readDraft } from '@/core/rules'
import { editAll, opened, stored, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import type { Account } from '../../people'
import { type Live, openBook, saveRecord } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('rules')
  account = await testAccount(db, 'Averil')
})

const loans: Edit[] = [
  { kind: 'addTable', id: 'loan', name: 'Loan', keyField: 'key' },
  { kind: 'addField', table: 'loan', id: 'lent', name: 'Lent on', holds: 'date' },
  { kind: 'addField', table: 'loan', id: 'back', name: 'Returned on', holds: 'date' },
  { kind: 'addField', table: 'loan', id: 'state', name: 'State', holds: 'choice' },
  { kind: 'changeField', field: 'state', to: { choices: ['out', 'in'].map((word) => ({ id: word, word })) } },
]

async function loanBook(name: string) {
  const id = await testBook(db, account, name, loans)
  const rule = async (source: string, words: string, ruleId = 'r'): Promise<void> => {
    const { book } = await stored(db, id)
    const read = readDraft(book, tableOf(book, 'loan'), { kind: 'written', source })
    if (!read.says) throw new Error(source)
    await editAll(db, account, id, [
      {
        kind: 'addRule',
        id: ruleId,
        table: 'loan',
        says: read.says,
        words,
      },
    ])
  }
  const open = async () => {
    const sheet = await openBook(db, id, account.id)
    return sheet.ok ? sheet.value.blocked : [sheet.problem.kind]
  }
  return { id, rule, open, edit: (...edits: Edit[]) => editAll(db, account, id, edits) }
}

const save = (live: Live, values: Record<string, string>) =>
  saveRecord({ db, live, who: 'Averil' }, { table: 'loan', ref: null, rev: null, values, children: [] })

test('a rule refuses on save and from plain SQL, with its own words', async () => {
  const { id, rule } = await loanBook('Twice')
  await rule('"Returned on" >= "Lent on"', 'It can’t come back before it went out.')
  const live = await opened(db, account, id)
  expect(await save(live, { lent: '2027-03-12', back: '2027-03-11' })).toMatchObject({
    kind: 'refused',
    problems: { fields: { back: { kind: 'in-own-words', words: 'It can’t come back before it went out.' } } },
  })
  const first = await save(live, { lent: '2027-03-12' })
  expect(first).toMatchObject({ kind: 'saved' })
  const insert = (back: string) =>
    run(
      db,
      `INSERT INTO \`${live.schema}\`.loan (loan_number, lent_on, returned_on) VALUES (77, '2027-03-12', ${back})`,
    )
  await expect(insert("'2027-03-11'")).rejects.toThrow(/loan_rule_r/)
  await expect(insert("'2027-03-13'")).resolves.not.toThrow()
  // A change that sends one field alone is asked by the database, and told in the same words.
  const changed = await saveRecord(
    { db, live, who: 'Averil' },
    {
      table: 'loan',
      ref: '1',
      rev: 1,
      values: { back: '2026-01-01' },
      children: [],
    },
  )
  expect(changed).toMatchObject({
    kind: 'refused',
    problems: { fields: { back: { kind: 'in-own-words', words: 'It can’t come back before it went out.' } } },
  })
})

test('a rule that records break already stands in the way of opening, with how many', async () => {
  const { id, rule, open } = await loanBook('Broken')
  const live = await opened(db, account, id)
  await save(live, { lent: '2027-03-12', back: '2027-03-11', state: 'in' })
  await save(live, { lent: '2027-03-12' })
  await rule(`State = 'out' OR "Returned on" >= "Lent on"`, 'Say when it came back.')
  expect(await open()).toEqual(['1 loan breaks the rule “Say when it came back.”. Change it in Records first.'])
  await run(db, `UPDATE \`${live.schema}\`.loan SET returned_on = '2027-03-12' WHERE returned_on IS NOT NULL`)
  expect(await open()).toEqual([])
})

test('a rule follows its fields’ names, and says when it can’t hold any more', async () => {
  const { id, rule, open, edit } = await loanBook('Followed')
  await rule(`State <> 'out' OR "Returned on" IS NULL`, 'What is out isn’t back.')
  await edit({ kind: 'changeField', field: 'back', to: { name: 'Came home' } })
  const live = await opened(db, account, id)
  const [row] = await select<Record<string, string>>(db, `SHOW CREATE TABLE \`${live.schema}\`.loan`)
  expect(row!['Create Table']).toContain('`came_home` is null')
  await edit({ kind: 'changeField', field: 'state', to: { kind: 'whole' } })
  expect((await open())[0]).toMatch(
    /^The rule “What is out isn’t back.” of Loan can’t be kept: A number can’t be compared with text\./,
  )
  await edit({ kind: 'removeField', field: 'back' })
  expect((await stored(db, id)).book.rules).toEqual([])
})
