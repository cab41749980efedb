import { tableOf } from '@/core/book'
import { isDerived } from '@/core/kinds'
import type { ListQuery } from '@/core/lists'
import { findToPick, readList } from '@/server/live'
import type { BenchBook } from './book'
import { type Figure, turnByTurn } from './measure'

const rows = 1_000_000
const lines = 1_500_000
const columns =
  'v.visit_code, v.premises, v.call_first, v.booked_for, v.state, v.ladder_height, v.tidiness, v.note, v.row_rev, v.changed_at, v.changed_by, p.address, p.town, c.name'
const from =
  'FROM visit v LEFT JOIN premises p ON p.premises_number = v.premises LEFT JOIN contact c ON c.contact_number = v.call_first'

interface Case {
  readonly what: string
  readonly ours: () => Promise<unknown>
  readonly sql: string
  readonly params: unknown[]
  readonly aim?: number
  readonly rounds?: number
}

/** Lists of a million visits against the statements somebody would write by hand. */
export async function benchLists({ db, live, plain }: BenchBook): Promise<Figure[]> {
  await fill(plain)
  const middle = 'V-0500000'
  const typed = tableOf(live.book, 'visit').fields.filter((field) => !isDerived(field))
  const fields = typed.map((field) => field.id)
  const withSum = [...fields, 'visit__work']
  const list = (query: Partial<ListQuery>) => () =>
    readList({ db, live }, { table: 'visit', limit: 100, fields, ...query })
  const cases: Case[] = [
    {
      what: 'first page of a million',
      ours: list({}),
      sql: `SELECT ${columns} ${from} ORDER BY v.visit_code LIMIT 101`,
      params: [],
    },
    {
      what: 'a page in the middle, by key',
      ours: list({ after: [middle] }),
      sql: `SELECT ${columns} ${from} WHERE v.visit_code > ? ORDER BY v.visit_code LIMIT 101`,
      params: [middle],
    },
    {
      what: 'quick find of a word in few records',
      ours: list({ find: 'chimneypot' }),
      sql: `SELECT ${columns} ${from} WHERE (v.visit_code LIKE ? OR v.state LIKE ? OR v.note LIKE ? OR p.address LIKE ? OR p.town LIKE ? OR c.name LIKE ?) ORDER BY v.visit_code LIMIT 101`,
      params: Array.from({ length: 6 }, () => '%chimneypot%'),
    },
    {
      what: 'picking among 100 000, by rare words',
      ours: () => findToPick({ db, live }, 'premises', 'Lane 4711', 20),
      sql: 'SELECT premises_number, address, town FROM premises WHERE (address LIKE ? OR town LIKE ?) AND (address LIKE ? OR town LIKE ?) ORDER BY premises_number LIMIT 21',
      params: ['%Lane%', '%Lane%', '%4711%', '%4711%'],
    },
    {
      what: 'picking among 100 000, by one letter',
      ours: () => findToPick({ db, live }, 'premises', 'e', 20),
      sql: 'SELECT premises_number, address, town FROM premises WHERE address LIKE ? OR town LIKE ? ORDER BY address NOT LIKE ? AND town NOT LIKE ?, premises_number LIMIT 20',
      params: ['%e%', '%e%', 'e%', 'e%'],
    },
    {
      what: 'picking among a million, by its number',
      ours: () => findToPick({ db, live }, 'visit', 'V-0471100', 20),
      sql: 'SELECT visit_code, booked_for FROM visit WHERE visit_code LIKE ? OR booked_for LIKE ? ORDER BY visit_code LIMIT 21',
      params: ['%V-0471100%', '%V-0471100%'],
      rounds: 3,
    },
    {
      what: 'first page with a gathered total',
      ours: list({ fields: withSum }),
      sql: `SELECT ${columns}, (SELECT SUM(w.quantity * w.price_each) FROM work_line w WHERE w.visit = v.visit_code) ${from} ORDER BY v.visit_code LIMIT 101`,
      params: [],
      aim: 1.5,
    },
    {
      what: 'sorted by a gathered total',
      ours: list({ fields: withSum, sort: { field: 'visit__work', down: true } }),
      sql: `SELECT ${columns}, w.work ${from} LEFT JOIN (SELECT visit, SUM(quantity * price_each) AS work FROM work_line GROUP BY visit) w ON w.visit = v.visit_code ORDER BY w.work DESC, v.visit_code DESC LIMIT 101`,
      params: [],
      aim: 2,
      rounds: 3,
    },
  ]
  const figures: Figure[] = []
  for (const { what, ours, sql, params, aim = 1.3, rounds } of cases) {
    const statement = await plain.prepare(sql)
    // Pages take a moment only: enough rounds that both sides run as warm as on a server.
    const times = await turnByTurn(rounds ?? (what.includes('quick') ? 3 : what.includes('page') ? 300 : 15), {
      ours,
      bare: () => statement.execute(params),
    })
    figures.push({ what, ours: times.ours, plain: times.bare, aim })
  }
  return figures
}

/** A million visits, and the lines of work on them. */
export async function fill(plain: BenchBook['plain']): Promise<void> {
  // What is made up here keeps the rules; asking each of a million rows would take as long as the measuring.
  await plain.query('SET @hearth_saving = 1')
  await plain.query('SET FOREIGN_KEY_CHECKS = 0')
  await plain.query('DELETE FROM visit')
  await plain.query(
    `INSERT IGNORE INTO premises (premises_number, address, town) SELECT CONCAT('P-', LPAD(seq, 6, '0')), CONCAT(seq, ' Quay Lane'), ELT(1 + seq % 3, 'Otterby', 'Saltmere', 'Quenby') FROM seq_1_to_100000`,
  )
  await plain.query(
    `INSERT INTO visit (visit_code, premises, booked_for, state, ladder_height, note)
     SELECT CONCAT('V-', LPAD(seq, 7, '0')), CONCAT('P-', LPAD(1 + seq % 100000, 6, '0')), '2024-01-01' + INTERVAL seq MINUTE, ELT(1 + seq % 4, 'booked', 'under way', 'done', 'cancelled'),
            2 + seq % 12, IF(seq % 20000 = 0, 'The chimneypot is loose.', 'Swept clean, draught good.') FROM seq_1_to_${rows}`,
  )
  await plain.query('DELETE FROM work_line')
  await plain.query(
    "INSERT IGNORE INTO service_item (item_code, what_it_is, list_price) VALUES ('SWEEP', 'Sweep', 62), ('SMOKE', 'Smoke test', 42)",
  )
  await plain.query(
    `INSERT INTO work_line (line_number, visit, service_item, quantity, price_each)
     SELECT seq, CONCAT('V-', LPAD(1 + (seq * 7919) % ${rows}, 7, '0')), IF(seq <= ${rows}, 'SWEEP', 'SMOKE'), 1 + seq % 9, 10 + seq % 50 FROM seq_1_to_${lines}`,
  )
  await plain.query('ANALYZE TABLE visit, premises, work_line')
  await plain.query('SET @hearth_saving = NULL')
}
