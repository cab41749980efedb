import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { type Book, type List, tableOf } from '@/core/book'
import type { Answers, Cell } from '@/core/lists'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { leafOf } from '@/core/physical'
import { keyOfRef, refOf } from '@/core/records'
import { testAccount, testBook, testCatalogue, opened } from '@/tests/support/catalogue'
import { askedDesign, listOf, worldOf } from '@/tests/support/random-lists'
import { runs } from '@/tests/support/runs'
import { type Known, SlowLists, type World } from '@/tests/support/slow-lists'
import { askList, countList, type ListLine } from '..'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import { type Live, namesOf } from '../live'

let db: Catalogue
let live: Live
let book: Book

beforeAll(async () => {
  db = await testCatalogue('asklists')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Asked', askedDesign))
  book = live.book
})

const answers: Answers = { given: {}, now: { moment: '2027-03-12T10:00' } }

/** What one known record has in each of its columns. */
function rowOf(tableId: string, { values, links }: Known) {
  const table = tableOf(book, tableId)
  return table.fields.flatMap((field) => {
    const columns = namesOf(live).columns(tableId, field.id)
    if (field.kind !== 'link') return columns.map(({ name }) => [name, values[field.id] ?? null] as const)
    const ref = links[field.id] ?? null
    const key = ref === null ? undefined : keyOfRef(ref, columns.length)
    return columns.map(
      ({ name, leaf }, at) => [name, key ? kindOf(leafOf(book, leaf).kind).store(key[at]!) : null] as const,
    )
  })
}

async function fill(world: World): Promise<void> {
  const order = ['payment', 'paper', 'house-person', 'visit', 'house', 'person']
  for (const id of order) await run(db, `DELETE FROM ${namesOf(live).quoted(id)}`)
  for (const id of [...order].reverse()) {
    const rows = world[id]!.map((record) => rowOf(id, record))
    if (rows.length === 0) continue
    const names = rows[0]!.map(([name]) => quoteName(name)).join(', ')
    const one = `(${rows[0]!.map(() => '?').join(', ')})`
    await run(
      db,
      `INSERT INTO ${namesOf(live).quoted(id)} (${names}) VALUES ${rows.map(() => one).join(', ')}`,
      rows.flat().map(([, value]) => value),
    )
  }
}

/** All pages of a list, few records to a page. */
async function all(list: List, limit: number): Promise<readonly ListLine[]> {
  const lines: ListLine[] = []
  for (let after: Parameters<typeof askList>[3]['after']; ;) {
    const page = await askList({ db, live }, list, answers, { after, limit })
    if ('faults' in page) throw new Error(JSON.stringify(page.faults))
    lines.push(...page.lines)
    if (!page.next) return lines
    after = page.next
  }
}

/** A link without its words, as the slow way tells it. */
const bare = (cell: Cell): string | null => (cell !== null && typeof cell === 'object' ? (cell).ref : cell)
const asTold = (cell: Cell | readonly Cell[]) =>
  Array.isArray(cell) ? (cell as readonly Cell[]).map(bare).sort() : bare(cell as Cell)

test('any list gives what looking at every record by itself gives, in the same order, page by page', async () => {
  const tried = { lists: 0, rows: 0, several: 0 }
  await fc.assert(
    fc.asyncProperty(
      worldOf(book),
      fc.array(listOf(book), { minLength: 12, maxLength: 12 }),
      fc.integer({ min: 1, max: 4 }),
      async (world, lists, limit) => {
        await fill(world)
        const slow = new SlowLists(book, world)
        for (const list of lists) {
          const expected = slow.records(list).map((record) => ({
            ref: refOf(record.ref.split('~')),
            cells: Object.fromEntries(list.columns.map((column) => [column.id, asTold(slow.cell(record, column))])),
          }))
          const lines = (await all(list, limit)).map(({ ref, cells }) => ({
            ref,
            cells: Object.fromEntries(Object.entries(cells).map(([id, cell]) => [id, asTold(cell)])),
          }))
          expect(lines).toEqual(expected)
          expect(await countList({ db, live }, list, answers)).toEqual({ count: expected.length })
          tried.lists++
          tried.rows += lines.length
          if (list.columns.some(({ shows }) => shows.kind !== 'field')) tried.several++
        }
      },
    ),
    runs(40),
  )
  expect(tried.rows).toBeGreaterThan(500)
  expect(tried.several).toBeGreaterThan(100)
})
