import { beforeAll, expect, test } from 'vitest'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { otherTool } from '@/tests/support/other-tool'
import { ruled, rulings } from '@/tests/support/ruled-design'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'
import { readRecord, removeRecord, type SaveOutcome, saveRecord } from '..'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('asking')
  account = await testAccount(db, 'Averil')
})

type Values = Record<string, string | null>
interface More {
  readonly ref?: string
  readonly extras?: readonly Values[]
  readonly despite?: readonly string[]
}

async function hall(name: string, ...rules: readonly string[]) {
  const live = await opened(db, account, await testBook(db, account, name, ruled(...rules).edits))
  const tool = await otherTool(live.schema)
  await tool('INSERT INTO room (room_number, seats, floor) VALUES (1, 50, 0), (2, 300, 1)')
  const save = async (
    table: string,
    values: Values,
    { ref, extras = [], despite }: More = {},
  ): Promise<SaveOutcome> => {
    const stored = ref ? await readRecord({ db, live }, table, ref) : undefined
    return saveRecord(
      { db, live, who: 'Averil' },
      {
        table,
        ref: ref ?? null,
        rev: stored?.ok ? stored.value.row.rev : null,
        values,
        children:
          extras.length > 0
            ? [{ link: 'extra-hire-link', rows: extras.map((values) => ({ ref: null, rev: null, values })) }]
            : [],
        ...(despite && { despite: [...despite] }),
      },
    )
  }
  return { live, tool, save }
}

const said = (rule: string) => rulings[rule]!.words
const refused = (rule: string) => ({ kind: 'refused', words: said(rule) })

/** What came of a save: how it ended, and the first words of a refusal. */
function told(outcome: SaveOutcome) {
  if (outcome.kind !== 'refused') return { kind: outcome.kind }
  const { fields, rows, whole } = outcome.problems
  const problem = [...Object.values(fields), ...Object.values(rows).flatMap(Object.values), ...whole][0] as {
    words: string
  }
  return { kind: 'refused', words: problem.words }
}
const saved = { kind: 'saved' }
const refusing = async (work: Promise<unknown>) => {
  const words = await work.then(
    () => 'it was taken',
    (cause: unknown) => (cause as { sqlMessage?: string }).sqlMessage ?? String(cause),
  )
  return words
}

test('a rule across a link is asked of its record, and of the record that it leads to', async () => {
  const { tool, save } = await hall('Across', 'across')
  expect(told(await save('hire', { 'hire-room': '1', guests: '51' }))).toEqual(refused('across'))
  expect(told(await save('hire', { 'hire-room': '1', guests: '50' }))).toEqual(saved)
  expect(told(await save('hire', { guests: '90' }, { ref: '1' }))).toEqual(refused('across'))
  expect(told(await save('room', { seats: '49' }, { ref: '1' }))).toEqual({
    kind: 'refused',
    words: `Hire 1: ${said('across')}`,
  })
  expect(told(await save('hire', { 'hire-room': '2', guests: '90' }, { ref: '1' }))).toEqual(saved)
  expect(told(await save('room', { seats: '49' }, { ref: '1' }))).toEqual(saved)
  const insert = (room: number, guests: number) =>
    tool(`INSERT INTO hire (hire_number, room, guests) VALUES (${100 + guests}, ${room}, ${guests})`)
  expect(await refusing(insert(1, 60))).toContain(said('across'))
  expect(await refusing(tool('UPDATE room SET seats = 10 WHERE room_number = 2'))).toContain(said('across'))
  expect(await refusing(tool('UPDATE hire SET room = 1 WHERE hire_number = 1'))).toContain(said('across'))
  await insert(1, 40)
})

test('a rule over gathered rows is asked when all is written, of rows alone too', async () => {
  const { tool, save } = await hall('Gathered', 'gathered')
  const extras = (...costs: string[]) => ({ extras: costs.map((cost) => ({ what: cost, cost })) })
  expect(told(await save('hire', { price: '100.00' }, extras('60.00', '50.00')))).toEqual(refused('gathered'))
  expect(told(await save('hire', { price: '110.00' }, extras('60.00', '50.00')))).toEqual(saved)
  expect(told(await save('extra', { 'extra-hire': '1', what: 'late', cost: '0.01' }))).toEqual({
    kind: 'refused',
    words: `Hire 1: ${said('gathered')}`,
  })
  expect(told(await save('hire', { price: '120.00' }, { ref: '1', ...extras('10.00') }))).toEqual(saved)
  expect(told(await save('hire', { price: '90.00' }, { ref: '1' }))).toEqual(refused('gathered'))
  expect(await refusing(tool('INSERT INTO extra (extra_number, hire, cost) VALUES (90, 1, 5)'))).toContain(
    said('gathered'),
  )
  expect(await refusing(tool('UPDATE extra SET cost = 99 WHERE extra_number = 1'))).toContain(said('gathered'))
  // A row that moves elsewhere is asked of where it comes to hang.
  await tool('INSERT INTO hire (hire_number, price) VALUES (91, 5)')
  expect(await refusing(tool('UPDATE extra SET hire = 91 WHERE extra_number = 1'))).toContain(said('gathered'))
})

