import { PGlite } from '@electric-sql/pglite'
import fc from 'fast-check'
import initSqlite, { type Database } from 'sql.js'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { emptyBook, tableOf } from '@/core/book'
import { emberlyDesign } from '@/demo/emberly/design'
import { evaluate, readExpression, type Tree } from '@/core/expressions'
import { type ColumnType, plainLook } from '@/core/kinds'
import { made } from '@/tests/support/made'
import { anything, factsOf, computedDesign, type Row, type World, world } from '@/tests/support/random-expressions'
import { handoverScript } from '.'
import { physicalNames } from '../physical'
import { type Dialect, expressionSql, postgresql, sqlite } from '../sql'
import { wordProblem } from '@/core/words'
import { atLeast, runs } from '@/tests/support/runs'

const book = made(emptyBook('Computing', plainLook), ...computedDesign)
const names = physicalNames(book)
const now = { moment: '2027-03-12T09:30' }

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

/** The statements that write a world down, in place of what was there. */
function writing({ house, job, lines }: World, dialect: Dialect): string {
  const put = (table: string, row: Row) => {
    const cells = Object.entries(row).map(([id, value]) => {
      const [column] = names.columns(table, id)
      const tick = column!.type.is === 'truth' && dialect === postgresql
      const stored = value === null ? 'NULL' : dialect.quoteText(stores(value, column!.type.is))
      return [dialect.quoteName(column!.name), tick ? `${stored}::BOOLEAN` : stored] as const
    })
    return `INSERT INTO ${dialect.quoteName(names.table(table))} (${cells.map(([name]) => name).join(', ')}) VALUES (${cells.map(([, value]) => value).join(', ')});`
  }
  return [
    ...['line', 'job', 'house'].map((table) => `DELETE FROM ${dialect.quoteName(names.table(table))};`),
    ...(house ? [put('house', { 'house-key': '1', ...house })] : []),
    put('job', { 'job-key': '1', 'job-of': house ? '1' : null, ...job }),
    ...lines.map((line, at) => put('line', { 'line-key': String(at + 1), 'line-of': '1', ...line })),
  ].join('\n')
}

const stores = (value: string, type: ColumnType['is']) =>
  type === 'moment' ? `${value.replace('T', ' ')}:00` : type === 'time' ? `${value}:00` : value

const computedBy = (tree: Tree, dialect: Dialect) =>
  `SELECT ${expressionSql(book, names, 'job', tree, 'j', 'plain', dialect)} AS value FROM ${dialect.quoteName(names.table('job'))} AS j`

const read = (source: string) => readExpression(book, tableOf(book, 'job'), source)

async function inPostgres(tree: Tree): Promise<string | null> {
  const { rows } = await postgres.query<{ value: string | null }>(
    `SELECT CAST(value AS TEXT) AS value FROM (${computedBy(tree, postgresql)}) AS t`,
  )
  const { value } = rows[0]!
  if (value === null) return null
  switch (tree.type.is) {
    case 'truth':
      return value === 'true' ? '1' : '0'
    case 'moment':
      return value.slice(0, 16).replace(' ', 'T')
    case 'time':
      return value.slice(0, 5)
    default:
      return value
  }
}

let computed = 0
test('the browser and PostgreSQL compute the same, whatever the expression and the record', async () => {
  await fc.assert(
    fc.asyncProperty(world, fc.array(anything, { minLength: 12, maxLength: 12 }), async (one, sources) => {
      await postgres.exec(writing(one, postgresql))
      const facts = factsOf(one)
      for (const source of sources) {
        const checked = read(source)
        if ('problem' in checked) continue
        computed++
        const here = evaluate(checked.tree, facts, now)
        expect({ source, value: await inPostgres(checked.tree) }).toEqual({ source, value: here })
      }
    }),
    runs(150),
  )
  expect(computed).toBeGreaterThan(atLeast(400))
}, 120_000)

/** As the program keeps it; SQLite knows no yes and no, and leaves noughts behind the point out. */
function inSqlite(tree: Tree): string | null {
  const value = lite.exec(computedBy(tree, sqlite))[0]!.values[0]![0]
  if (value === null || value === undefined) return null
  if (tree.type.is === 'exact') return (Number(value) || 0).toFixed(tree.type.scale)
  if (tree.type.is === 'moment') return String(value).slice(0, 16).replace(' ', 'T')
  return String(value)
}

