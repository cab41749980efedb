import { writeFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Value } from '@/core/kinds'
import { mostRows } from '@/core/grid'
import { saveRows } from '@/server/live'
import type { BenchBook } from './book'
import { type Figure, turnByTurn } from './measure'

/** The least that is promised: a third of the speed of the database's own loading. */
const aim = 3
const visits = 4000

interface Rows {
  readonly table: string
  readonly columns: string
  /** The values of a row, and the same as a line of a file with its number. */
  readonly row: (at: number) => { readonly values: Record<string, Value>; readonly line: readonly string[] }
}

const premises: Rows = {
  table: 'premises',
  columns: 'premises_number, address, town, postcode, changed_by',
  row: (at) => {
    const [address, town, postcode] = [`${at} Quay Lane`, 'Otterby', `OT${at % 90} 4QL`]
    const values = { premises__address: address, premises__town: town, premises__postcode: postcode }
    return { values, line: [`P-${String(500_000 + at)}`, address, town, postcode, 'Bench'] }
  },
}

/** Each asks a rule of its visit, and the rule that no visit is paid more than its bill. */
const payments: Rows = {
  table: 'payment',
  columns: 'payment_number, visit, way_of_paying, paid_on, amount, changed_by',
  row: (at) => {
    const visit = `B-${String(at % visits).padStart(5, '0')}`
    const values = {
      payment__visit: visit,
      'payment__way-of-paying': 'cash',
      'payment__paid-on': '2026-06-01',
      payment__amount: '1.50',
    }
    return { values, line: [String(500_000 + at), visit, 'cash', '2026-06-01', '1.50', 'Bench'] }
  },
}

/** Ten thousand rows as a grid saves them, checked and in one transaction, against the database's own loading of the same. */
export async function benchRows(book: BenchBook): Promise<Figure[]> {
  await furnish(book)
  return [
    await against(book, premises, 'premises, no rules'),
    await against(book, payments, 'payments, two rules each'),
  ]
}

async function against({ db, live, plain }: BenchBook, { table, columns, row }: Rows, what: string): Promise<Figure> {
  const folder = mkdtempSync(join(tmpdir(), 'hearth-rows-'))
  const all = Array.from({ length: mostRows }, (_, at) => row(at))
  const file = join(folder, 'rows.tsv')
  writeFileSync(file, all.map(({ line }) => `${line.join('\t')}\n`).join(''))
  const rows = all.map(({ values }) => ({ ref: null, rev: null, values }))
  const empty = () => plain.query(`DELETE FROM ${table} WHERE changed_by = 'Bench' AND ${table}_number NOT LIKE 'B%'`)
  const ours = async () => {
    const outcome = await saveRows({ db, live, who: 'Bench' }, { table, rows, keep: 'all' })
    if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome).slice(0, 500))
  }
  const load = () => plain.query(`LOAD DATA LOCAL INFILE '${file}' INTO TABLE ${table} (${columns})`)
  const times = await turnByTurn(3, { ours, between: empty, load, after: empty })
  rmSync(folder, { recursive: true })
  return { what: `${mostRows.toLocaleString('en-GB')} ${what}`, ours: times.ours, plain: times.load, aim }
}

/** Visits whose bills are larger than all that is paid for them. */
async function furnish({ plain }: BenchBook): Promise<void> {
  await plain.query("INSERT IGNORE INTO way_of_paying (way_of_paying) VALUES ('cash')")
  await plain.query("INSERT INTO service_item (item_code, what_it_is, list_price) VALUES ('B', 'Sweep', 62)")
  await plain.query("INSERT INTO premises (premises_number, address, town) VALUES ('B-1', '1 Quay Lane', 'Otterby')")
  await plain.query(
    `INSERT INTO visit (visit_code, premises, booked_for, state) SELECT CONCAT('B-', LPAD(seq, 5, '0')), 'B-1', '2026-05-01' + INTERVAL seq * 3 HOUR - INTERVAL 600 DAY, 'booked' FROM seq_0_to_${visits - 1}`,
  )
  await plain.query(
    `INSERT INTO work_line (line_number, visit, service_item, quantity) SELECT seq + 900000, CONCAT('B-', LPAD(seq, 5, '0')), 'B', 3 FROM seq_0_to_${visits - 1}`,
  )
}
