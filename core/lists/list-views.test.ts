import { PGlite } from '@electric-sql/pglite'
import fc from 'fast-check'
import initSqlite, { type Database } from 'sql.js'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { type Book, type Column, fieldWith, type List, tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { handoverScript } from '@/core/opening'
import { leafOf, physicalNames } from '@/core/physical'
import { keyOfRef } from '@/core/records'
import { type Dialect, namesIn, postgresql, sqlite } from '@/core/sql'
import { emberlyDesign } from '@/demo/emberly/design'
import { askedBook } from '@/tests/support/asked-design'
import { listOf, worldOf } from '@/tests/support/random-lists'
import { atLeast, runs } from '@/tests/support/runs'
import { type Known, SlowLists, type World } from '@/tests/support/slow-lists'
import { readList } from './check/check-list'
import { listViews } from './list-views'
import { listQuery } from './statement/view-sql'

const book = askedBook()
const names = physicalNames(book)
const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }

let postgres: PGlite
let lite: Database
beforeAll(async () => {
  postgres = await PGlite.create()
  await postgres.exec(handoverScript(book, postgresql))
  const Sqlite = await initSqlite()
  lite = new Sqlite.Database()
  lite.exec(handoverScript(book, sqlite))
}, 60_000)
afterAll(async () => {
  await postgres.close()
  lite.close()
})

function rowOf(tableId: string, { values, links }: Known) {
  return tableOf(book, tableId).fields.flatMap((field) => {
    const columns = names.columns(tableId, field.id)
    if (field.kind !== 'link') return columns.map(({ name }) => [name, values[field.id] ?? null] as const)
    const ref = links[field.id] ?? null
    const key = ref === null ? undefined : keyOfRef(ref, columns.length)
    return columns.map(
      ({ name, leaf }, at) => [name, key ? String(kindOf(leafOf(book, leaf).kind).store(key[at]!)) : null] as const,
    )
  })
}

/** The statements that put records in the place of all that are there. */
function writing(world: World, { quoteName, quoteText }: Dialect): string {
  const order = ['payment', 'paper', 'house-person', 'visit', 'house', 'person']
  const put = (id: string) =>
    world[id]!.map((record) => {
      const cells = rowOf(id, record)
      const values = cells.map(([, value]) => (value === null ? 'NULL' : quoteText(value)))
      return `INSERT INTO ${quoteName(names.table(id))} (${cells.map(([name]) => quoteName(name)).join(', ')}) VALUES (${values.join(', ')});`
    })
  return [
    ...order.map((id) => `DELETE FROM ${quoteName(names.table(id))};`),
    ...[...order].reverse().flatMap(put),
  ].join('\n')
}

/** A value as it is compared: databases write numbers and moments each their own way. */
function told(column: Column, value: unknown): unknown {
  if (value === null || value === undefined || value === '') return null
  const { shows } = column
  if (isLinkColumn(column)) return 'something'
  if (shows.kind === 'several') return String(value).split(', ').map(numbered).sort()
  return numbered(value instanceof Date ? value.toISOString().slice(0, 10) : String(value))
}
const numbered = (text: string) => (/^-?\d+(\.\d+)?$/.test(text) ? String(Math.round(Number(text) * 100) / 100) : text)
const isLinkColumn = ({ shows }: Column) =>
  (shows.kind === 'field' || shows.kind === 'several') && fieldWith(book, shows.place.field).field.kind === 'link'

function expected(slow: SlowLists, list: List): unknown[][] {
  const records = slow.records(list)
  return records.slice(0, list.first ?? records.length).map((record) =>
    list.columns.map((column) => {
      if (column.shows.kind === 'along') return told(column, slow.along(list, records, record, column))
      const cell = slow.cell(record, column)
      if (!Array.isArray(cell)) return told(column, cell)
      const there = cell.filter((one) => one !== null)
      if (there.length === 0) return null
      return isLinkColumn(column) ? 'something' : there.map((one) => numbered(one)).sort()
    }),
  )
}

