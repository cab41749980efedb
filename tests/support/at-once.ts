import type { Catalogue } from '@/server/catalogue'
import { run, select } from '@/server/database'
import { type Live, readRecord, removeRecord, saveRecord } from '@/server/live'
import type { Account } from '@/server/people'
import { opened, testBook } from './books'
import { ruled } from './ruled-design'

type Values = Record<string, string | null>

/** The saves of a round, made at the same moment. */
export interface Hall {
  readonly add: (table: string, values: Values) => Promise<unknown>
  readonly change: (table: string, ref: string, values: Values, extras?: readonly Values[]) => Promise<unknown>
  readonly remove: (table: string, ref: string) => Promise<unknown>
  /** A statement of another kind, `$` before tables and the round's number for `#`. */
  readonly run: (statement: string, round?: number) => Promise<unknown>
}

export interface Collision {
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

/** What two or three people do at the same moment, for each kind of rule. */
export const collisions: Readonly<Record<string, Collision>> = {
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
    begin: ['INSERT INTO $room (room_number, floor) VALUES (#, 3 * #), (5000 + #, 3 * # + 1), (9000 + #, 3 * # + 2)'],
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
    sides: ({ add, change, run }, round) => [
      // What the record says when it closes is how many rows it had then.
      async () => {
        await change('hire', `${round}`, { state: 'over' })
        await run('INSERT INTO $room (room_number, seats) SELECT #, COUNT(*) FROM $extra WHERE hire = #', round)
      },
      () => add('extra', { 'extra-hire': `${round}`, what: 'late' }),
    ],
    broken:
      "SELECT COUNT(*) AS count FROM $hire h JOIN $room r ON r.room_number = h.hire_number WHERE h.state = 'over' AND r.seats <> (SELECT COUNT(*) FROM $extra e WHERE e.hire = h.hire_number)",
  },
}

/** A hall as those use it who work in it at the same moment. */
export function hallOf(db: Catalogue, live: Live): Hall {
  const save = (table: string, ref: string | null, rev: number | null, values: Values) =>
    saveRecord({ db, live, who: 'Averil' }, { table, ref, rev, values, children: [] })
  return {
    add: (table, values) => save(table, null, null, values),
    change: async (table, ref, values) => {
      const stored = await readRecord({ db, live }, table, ref)
      return save(table, ref, stored.ok ? stored.value.row.rev : 0, values)
    },
    remove: (table, ref) => removeRecord({ db, live, who: 'Averil' }, { table, ref, rev: 1 }),
    run: (statement, round = 0) =>
      run(db, statement.replaceAll('$', `\`${live.schema}\`.`).replaceAll('#', String(round))),
  }
}

/** Plays a collision so many times; how often each outcome was met, and for how many records the rule is broken. */
export async function collide(db: Catalogue, account: Account, name: string, one: Collision, rounds: number) {
  const live = await opened(db, account, await testBook(db, account, name.slice(0, 40), ruled(...one.rules).edits))
  const hall = hallOf(db, live)
  const outcomes = new Map<string, number>()
  // Numbers that the counts don't come to give.
  for (let round = 1001; round <= 1000 + rounds; round++) {
    for (const statement of one.begin) await hall.run(statement, round)
    const ended = await Promise.all(one.sides(hall, round).map((side) => side()))
    for (const outcome of ended as ({ kind?: string; ok?: boolean } | undefined)[]) {
      const kind = outcome?.kind ?? (outcome?.ok === false ? 'refused' : 'saved')
      outcomes.set(kind, (outcomes.get(kind) ?? 0) + 1)
    }
  }
  const [row] = await select<{ count: number }>(db, one.broken.replaceAll('$', `\`${live.schema}\`.`))
  return { outcomes, broken: Number(row!.count) }
}
