import { beforeAll, expect, test } from 'vitest'
import type { Block, Column, Template } from '@/core/book'
import { documentMeasures, readTemplate, rowWays } from '@/core/reports'
import { wordProblem } from '@/core/words'
import { askedDesign } from '@/tests/support/asked-design'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Live } from '../live'
import { fillDocuments } from './fill-documents'

let db: Catalogue
let live: Live

const houses = [1, 2, 3].map(String)
const people = [1, 2, 3, 4, 5].map(String)

beforeAll(async () => {
  db = await testCatalogue('beyond')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Asked', askedDesign))
  const at = (name: string) => `\`${live.schema}\`.${name}`
  await run(db, `INSERT INTO ${at('house')} (house_number, town) VALUES (1, 'Otterby'), (2, 'Ash'), (3, NULL)`)
  await run(
    db,
    `INSERT INTO ${at('person')} (person_number, name) SELECT seq, CONCAT('P', seq) FROM ${at('seq_1_to_5')}`,
  )
  // The first lives in two houses, two share one, the last lives nowhere.
  await run(db, `INSERT INTO ${at('tenancy')} (house, person) VALUES (1, 1), (2, 1), (2, 2), (3, 3)`)
  await run(
    db,
    `INSERT INTO ${at('visit')} (visit_number, day, state, price, house, lead)
     SELECT seq, '2027-01-01', IF(seq MOD 4, 'done', 'booked'), seq * 1.01, IF(seq MOD 7, 1 + seq MOD 3, NULL), 1 + seq MOD 4
     FROM ${at('seq_1_to_40')}`,
  )
  await run(
    db,
    `INSERT INTO ${at('payment')} (payment_number, amount, paid, visit)
     SELECT seq, seq * 0.37, '2027-03-01', 1 + seq MOD 35 FROM ${at('seq_1_to_90')}`,
  )
})

const own = (id: string, field: string): Column => ({ id, shows: { kind: 'field', place: { way: [], field } } })

const filled = async (table: string, block: Extract<Block, { kind: 'rows' }>, refs: readonly string[]) => {
  const template: Template = {
    ...{ id: 'doc', table, name: 'Doc', letters: 10, columns: [], blocks: [block] },
    paper: { size: 'a4', margin: 20 },
  }
  const answers = { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [] }
  const found = readTemplate(live.book, template, answers)
  if (!('read' in found)) throw new Error(found.faults.map(({ problem }) => wordProblem(problem)).join(' '))
  expect(documentMeasures(found.read).frame.width).toBeGreaterThan(0)
  const all = await fillDocuments({ reads: { db, live }, answers, read: found.read }, refs)
  return Object.fromEntries(all.map(({ ref, rows }) => [ref, rows[block.id]!]))
}

const wayTo = (from: string, ...tables: string[]) => {
  const found = rowWays(live.book, from).filter(({ way }) => {
    const names = way.map((hop) =>
      hop.to === 'rows'
        ? live.book.links.find(({ id }) => id === hop.link)!.many
        : live.book.links.find(({ field }) => field === hop.field)!.one,
    )
    return names.join() === tables.join()
  })
  expect(found.length).toBeGreaterThan(0)
  return found[0]!
}

const joining = () => live.book.links.find(({ one, many }) => one === 'person' && !['visit'].includes(many))!.many

test('rows of what a record’s rows lead to: each once for each whose it is, in their order, with what they come to', async () => {
  const { way } = wayTo('person', joining(), 'house', 'visit')
  const block: Extract<Block, { kind: 'rows' }> = {
    ...{ kind: 'rows', id: 'visits', way, columns: [own('number', 'visit-key'), own('price', 'visit_price')] },
    order: [{ column: 'price', down: true }],
    where: { kind: 'compare', place: { way: [], field: 'visit_state' }, how: 'is', with: [{ value: 'done' }] },
    figures: [{ column: 'price', name: 'total' }],
  }
  const got = await filled('person', block, people)
  for (const person of people) {
    const expected = await select<{ number: string; price: string }>(
      db,
      `SELECT DISTINCT v.visit_number AS number, FORMAT(v.price, 2) AS price, v.price AS raw FROM \`${live.schema}\`.visit v
       JOIN \`${live.schema}\`.tenancy t ON t.house = v.house WHERE t.person = ? AND v.state = 'done' ORDER BY v.price DESC`,
      [person],
    )
    const [sum] = await select<{ total: string | null }>(
      db,
      `SELECT FORMAT(SUM(price), 2) AS total FROM \`${live.schema}\`.visit
       WHERE state = 'done' AND house IN (SELECT house FROM \`${live.schema}\`.tenancy WHERE person = ?)`,
      [person],
    )
    const { rows, sums } = got[person]!
    expect(rows).toEqual(expected.map(({ number, price }) => [String(number), price]))
    expect(sums?.[1] ?? null).toBe(sum!.total)
  }
  expect(got['1']!.rows.length).toBeGreaterThan(got['2']!.rows.length)
  expect(got['5']!.rows).toEqual([])
})

test('rows of one record that it leads to: the same for all who lead there', async () => {
  const { way } = wayTo('visit', 'house', 'visit')
  const block: Extract<Block, { kind: 'rows' }> = {
    ...{ kind: 'rows', id: 'others', way, columns: [own('number', 'visit-key')] },
    order: [{ column: 'number' }],
  }
  const got = await filled('visit', block, ['1', '4', '2', '7'])
  const at = async (visit: string) =>
    (
      await select<{ number: number }>(
        db,
        `SELECT v.visit_number AS number FROM \`${live.schema}\`.visit v JOIN \`${live.schema}\`.visit o ON o.house = v.house
         WHERE o.visit_number = ? ORDER BY v.visit_number`,
        [visit],
      )
    ).map(({ number }) => [String(number)])
  for (const visit of ['1', '4', '2', '7']) expect(got[visit]!.rows).toEqual(await at(visit))
  expect(got['1']!.rows).toEqual(got['4']!.rows)
  expect(got['7']!.rows).toEqual([])
})

test('whatever way is offered can be read for every table; where a row has a key of several fields, too', async () => {
  let beyond = 0
  for (const table of live.book.tables) {
    for (const { way, end } of rowWays(live.book, table.id)) {
      const block: Extract<Block, { kind: 'rows' }> = {
        ...{ kind: 'rows', id: 'any', way, order: [], columns: [own('key', end.key[0]!)] },
      }
      const refs = table.id === 'person' ? people : table.id === 'house' ? houses : ['1', '2', '3']
      const got = await filled(table.id, block, refs)
      if (way.some(({ to }) => to === 'one')) beyond += Object.values(got).flatMap(({ rows }) => rows).length
    }
  }
  expect(beyond).toBeGreaterThan(50)
})
