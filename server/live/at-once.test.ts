import { beforeAll, expect, test } from 'vitest'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { ruled } from '@/tests/support/ruled-design'
import { tie } from '@/tests/support/edits'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'
import type { Account } from '../people'
import { type Live, readRecord, removeRecord, saveRecord } from '.'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('at_once')
  account = await testAccount(db, 'Averil')
})

type Values = Record<string, string | null>

/** The saves of a round, made at the same moment. */
interface Hall {
  readonly add: (table: string, values: Values) => Promise<unknown>
  readonly change: (table: string, ref: string, values: Values, extras?: readonly Values[]) => Promise<unknown>
  readonly remove: (table: string, ref: string) => Promise<unknown>
}

interface Case {
  readonly rules: readonly string[]
  /** Rows that there are before a round, `$` before tables and the round's number for `#`. */
  readonly begin: readonly string[]
  /** What two people do at the same moment; each alone is allowed, both are not. */
  readonly sides: (hall: Hall, round: number) => readonly (() => Promise<unknown>)[]
  /** How many records a rule is broken for. */
  readonly broken: string
  /** How many saves get through in all rounds at the least; one a round where nothing is said. */
  readonly saved?: number
}

const cases: Readonly<Record<string, Case>> = {
  'across a link, from both its sides': {
    rules: ['across'],
    begin: [
      'INSERT INTO $room (room_number, seats) VALUES (#, 10)',
      'INSERT INTO $hire (hire_number, room, guests) VALUES (#, #, 4)',
    ],
    sides: ({ change }, round) => [
      () => change('hire', `${round}`, { guests: '9' }),
      () => change('room', `${round}`, { seats: '5' }),
    ],
    broken: 'SELECT COUNT(*) AS count FROM $hire h JOIN $room r ON h.room = r.room_number WHERE h.guests > r.seats',
  },
  'across a link, a record that comes to lead there': {
    rules: ['across'],
    begin: ['INSERT INTO $room (room_number, seats) VALUES (#, 10)'],
    sides: ({ add, change }, round) => [
      () => add('hire', { 'hire-room': `${round}`, guests: '9' }),
      () => change('room', `${round}`, { seats: '5' }),
    ],
    broken: 'SELECT COUNT(*) AS count FROM $hire h JOIN $room r ON h.room = r.room_number WHERE h.guests > r.seats',
  },
  'over two links': {
    rules: ['twoLinks'],
    begin: [
      'INSERT INTO $room (room_number, seats) VALUES (#, 10)',
      'INSERT INTO $hire (hire_number, room) VALUES (#, #)',
      'INSERT INTO $extra (extra_number, hire, cost) VALUES (#, #, 4)',
    ],
    sides: ({ change }, round) => [
      () => change('extra', `${round}`, { cost: '9.00' }),
      () => change('room', `${round}`, { seats: '5' }),
    ],
    broken:
      'SELECT COUNT(*) AS count FROM $extra e JOIN $hire h ON e.hire = h.hire_number JOIN $room r ON h.room = r.room_number WHERE e.cost > r.seats',
  },
  'over gathered rows, one of them and the total it must keep to': {
    rules: ['gathered'],
    begin: [
      'INSERT INTO $hire (hire_number, price) VALUES (#, 10)',
      'INSERT INTO $extra (extra_number, hire, cost) VALUES (#, #, 4)',
    ],
    sides: ({ add, change }, round) => [
      () => change('extra', `${round}`, { cost: '8.00' }),
      () => change('hire', `${round}`, { price: '6.00' }),
      () => add('extra', { 'extra-hire': `${round}`, cost: '5.00' }),
    ],
    broken:
      'SELECT COUNT(*) AS count FROM $hire h WHERE (SELECT COALESCE(SUM(cost), 0) FROM $extra e WHERE e.hire = h.hire_number) > h.price',
  },
  'a count that must not come to nought': {
    rules: ['counted'],
    begin: [
      "INSERT INTO $hire (hire_number, state) VALUES (#, 'asked')",
      'INSERT INTO $extra (extra_number, hire) VALUES (#, #)',
    ],
    sides: ({ change, remove }, round) => [
      () => change('hire', `${round}`, { state: 'agreed' }),
      () => remove('extra', `${round}`),
    ],
    broken:
      "SELECT COUNT(*) AS count FROM $hire h WHERE h.state = 'agreed' AND NOT EXISTS (SELECT 1 FROM $extra e WHERE e.hire = h.hire_number)",
  },
  'fields that are unique together, blanks alike': {
    rules: ['alike'],
    begin: ['INSERT INTO $room (room_number, floor) VALUES (#, 2 * #), (5000 + #, 3 * #), (9000 + #, 4 * #)'],
    sides: ({ change }, round) =>
      [0, 5000, 9000].map((from) => () => change('room', `${from + round}`, { floor: '7' })),
    broken: 'SELECT COUNT(*) - 1 AS count FROM $room WHERE floor = 7',
    saved: 1,
  },
  'spans that must not overlap': {
    rules: ['apart'],
    begin: [
      'INSERT INTO $room (room_number) VALUES (#)',
      'INSERT INTO $hire (hire_number, room) VALUES (#, #), (5000 + #, #), (9000 + #, #)',
    ],
    sides: ({ change }, round) =>
      [0, 5000, 9000].map(
        (more, at) => () =>
          change('hire', `${more + round}`, { from: `2027-03-1${at}`, to: `2027-03-1${at + 3}`, state: 'asked' }),
      ),
    broken:
      'SELECT COUNT(*) AS count FROM $hire a JOIN $hire b ON a.room = b.room AND a.hire_number < b.hire_number AND a.from_day <= b.to_day AND b.from_day <= a.to_day',
  },
  'a row added at the moment its record closes': {
    rules: ['closed'],
    begin: ["INSERT INTO $hire (hire_number, state, price) VALUES (#, 'agreed', 1)"],
    sides: ({ add, change }, round) => [
      // What the record says when it closes is how many rows it had then.
      async () => {
        await change('hire', `${round}`, { state: 'over' })
        await run(
          db,
          sql('INSERT INTO $room (room_number, seats) SELECT #, COUNT(*) FROM $extra WHERE hire = #', round),
        )
      },
      () => add('extra', { 'extra-hire': `${round}`, what: 'late' }),
    ],
    broken:
      "SELECT COUNT(*) AS count FROM $hire h JOIN $room r ON r.room_number = h.hire_number WHERE h.state = 'over' AND r.seats <> (SELECT COUNT(*) FROM $extra e WHERE e.hire = h.hire_number)",
  },
}