test('fields that are unique together, blanks let be or alike', async () => {
  const { tool, save } = await hall('Together', 'together', 'alike')
  await save('hire', { price: '10.00' })
  const extra = (what: string | null) => save('extra', { 'extra-hire': '1', what })
  expect(told(await extra('flowers'))).toEqual(saved)
  expect(told(await extra('Flowers'))).toEqual(refused('together'))
  expect([told(await extra(null)), told(await extra(null))]).toEqual([saved, saved])
  const room = (seats: string | null) => save('room', { seats, floor: '4' })
  expect([told(await room(null)), told(await room(null))]).toEqual([saved, refused('alike')])
  expect([told(await room('7')), told(await room('7'))]).toEqual([saved, refused('alike')])
  expect(await refusing(tool('INSERT INTO room (room_number, seats, floor) VALUES (70, NULL, 4)'))).toContain(
    said('alike'),
  )
  expect(await refusing(tool("INSERT INTO extra (extra_number, hire, what) VALUES (70, 1, 'flowers')"))).toMatch(
    /Duplicate/,
  )
})

test('no two overlap for the same room, days counted through their last, without an end for ever', async () => {
  const { tool, save } = await hall('Apart', 'apart')
  const hire = (from: string | null, to: string | null, room = '1', state: string | null = null) =>
    save('hire', { 'hire-room': room, from, to, state })
  expect(told(await hire('2027-03-10', '2027-03-12'))).toEqual(saved)
  expect(told(await hire('2027-03-12', '2027-03-14'))).toEqual(refused('apart'))
  expect(told(await hire('2027-03-13', '2027-03-14'))).toEqual(saved)
  expect(told(await hire('2027-03-01', null))).toEqual(refused('apart'))
  expect(told(await hire('2027-03-11', '2027-03-11', '2'))).toEqual(saved)
  expect(told(await hire('2027-03-11', '2027-03-11', '1', 'called off'))).toEqual(saved)
  expect(told(await hire(null, null))).toEqual(saved)
  expect(told(await hire('2027-04-01', null))).toEqual(saved)
  expect(told(await hire('2029-01-01', '2029-01-02'))).toEqual(refused('apart'))
  expect(told(await save('hire', { 'hire-room': '1' }, { ref: '3' }))).toEqual(refused('apart'))
  const insert = "INSERT INTO hire (hire_number, room, from_day, to_day) VALUES (70, 1, '2027-03-14', '2027-03-20')"
  expect(await refusing(tool(insert))).toContain(said('apart'))
  expect(await refusing(tool("UPDATE hire SET state = NULL WHERE state = 'called off'"))).toContain(said('apart'))
})

test('of fifty writers at once who want the same days one gets them', async () => {
  const { save } = await hall('Fifty', 'apart')
  const outcomes = await Promise.all(
    Array.from({ length: 50 }, (_, at) =>
      save('hire', { 'hire-room': at % 10 === 0 ? '2' : '1', from: '2027-05-01', to: '2027-05-03' }),
    ),
  )
  expect(outcomes.filter(({ kind }) => kind === 'saved')).toHaveLength(2)
  expect(new Set(outcomes.map((outcome) => JSON.stringify(told(outcome))))).toEqual(
    new Set([JSON.stringify(saved), JSON.stringify(refused('apart'))]),
  )
})

test('of fifty writers at once, and other tools among them, what is gathered stays within', async () => {
  const { live, tool, save } = await hall('Budget', 'gathered')
  await save('hire', { price: '100.00' })
  const others = await Promise.all(Array.from({ length: 5 }, () => otherTool(live.schema)))
  const outcomes = await Promise.all([
    ...Array.from({ length: 45 }, () => save('extra', { 'extra-hire': '1', cost: '4.00' }).then((one) => one.kind)),
    ...others.map((other, at) =>
      other(`INSERT INTO extra (extra_number, hire, cost) VALUES (${900 + at}, 1, 4)`).then(
        () => 'saved',
        () => 'refused',
      ),
    ),
  ])
  const [{ total }] = (await tool('SELECT SUM(cost) AS total FROM extra')) as [{ total: string }]
  expect(Number(total)).toBeLessThanOrEqual(100)
  expect(Number(total)).toBe(4 * outcomes.filter((kind) => kind === 'saved').length)
  expect(Number(total)).toBeGreaterThan(80)
})

