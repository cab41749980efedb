import { type List, tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { type Answers, readList } from '@/core/lists'
import { quoteName } from '@/core/names'
import { leafOf } from '@/core/physical'
import { keyOfRef } from '@/core/records'
import type { Catalogue } from '@/server/catalogue'
import { wordProblem } from '@/core/words'
import { run } from '@/server/database'
import type { Walk } from '@/server/live'
import { type Live, namesOf } from '@/server/live/live'
import { opened, testAccount, testBook, testCatalogue } from './catalogue'
import { askedDesign, readyLists } from './asked-design'
import type { Known, World } from './slow-lists'

export interface AskedBook {
  readonly db: Catalogue
  readonly live: Live
}

export const answers: Answers = { given: {}, now: { moment: '2027-03-12T10:00' } }

/** A book of every sort of link, opened, whose records lists are asked of; with what the database keeps for lists. */
export async function askedRecords(name: string, ready = false): Promise<AskedBook> {
  const db = await testCatalogue(name)
  const account = await testAccount(db, 'Averil')
  const design = ready ? [...askedDesign, ...readyLists] : askedDesign
  return { db, live: await opened(db, account, await testBook(db, account, 'Asked', design)) }
}

/** What one known record has in each of its columns. */
function rowOf(live: Live, tableId: string, { values, links }: Known) {
  const table = tableOf(live.book, tableId)
  return table.fields.flatMap((field) => {
    const columns = namesOf(live).columns(tableId, field.id)
    if (field.kind !== 'link') return columns.map(({ name }) => [name, values[field.id] ?? null] as const)
    const ref = links[field.id] ?? null
    const key = ref === null ? undefined : keyOfRef(ref, columns.length)
    return columns.map(
      ({ name, leaf }, at) => [name, key ? kindOf(leafOf(live.book, leaf).kind).store(key[at]!) : null] as const,
    )
  })
}

/** Puts records in the place of all that are there. */
export async function fillWith({ db, live }: AskedBook, world: World): Promise<void> {
  const order = ['payment', 'paper', 'house-person', 'visit', 'house', 'person']
  for (const id of order) await run(db, `DELETE FROM ${namesOf(live).quoted(id)}`)
  for (const id of [...order].reverse()) {
    const rows = world[id]!.map((record) => rowOf(live, id, record))
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

/** What walks through all of a list that can be asked. */
export function walkOf(reads: AskedBook, list: List): Walk {
  const found = readList(reads.live.book, list, answers)
  if (!('read' in found)) throw new Error(found.faults.map(({ problem }) => wordProblem(problem)).join(' '))
  return { reads, list, answers, read: found.read }
}
