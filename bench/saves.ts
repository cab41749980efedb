import type { List } from '@/core/book'
import { type Live, saveRecord } from '@/server/live'
import { keptReady } from './asked-lists'
import type { BenchBook } from './book'
import { type Figure, turnByTurn } from './measure'

const visits = 1000
const aim = 2

/** How many visits each premises has, kept right by the database with every visit that is saved. */
function visitsOfEach({ book }: Live): List {
  const link = book.links.find(({ many, one }) => many === 'visit' && one === 'premises')!.id
  const way = [{ to: 'rows' as const, link }]
  const columns = [{ id: 'visits', shows: { kind: 'gathered', way, name: 'count' } as const }]
  return { id: 'counted', table: 'premises', name: 'Counted', columns, asks: [], order: [{ column: 'visits' }] }
}

/** Saving visits one by one, each in a transaction with its running number, against prepared statements that do the same. */
export async function benchSaves(book: BenchBook): Promise<Figure[]> {
  const { db, live, plain } = book
  await plain.query(
    `INSERT INTO premises (premises_number, address, town) SELECT CONCAT('P-', LPAD(seq, 4, '0')), CONCAT(seq, ' Quay Lane'), 'Otterby' FROM seq_1_to_${visits}`,
  )
  // No two visits to one premises may overlap, so each has hours of its own.
  let booked = 0
  const hours = (at: number) => ({
    premises: `P-${String(at + 1).padStart(4, '0')}`,
    moment: new Date(Date.UTC(2027, 0, 1) + 7_200_000 * booked++).toISOString().slice(0, 16),
  })
  const saving = (open: Live) => async () => {
    for (let at = 0; at < visits; at++) {
      const { premises, moment } = hours(at)
      const outcome = await saveRecord(
        { db, live: open, who: 'Bench' },
        {
          table: 'visit',
          ref: null,
          rev: null,
          values: {
            visit__premises: premises,
            'visit__booked-for': moment,
            visit__state: 'booked',
            'visit__ladder-height': '6.5',
          },
          children: [],
        },
      )
      if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
    }
  }
  await plain.query('CREATE TABLE IF NOT EXISTS plain_count (name VARCHAR(20) PRIMARY KEY, last BIGINT NOT NULL)')
  const next = await plain.prepare(
    "INSERT INTO plain_count (name, last) VALUES ('visit', LAST_INSERT_ID(1)) ON DUPLICATE KEY UPDATE last = LAST_INSERT_ID(last + 1)",
  )
  const insert = await plain.prepare(
    'INSERT INTO visit (visit_code, premises, call_first, booked_for, state, ladder_height, tidiness, note, changed_by) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
  )
  const read = await plain.prepare(
    `SELECT v.*, p.address, p.town, c.name,
            (SELECT SUM(quantity * price_each) FROM work_line WHERE visit = v.visit_code) AS work,
            (SELECT SUM(quantity * price_each) FROM visit_part WHERE visit = v.visit_code) AS parts,
            (SELECT SUM(amount) FROM payment WHERE visit = v.visit_code) AS paid
     FROM visit v LEFT JOIN premises p ON p.premises_number = v.premises LEFT JOIN contact c ON c.contact_number = v.call_first WHERE v.visit_code = ?`,
  )
  const bare = async () => {
    for (let at = 0; at < visits; at++) {
      await plain.beginTransaction()
      const { insertId } = await next.execute<{ insertId: number }>([])
      const code = `X-${String(insertId).padStart(6, '0')}`
      const { premises, moment } = hours(at)
      await insert.execute([
        code,
        premises,
        null,
        `${moment.replace('T', ' ')}:00`,
        'booked',
        '6.5',
        null,
        null,
        'Bench',
      ])
      await read.execute([code])
      await plain.commit()
    }
  }
  const times = await turnByTurn(5, { ours: saving(live), bare })
  const counted = await keptReady(book, visitsOfEach(live))
  const kept = await turnByTurn(5, { ours: saving(counted.live) })
  return [
    { what: `saving ${visits} visits one by one`, ours: times.ours, plain: times.bare, aim },
    { what: 'the same where the database counts them', ours: kept.ours, plain: times.ours, aim: 1.3 },
  ]
}