let live: Live
const sql = (text: string, round = 0) => text.replaceAll('$', `\`${live.schema}\`.`).replaceAll('#', String(round))

const hall: Hall = {
  add: (table, values) => saveRecord(db, live, 'Averil', { table, ref: null, rev: null, values, children: [] }),
  change: async (table, ref, values) => {
    const stored = await readRecord(db, live, table, ref)
    return saveRecord(db, live, 'Averil', {
      table,
      ref,
      rev: stored.ok ? stored.value.row.rev : 0,
      values,
      children: [],
    })
  },
  remove: (table, ref) => removeRecord(db, live, table, ref, 1),
}

const rounds = 40

test.each(Object.entries(cases))('of saves at the same moment none gets past a rule %s', async (name, one) => {
  const id = await testBook(db, account, name.slice(0, 40), ruled(...one.rules).edits)
  live = await opened(db, account, id)
  const outcomes = new Map<string, number>()
  // Numbers that the counts don’t come to give.
  for (let round = 1001; round <= 1000 + rounds; round++) {
    for (const statement of one.begin) await run(db, sql(statement, round))
    const ended = await Promise.all(one.sides(hall, round).map((side) => side()))
    for (const outcome of ended as ({ kind?: string; ok?: boolean } | undefined)[]) {
      const kind = outcome?.kind ?? (outcome?.ok === false ? 'refused' : 'saved')
      outcomes.set(kind, (outcomes.get(kind) ?? 0) + 1)
    }
  }
  const [row] = await select<{ count: number }>(db, sql(one.broken))
  expect(row!.count).toBe(0)
  // Something was saved, and nothing failed in any other way than by a refusal.
  expect([...outcomes.keys()].filter((kind) => !['saved', 'refused'].includes(kind))).toEqual([])
  expect(outcomes.get('saved')).toBeGreaterThanOrEqual(one.saved ?? rounds)
})

test('rules that look at each other’s tables don’t hold their writers up for ever', async () => {
  const design = ruled('across', 'gathered', 'counted', 'apart', 'twoLinks')
  design.do(tie('room', 'extra', { link: 'extra-room-link', field: 'extra-room' }))
  live = await opened(db, account, await testBook(db, account, 'Crossing', design.edits))
  for (let at = 1; at <= 4; at++) {
    await run(db, sql('INSERT INTO $room (room_number, seats) VALUES (#, 100)', at))
    await run(db, sql('INSERT INTO $hire (hire_number, room, guests, price) VALUES (#, #, 1, 100)', at))
  }
  const started = Date.now()
  const kinds = await Promise.all(
    Array.from({ length: 120 }, async (_, at) => {
      const [one, other] = [`${(at % 4) + 1}`, `${((at * 7) % 4) + 1}`]
      const work = [
        () => hall.change('room', one, { seats: String(50 + (at % 50)) }),
        () => hall.change('hire', one, { guests: String(at % 40), 'hire-room': other }),
        () => hall.add('extra', { 'extra-hire': one, 'extra-room': other, cost: '1.00' }),
      ]
      return ((await work[at % 3]!()) as { kind: string }).kind
    }),
  )
  expect(kinds.filter((kind) => !['saved', 'refused', 'conflict'].includes(kind))).toEqual([])
  expect(kinds.filter((kind) => kind === 'saved').length).toBeGreaterThan(30)
  // Nobody waited until MariaDB gave up on a lock, which takes fifty seconds.
  expect(Date.now() - started).toBeLessThan(45_000)
})
