import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { billedJobs, jobBill } from '@/tests/support/billed-jobs'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Edit } from '@/core/book'
import { editBook } from '../books'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import { type Live, openBook, saveRecord } from '../live'
import { handOut } from './hand-out'
import type { PaperBody } from './hand-out'
import type { Writings } from './lay-documents'
import { mailDocuments } from './mail-documents'

let db: Catalogue
let live: Live
let account: string
let book: string
const at = (name: string) => `\`${live.schema}\`.${name}`
beforeAll(async () => {
  db = await testCatalogue('notedday')
  const averil = await testAccount(db, 'Averil')
  account = averil.id
  book = await testBook(db, averil, 'Jobs', billedJobs)
  live = await opened(db, averil, book)
})
beforeEach(async () => {
  for (const table of ['papers', 'paper_numbers', 'mails']) await run(db, `DELETE FROM \`${db.catalogue}\`.${table}`)
  await run(db, `DELETE FROM ${at('line')}`)
  await run(db, `DELETE FROM ${at('job')}`)
  await run(
    db,
    `INSERT INTO ${at('job')} (job_number, address, ready_on) SELECT seq, CONCAT('una', seq, '@otterby.example'), '2027-03-01' FROM ${at('seq_1_to_12')}`,
  )
  await run(
    db,
    `INSERT INTO ${at('line')} (line_number, amount, job) SELECT seq, 10, 1 + seq MOD 12 FROM ${at('seq_1_to_48')}`,
  )
})

const handing = (refs: readonly string[], moment = '2027-03-12T10:00', template = jobBill) => ({
  db,
  book,
  account,
  writings: {
    reads: { db, live },
    template,
    answers: { given: {}, now: { moment }, lists: [] },
    of: { refs },
    letterhead: undefined,
    who: 'Averil',
  } satisfies Writings,
})
const jobs = (refs: readonly string[]) =>
  select<{ number: number; billed: string | null; total: string }>(
    db,
    `SELECT job_number AS number, CAST(billed_on AS CHAR) AS billed, CAST(total AS CHAR) AS total FROM ${at('job_full')} WHERE job_number IN (${refs.join(', ')}) ORDER BY 1`,
  )
const papers = async () =>
  (
    await select<{ ref: string; body: string }>(db, `SELECT ref, body FROM \`${db.catalogue}\`.papers ORDER BY number`)
  ).map(({ ref, body }) => ({
    ref,
    words: (JSON.parse(body) as PaperBody).pages.flatMap(({ items }) =>
      items.flatMap((item) => (item.kind === 'text' ? [item.words] : [])),
    ),
  }))