test('a record that is closed changes no more, but for what is excepted, and neither do its rows', async () => {
  const { live, tool, save } = await hall('Closed', 'closed')
  // What closes it and its last rows come in one save.
  expect(told(await save('hire', { state: 'over', guests: '10' }, { extras: [{ what: 'cake' }] }))).toEqual(saved)
  expect(told(await save('hire', { note: 'Paid in cash' }, { ref: '1' }))).toEqual(saved)
  expect(told(await save('hire', { guests: '11' }, { ref: '1' }))).toEqual(refused('closed'))
  expect(told(await save('hire', {}, { ref: '1', extras: [{ what: 'more' }] }))).toEqual(refused('closed'))
  expect(told(await save('extra', { 'extra-hire': '1', what: 'more' }))).toEqual(refused('closed'))
  expect(told(await save('extra', { what: 'less' }, { ref: '1' }))).toEqual(refused('closed'))
  const words = { ok: false, problem: { kind: 'in-own-words', words: said('closed') } }
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'extra', ref: '1', rev: 1 })).toEqual(words)
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'hire', ref: '1', rev: 2 })).toEqual(words)
  for (const statement of [
    'UPDATE hire SET guests = 11 WHERE hire_number = 1',
    'DELETE FROM hire WHERE hire_number = 1',
    "UPDATE extra SET what = 'less' WHERE extra_number = 1",
    'DELETE FROM extra WHERE extra_number = 1',
    'INSERT INTO extra (extra_number, hire) VALUES (70, 1)',
  ])
    expect(await refusing(tool(statement))).toContain(said('closed'))
  await tool("UPDATE hire SET note = 'n' WHERE hire_number = 1")
})

test('states follow each other as they may', async () => {
  const { tool, save } = await hall('Follows', 'follows')
  await save('hire', { state: 'asked' })
  expect(told(await save('hire', { state: 'over' }, { ref: '1' }))).toEqual(refused('follows'))
  expect(told(await save('hire', { state: 'agreed' }, { ref: '1' }))).toEqual(saved)
  expect(told(await save('hire', { state: 'over', guests: '5' }, { ref: '1' }))).toEqual(saved)
  expect(told(await save('hire', { state: 'asked' }, { ref: '1' }))).toEqual(refused('follows'))
  expect(await refusing(tool("UPDATE hire SET state = 'agreed' WHERE hire_number = 1"))).toContain(said('follows'))
})

test('a rule for new records lets old ones be, and one that warns lets through what is meant', async () => {
  const { tool, save } = await hall('Fresh', 'fresh', 'warned')
  expect(told(await save('hire', { from: '2020-01-01' }))).toEqual(refused('fresh'))
  expect(told(await save('hire', { from: '2099-01-01' }))).toEqual(saved)
  expect(told(await save('hire', { from: '2020-01-01' }, { ref: '1' }))).toEqual(saved)
  expect(await refusing(tool("INSERT INTO hire (hire_number, from_day) VALUES (70, '2020-01-01')"))).toContain(
    said('fresh'),
  )
  const many = await save('hire', { guests: '201' })
  expect(many).toEqual({ kind: 'warned', warnings: [{ rule: 'warned', words: said('warned') }] })
  expect(told(await save('hire', { guests: '201' }, { despite: ['warned'] }))).toEqual(saved)
  await tool('INSERT INTO hire (hire_number, guests) VALUES (71, 500)')
})

test('a rule for new records lets old ones be when their rows change, too', async () => {
  const { tool, save } = await hall('Fresh rows', 'freshTotal')
  await tool('INSERT INTO hire (hire_number, price) VALUES (1, 10)')
  const dear = { extras: [{ what: 'cake', cost: '50.00' }] }
  expect(told(await save('hire', { price: '10.00' }, dear))).toEqual(refused('freshTotal'))
  expect(told(await save('hire', {}, { ref: '1', ...dear }))).toEqual(saved)
  expect(told(await save('extra', { cost: '60.00' }, { ref: '1' }))).toEqual(saved)
  await tool('UPDATE extra SET cost = 70 WHERE extra_number = 1')
})

test('a rule is asked of what a row leaves behind, too', async () => {
  const { live, tool, save } = await hall('Counted', 'counted')
  const tea = { extras: [{ what: 'tea', cost: '1.00' }] }
  expect(told(await save('hire', { state: 'agreed' }))).toEqual(refused('counted'))
  expect(told(await save('hire', { state: 'agreed' }, tea))).toEqual(saved)
  await save('hire', { state: 'asked' })
  const behind = { kind: 'refused', words: `Hire 1: ${said('counted')}` }
  expect(told(await save('extra', { 'extra-hire': '2' }, { ref: '1' }))).toEqual(behind)
  expect(told(await save('extra', { 'extra-hire': null }, { ref: '1' }))).toEqual(behind)
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'extra', ref: '1', rev: 1 })).toEqual({
    ok: false,
    problem: { kind: 'in-own-words', words: `Hire 1: ${said('counted')}` },
  })
  expect(await refusing(tool('UPDATE extra SET hire = 2 WHERE extra_number = 1'))).toContain(said('counted'))
  expect(await refusing(tool('DELETE FROM extra WHERE extra_number = 1'))).toContain(said('counted'))
  expect(told(await save('hire', { state: 'asked' }, { ref: '1' }))).toEqual(saved)
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'extra', ref: '1', rev: 1 })).toMatchObject({
    ok: true,
  })
})

