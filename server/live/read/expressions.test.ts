import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { tableOf } from '@/core/book'
import { evaluate, readExpression, type Tree } from '@/core/expressions'
import { physicalNames } from '@/core/physical'
import { expressionSql } from '@/core/sql'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { anything, factsOf, computedDesign, type Row, type World, world } from '@/tests/support/random-expressions'
import type { Catalogue } from '../../catalogue'
import { run, select } from '../../database'
import { wordProblem } from '@/core/words'
import type { Live } from '..'

let db: Catalogue
let live: Live

beforeAll(async () => {
  db = await testCatalogue('expressions')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Computing', computedDesign))
})

async function write({ house, job, lines }: World): Promise<void> {
  const names = physicalNames(live.book, live.schema)
  for (const table of ['line', 'job', 'house']) await run(db, `DELETE FROM ${names.quoted(table)}`)
  const put = (table: string, row: Row) => {
    const columns = Object.keys(row).map((id) => `\`${names.columns(table, id)[0]!.name}\``)
    return run(
      db,
      `INSERT INTO ${names.quoted(table)} (${columns.join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
      Object.values(row),
    )
  }
  if (house) await put('house', { 'house-key': '1', ...house })
  await put('job', { 'job-key': '1', 'job-of': house ? '1' : null, ...job })
  for (const [at, line] of lines.entries()) await put('line', { 'line-key': String(at + 1), 'line-of': '1', ...line })
}

async function computedThere(tree: Tree): Promise<string | null> {
  const names = physicalNames(live.book, live.schema)
  const sql = expressionSql(live.book, names, 'job', tree, 'j')
  const shown =
    tree.type.is === 'measured'
      ? sql
      : `CAST(${tree.type.is === 'moment' ? `DATE_FORMAT(${sql}, '%Y-%m-%dT%H:%i')` : sql} AS CHAR)`
  const [row] = await select<{ value: string | number | null }>(
    db,
    `SELECT ${shown} AS value FROM ${names.quoted('job')} AS j`,
  )
  const { value } = row!
  return value === null ? null : String(value)
}

const now = { moment: '2027-03-12T09:30' }
const read = (source: string) => readExpression(live.book, tableOf(live.book, 'job'), source)

let computed = 0
async function agrees(source: string): Promise<{ tree: Tree; there: string | null } | undefined> {
  const checked = read(source)
  if ('problem' in checked) {
    // Only what could have too many digits, or joins what has no common type, is refused here.
    expect(wordProblem(checked.problem)).toMatch(/more than 65 digits|at most|what it stands with/)
    return undefined
  }
  computed++
  return { tree: checked.tree, there: await computedThere(checked.tree) }
}

test('the browser and MariaDB compute the same, whatever the expression and the record', async () => {
  await fc.assert(
    fc.asyncProperty(world, fc.array(anything, { minLength: 12, maxLength: 12 }), async (one, sources) => {
      await write(one)
      const facts = factsOf(one)
      for (const source of sources) {
        const made = await agrees(source)
        if (made) expect({ source, value: evaluate(made.tree, facts, now) }).toEqual({ source, value: made.there })
      }
    }),
    { numRuns: 150 },
  )
  expect(computed).toBeGreaterThan(1000)
}, 240_000)
