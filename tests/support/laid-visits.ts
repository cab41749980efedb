import type { List, Report } from '@/core/book'
import type { Catalogue } from '@/server/catalogue'
import { run } from '@/server/database'
import type { Live } from '@/server/live'
import { type Laying, layReport } from '@/server/reports/lay-edition'
import { askedDesign } from './asked-design'
import { opened, testAccount, testBook, testCatalogue } from './catalogue'

export const place = (field: string, ...way: string[]) => ({
  way: way.map((one) => ({ to: 'one' as const, field: one })),
  field,
})
export const list: List = {
  id: 'list',
  table: 'visit',
  name: 'Visits',
  columns: [
    { id: 'number', shows: { kind: 'field', place: place('visit-key') } },
    { id: 'day', shows: { kind: 'field', place: place('visit_day') } },
    { id: 'price', shows: { kind: 'field', place: place('visit_price') } },
  ],
  asks: [],
  order: [{ column: 'number' }],
  groups: [{ place: place('house_town', 'visit__house') }],
  figures: [{ column: 'price', name: 'total' }],
}
export const report: Report = {
  id: 'report',
  list: 'list',
  paper: { size: 'a4', margin: 18 },
  letters: 9,
  rows: 'lines',
  room: 'usual',
}

export interface LaidVisits {
  readonly db: Catalogue
  readonly live: Live
  /** The report of all visits, or another of them. */
  readonly laying: (more?: Partial<Laying>) => Laying
}

/** Nine hundred visits to houses in three towns, and a report of them. */
export async function laidVisits(name: string): Promise<LaidVisits> {
  const db = await testCatalogue(name)
  const account = await testAccount(db, 'Averil')
  const live = await opened(db, account, await testBook(db, account, 'Asked', askedDesign))
  const at = (name: string) => `\`${live.schema}\`.${name}`
  await run(db, `INSERT INTO ${at('house')} (house_number, town) VALUES (1, 'Otterby'), (2, 'Ash'), (3, 'Saltmere')`)
  await run(
    db,
    `INSERT INTO ${at('visit')} (visit_number, day, state, price, house)
     SELECT seq, DATE_ADD('2027-01-01', INTERVAL seq DAY), 'done', seq * 1.01, 1 + seq MOD 3 FROM ${at('seq_1_to_900')}`,
  )
  const laying = (more: Partial<Laying> = {}): Laying => ({
    reads: { db, live },
    list,
    report,
    answers: { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [list] },
    who: 'Averil',
    ...more,
  })
  return { db, live, laying }
}

/** All texts of an edition, page by page. */
export async function pagesOf(wish: Laying): Promise<string[][]> {
  const pages: string[][] = []
  await layReport(
    wish,
    () => undefined,
    (some) => {
      for (const { items } of some) pages.push(items.flatMap((item) => (item.kind === 'text' ? [item.words] : [])))
      return Promise.resolve()
    },
  )
  return pages
}