test('of thirty changes at once to rows that are there already, no more than may is let through', async () => {
  // New rows wait for each other at their running number; changed ones meet nothing but the rule.
  const { tool, save } = await hall('Changes', 'apart', 'gathered')
  const many = Array.from({ length: 30 }, (_, at) => at + 1)
  await tool(`INSERT INTO hire (hire_number, room, price) VALUES ${many.map((one) => `(${one}, 1, 100)`).join(', ')}`)
  await tool(`INSERT INTO extra (extra_number, hire, cost) VALUES ${many.map((one) => `(${one}, 1, 0)`).join(', ')}`)
  const days = { from: '2027-05-01', to: '2027-05-03' }
  const hired = await Promise.all(many.map((one) => save('hire', days, { ref: String(one) })))
  expect(hired.filter(({ kind }) => kind === 'saved')).toHaveLength(1)
  const spent = await Promise.all(many.map((one) => save('extra', { cost: '9.00' }, { ref: String(one) })))
  expect(spent.filter(({ kind }) => kind === 'saved')).toHaveLength(11)
})

test.each(['REPEATABLE READ', 'READ COMMITTED'])(
  'other tools in %s may read while they write, and get through no more than may',
  async (isolation) => {
    const { live, tool } = await hall(`Tools ${isolation}`, 'gathered', 'apart')
    await tool('INSERT INTO hire (hire_number, price, room) SELECT 1, 10, room_number FROM room LIMIT 1')
    await tool('INSERT INTO extra (extra_number, hire, cost) SELECT 1, hire_number, 2 FROM hire')
    await tool('INSERT INTO extra (extra_number, hire, cost) VALUES (50, 1, 0), (51, 1, 0)')
    const [first, second] = [await otherTool(live.schema), await otherTool(live.schema)]
    for (const one of [first, second]) {
      await one(`SET SESSION TRANSACTION ISOLATION LEVEL ${isolation}`)
      await one('START TRANSACTION')
      await one('SELECT COUNT(*) FROM extra')
    }
    const spend = (one: typeof first, number: number) =>
      refusing(one(`UPDATE extra SET cost = 6 WHERE extra_number = ${number}`))
    expect(await spend(first, 50)).toBe('it was taken')
    // The second waits for the first, which holds the rows it must see.
    const waiting = spend(second, 51)
    await new Promise((done) => setTimeout(done, 200))
    await first('COMMIT')
    expect(await waiting).toContain(said('gathered'))
    await second('COMMIT')
    expect(await tool('SELECT SUM(cost) AS total FROM extra')).toEqual([{ total: '8.00' }])
  },
)

test('what other tools broke is mended row by row, each time with the words; nothing new is broken', async () => {
  const { live, tool, save } = await hall('Mending', 'gathered')
  const saving = async (work: () => Promise<unknown>) => {
    await tool('SET @hearth_saving = 1')
    await work()
    await tool('SET @hearth_saving = NULL')
  }
  await saving(() => tool('INSERT INTO hire (hire_number, price) VALUES (1, 10), (2, 10)'))
  await saving(() => tool('INSERT INTO extra (extra_number, hire, cost) VALUES (1, 1, 20), (2, 1, 30), (3, 2, 5)'))
  const warned = await save('extra', { cost: '15.00' }, { ref: '1' })
  expect(warned).toEqual({
    kind: 'warned',
    warnings: [{ rule: 'gathered', words: `${said('gathered')} It was so before.` }],
  })
  expect(told(await save('extra', { cost: '15.00' }, { ref: '1', despite: ['gathered'] }))).toEqual(saved)
  expect(await removeRecord({ db, live, who: 'Averil' }, { table: 'extra', ref: '2', rev: 1 })).toMatchObject({
    ok: true,
  })
  expect(told(await save('extra', { cost: '9.00' }, { ref: '1' }))).toEqual(saved)
  // What is whole by now, or always was, is refused whatever was passed over before.
  expect(told(await save('extra', { cost: '11.00' }, { ref: '1', despite: ['gathered'] })).kind).toBe('refused')
  expect(told(await save('extra', { cost: '11.00' }, { ref: '3', despite: ['gathered'] })).kind).toBe('refused')
})