/** SQLite has no exact decimals: where a half is rounded, the last of them may be another. */
function nearly(rows: readonly unknown[][], wished: readonly unknown[][]): unknown[][] {
  const isNear = (one: unknown, other: unknown) =>
    typeof one === 'string' && typeof other === 'string' && Math.abs(Number(one) - Number(other)) <= 0.11
  return rows.map((row, line) => row.map((cell, at) => (isNear(cell, wished[line]?.[at]) ? wished[line]![at] : cell)))
}

const queryIn = (one: Book, list: List, dialect: Dialect) => {
  const found = readList(one, list, answers)
  if (!('read' in found)) throw new Error(JSON.stringify(found.faults))
  return listQuery(one, found.read, namesIn(one, dialect))
}

test('any list says in PostgreSQL and in SQLite what looking at every record by itself says', async () => {
  const tried = { rows: 0 }
  await fc.assert(
    fc.asyncProperty(worldOf(book), fc.array(listOf(book), { minLength: 8, maxLength: 8 }), async (world, lists) => {
      await postgres.exec(writing(world, postgresql))
      lite.exec(writing(world, sqlite))
      const slow = new SlowLists(book, world)
      for (const { groups: _groups, ...all } of lists) {
        // Numbers within texts are put in order by MariaDB alone.
        const list = { ...all, order: all.order.map(({ natural: _natural, ...one }) => one) }
        const wished = expected(slow, list)
        const inPostgres = await postgres.query(queryIn(book, list, postgresql), [], { rowMode: 'array' })
        const inLite = lite.exec(queryIn(book, list, sqlite))[0]?.values ?? []
        const read = (rows: readonly unknown[]) =>
          rows.map((row) => list.columns.map((column, at) => told(column, (row as unknown[])[at])))
        expect({ list, rows: read(inPostgres.rows) }).toEqual({ list, rows: wished })
        expect({ list, rows: nearly(read(inLite), wished) }).toEqual({ list, rows: wished })
        tried.rows += wished.length
      }
    }),
    { ...runs(40), endOnFailure: true },
  )
  expect(tried.rows).toBeGreaterThan(atLeast(300))
}, 120_000)

test('everybody’s lists become views, what can’t be one is named, and others’ own lists stay theirs', () => {
  const list = (id: string, more: Partial<List>): List => ({
    id,
    table: 'visit',
    columns: [{ id: 'a', shows: { kind: 'field', place: { way: [], field: 'visit_day' } } }],
    asks: [],
    order: [],
    ...more,
  })
  const place = { way: [], field: 'visit_day' }
  const lists = [
    list('one', { name: 'Visit' }),
    list('two', { name: 'Due', where: { kind: 'within', place, span: { which: 'last', unit: 'month' } } }),
    list('twins', { name: 'Twins', where: { kind: 'repeats', places: [place], nearly: true } }),
    list('own', { name: 'Mine alone', owner: 'averil' }),
  ]
  const script = listViews({ ...book, lists }, sqlite)
  expect(script).toContain('CREATE VIEW "Visit 2" AS')
  expect(script).toContain('-- Twins: it asks for what is nearly the same')
  expect(script).toContain('CREATE VIEW "Due" AS')
  expect(script).not.toContain('Mine alone')
  lite.exec(script)
  expect(() => lite.exec('SELECT * FROM "Visit 2"')).not.toThrow()
  lite.exec('DROP VIEW "Visit 2"; DROP VIEW "Due"')
})

test('the lists of the demo stand in both databases as views that can be read', async () => {
  const { book: demo } = emberlyDesign()
  const other = await PGlite.create()
  await other.exec(handoverScript(demo, postgresql) + listViews(demo, postgresql))
  const Sqlite = await initSqlite()
  const small = new Sqlite.Database()
  small.exec(handoverScript(demo, sqlite) + listViews(demo, sqlite))
  // One asks for what is nearly the same, which neither of them can.
  const left = demo.lists.filter(({ where }) => JSON.stringify(where ?? null).includes('"nearly":true'))
  expect(left.map(({ name }) => listViews(demo, sqlite).includes(`-- ${name!}: it asks`))).toEqual([true])
  for (const { name } of demo.lists.filter((list) => !left.includes(list))) {
    expect((await other.query(`SELECT * FROM "${name!}"`)).rows).toEqual([])
    expect(small.exec(`SELECT * FROM "${name!}"`)).toEqual([])
  }
  await other.close()
  small.close()
}, 60_000)