test.each([
  'Price + 0.105 * 3 - "Number of visits"',
  'Price * Share / 7',
  'Price / 0',
  'ROUND(Price / 3, 2) * 100',
  'ROUND(-2.5)',
  'MOD(Price, 0.3)',
  'MOD(-7, 2)',
  'CEILING(-1.5) + FLOOR(-1.5) + CEILING(1.2) + FLOOR(7)',
  'SUM("Work line".Amount)',
  'AVG("Work line".Amount)',
  'COUNT("Work line") FILTER (WHERE "Work line".Extra)',
  'MAX("Work line".Day)',
  "Begun + INTERVAL '1' MONTH",
  "Begun - INTERVAL '11' MONTH",
  "DATE '2024-02-29' + INTERVAL '1' YEAR",
  'Done - Begun',
  '"Booked for" + INTERVAL \'1\' MONTH',
  '"Booked for" - INTERVAL \'90\' MINUTE',
  'CAST("Booked for" AS DATE)',
  'EXTRACT(MONTH FROM Begun) + EXTRACT(MINUTE FROM At)',
  "Name || ', ' || Price || ' ' || \"Number of visits\" || ' ' || Begun || ' ' || At",
  'SUBSTRING(Name FROM -1 FOR 4)',
  'SUBSTRING(Name FROM 2)',
  "POSITION('a' IN Name)",
  'UPPER(TRIM(Name))',
  'CAST(NULLIF(Price, Price) AS VARCHAR(20))',
  "Name = 'oak 50% '",
  "NULLIF(Name, 'OAK 50%')",
  "Name IN ('OAK 50%', 'ash')",
  "Name LIKE 'o_k%'",
  "Name LIKE '%50|%' ESCAPE '|'",
  'Urgent OR Price > 5',
  'House IS NULL',
  'CASE WHEN Price BETWEEN 5 AND 20 THEN House.Town ELSE Note END',
  "At < TIME '12:30'",
])('SQLite computes the same: %s', (source) => {
  const lines = ['1.10', '2.20', null].map((amount, at) => ({
    'line-amount': amount,
    'line-day': `2027-0${at + 1}-28`,
    'line-extra': at === 1 ? '1' : '0',
  }))
  const one: World = {
    house: { 'house-town': 'Otterby', 'house-floors': '2' },
    job: {
      'job-name': 'Oak 50%',
      'job-note': null,
      'job-number-of-visits': '12',
      'job-price': '10.10',
      'job-share': '0.33333',
      'job-weight': '2.5',
      'job-begun': '2027-01-31',
      'job-done': '2028-03-01',
      'job-at': '09:15',
      'job-booked-for': '2027-12-31T23:45',
      'job-urgent': '1',
    },
    lines,
  }
  lite.exec(writing(one, sqlite))
  const checked = read(source)
  if ('problem' in checked) throw new Error(wordProblem(checked.problem))
  expect(inSqlite(checked.tree)).toBe(evaluate(checked.tree, factsOf(one), now))
})

const emberly = emberlyDesign().book

test('the demo book stands in PostgreSQL, and refuses there what it says', async () => {
  const other = await PGlite.create()
  await other.exec(handoverScript(emberly, postgresql))
  const { rows } = await other.query<{ count: number }>(
    `SELECT COUNT(*)::INT AS count FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'`,
  )
  expect(rows[0]!.count).toBe(emberly.tables.length + 1)
  await other.exec(`INSERT INTO premises (premises_number, address, town) VALUES ('P-1', '4 Ferry Lane', 'Otterby')`)
  await expect(
    other.exec(`INSERT INTO premises (premises_number, address, town) VALUES ('P-2', '', 'Otterby')`),
  ).rejects.toThrow(/check/)
  await other.close()
}, 60_000)

test('the demo book stands in SQLite, with its views, and names what it can’t keep', async () => {
  const Sqlite = await initSqlite()
  const other = new Sqlite.Database()
  const script = handoverScript(emberly, sqlite)
  other.exec(script)
  const count = (type: string) =>
    other.exec(`SELECT COUNT(*) FROM sqlite_master WHERE type = '${type}'`)[0]!.values[0]![0] as number
  expect(count('table')).toBe(emberly.tables.length + 1)
  for (const [view] of other.exec(`SELECT name FROM sqlite_master WHERE type = 'view'`)[0]!.values)
    other.exec(`SELECT * FROM "${String(view)}"`)
  expect(count('view')).toBeGreaterThan(2)
  expect(() => other.exec(`INSERT INTO premises (premises_number, address) VALUES ('P-2', '')`)).toThrow(/CHECK/)
  for (const rule of emberly.rules.filter(({ says }) => says.kind === 'apart')) expect(script).toContain(rule.words)
  other.close()
})