describe('handing out', () => {
  test('notes the day on its records, and what freezes by that stays as on the paper', async () => {
    expect(await handOut(handing(['1', '2']))).toMatchObject({ ok: true })
    expect(await jobs(['1', '2', '3'])).toEqual([
      { number: 1, billed: '2027-03-12', total: '40.00' },
      { number: 2, billed: '2027-03-12', total: '40.00' },
      { number: 3, billed: null, total: '40.00' },
    ])
    // The paper says so already.
    expect((await papers())[0]!.words).toEqual(expect.arrayContaining(['£40.00', '12 Mar 2027']))
    await run(db, `UPDATE ${at('line')} SET amount = 99`)
    expect((await jobs(['1', '3'])).map(({ total }) => total)).toEqual(['40.00', '396.00'])
    // The first day stays, and so does what was frozen then.
    expect(await handOut(handing(['1', '3'], '2027-04-01T10:00'))).toMatchObject({ ok: true })
    expect(await jobs(['1', '3'])).toEqual([
      { number: 1, billed: '2027-03-12', total: '40.00' },
      { number: 3, billed: '2027-04-01', total: '396.00' },
    ])
  })

  test('that a rule doesn’t let be noted hands out nothing, and says of which record and why', async () => {
    await run(db, `UPDATE ${at('job')} SET ready_on = NULL WHERE job_number = 5`)
    const made = await handOut(handing(['4', '5', '6']))
    expect(made).toEqual({
      ok: false,
      problem: { kind: 'document-note-refused', record: '5', words: 'A job is billed when it is ready.' },
    })
    expect(await papers()).toEqual([])
    expect((await jobs(['4', '5', '6'])).map(({ billed }) => billed)).toEqual([null, null, null])
    expect(await select(db, `SELECT * FROM \`${db.catalogue}\`.paper_numbers`)).toEqual([])
  })

  test('by e-mail notes it too, on those alone that get one', async () => {
    await run(db, `UPDATE ${at('job')} SET address = NULL WHERE job_number = 8`)
    expect(await mailDocuments(handing(['7', '8']))).toEqual({ ok: true, value: 1 })
    expect((await jobs(['7', '8'])).map(({ billed }) => billed)).toEqual(['2027-03-12', null])
  })

  test('in a field that is gone is said before anything is handed out', async () => {
    const template = { ...jobBill, handed: { notes: 'sold' } }
    expect(await handOut(handing(['1'], undefined, template))).toMatchObject({
      problem: { kind: 'document-notes-gone', table: 'Job' },
    })
  })

  test('while the book is opened with another design either does it whole or says to try again', async () => {
    const own = await testAccount(db, 'Cora')
    const other = await testBook(db, own, 'Reopened', billedJobs)
    const before = await opened(db, own, other)
    await run(
      db,
      `INSERT INTO \`${before.schema}\`.job (job_number, ready_on) SELECT seq, '2027-03-01' FROM \`${before.schema}\`.seq_1_to_400`,
    )
    let isGoing = true
    const openings = (async () => {
      for (let turn = 0; turn < 6; turn++) {
        const edits: Edit[] = [
          { kind: 'changeField', field: 'amount', to: { name: turn % 2 ? 'Amount' : 'Sum' } },
          { kind: 'changeField', field: 'ready', to: { name: turn % 2 ? 'Ready on' : 'Done on' } },
        ]
        for (const edit of edits) await editBook(db, other, own.id, edit, [])
        expect(await openBook(db, other, own.id)).toMatchObject({ ok: true })
      }
    })().finally(() => (isGoing = false))
    const met = new Map<string, number>()
    let given = 0
    for (let at = 1; isGoing || at < 10; at += 4) {
      const refs = [at, at + 1, at + 2, at + 3].map(String)
      // As a screen does: with the design that it has, which may be the one before.
      const wish = handing(refs)
      const made = await handOut({ ...wish, book: other, writings: { ...wish.writings, reads: { db, live: before } } })
      const said = made.ok ? 'handed out' : made.problem.kind
      met.set(said, (met.get(said) ?? 0) + 1)
      if (made.ok) given += refs.length
    }
    await openings
    expect([...met.keys()].filter((said) => !['handed out', 'being-opened'].includes(said))).toEqual([])
    const [{ papers = -1 } = {}] = await select<{ papers: number }>(
      db,
      `SELECT COUNT(*) AS papers FROM \`${db.catalogue}\`.papers WHERE book_id = ?`,
      [other],
    )
    const [{ noted = -1 } = {}] = await select<{ noted: number }>(
      db,
      `SELECT COUNT(*) AS noted FROM \`${before.schema}\`.job WHERE billed_on IS NOT NULL`,
    )
    expect([Number(papers), Number(noted)]).toEqual([given, given])
    expect(met.get('handed out')).toBeGreaterThan(0)
  }, 120_000)

  test('while others change its rows and itself, prints what is frozen, and rows that add up to it', async () => {
    let isGoing = true
    let changed = 0
    // Other tools that come to be in the way begin anew, as Records does.
    const change = async (sql: string, params: readonly number[]) => {
      while (isGoing)
        try {
          return await run(db, sql, [...params])
        } catch (cause) {
          if ((cause as { errno?: number }).errno !== 1213) throw cause
        }
    }
    const changing = async (seed: number) => {
      for (let turn = seed; isGoing; turn += 3, changed++) {
        const line = 1 + (turn % 48)
        if (turn % 3 === 0)
          await change(`UPDATE ${at('line')} SET amount = ? WHERE line_number = ?`, [turn % 100, line])
        else if (turn % 3 === 1)
          await change(`INSERT INTO ${at('line')} (line_number, amount, job) VALUES (?, ?, ?)`, [
            100 + turn,
            turn % 50,
            1 + (turn % 12),
          ])
        else {
          const ref = String(1 + (turn % 12))
          const [row] = await select<{ rev: number }>(
            db,
            `SELECT row_rev AS rev FROM ${at('job')} WHERE job_number = ?`,
            [ref],
          )
          await saveRecord(
            { db, live, who: 'Bram' },
            { table: 'job', ref, rev: row!.rev, values: { ready: `2027-02-${10 + (turn % 18)}` }, children: [] },
          )
        }
      }
    }
    const others = [changing(1), changing(2), changing(3)]
    const all = Array.from({ length: 12 }, (_, one) => String(one + 1))
    // Two hand the same out at the same moment, again and again from another record on.
    for (let first = 0; first < 12; first += 4) {
      const made = await Promise.all([
        handOut(handing(all.slice(first, first + 4))),
        handOut(handing(all.slice(first, first + 4).reverse())),
      ])
      expect(made).toMatchObject([{ ok: true }, { ok: true }])
    }
    isGoing = false
    await Promise.all(others)
    expect(changed).toBeGreaterThan(20)
    const frozen = new Map((await jobs(all)).map(({ number, total }) => [String(number), total]))
    const seen = new Set<string>()
    for (const { ref, words } of await papers()) {
      const total = words[words.indexOf('Total') + 1]
      expect(total).toBe(`£${frozen.get(ref)}`)
      const amounts = words.filter((one) => /^\d+\.00$/.test(one)).map(Number)
      const sum = amounts.pop()
      expect(amounts.reduce((one, other) => one + other, 0)).toBe(sum)
      // The first paper of each is the one with which it froze: later ones have the rows of later.
      if (!seen.has(ref)) expect(`£${sum!.toFixed(2)}`).toBe(total)
      seen.add(ref)
    }
    expect(seen.size).toBe(12)
  })
})
