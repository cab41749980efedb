import type { Column, Condition, List, Way } from '@/core/book'
import { editBook, findBook } from '@/server/books'
import { askGroups, askList, countList, liveOf, openBook } from '@/server/live'
import type { BenchBook } from './book'
import { fill } from './lists'
import { type Figure, turnByTurn } from './measure'

const columns = 'v.visit_code, v.booked_for, v.state, p.address, p.town'
const from = 'FROM visit v LEFT JOIN premises p ON p.premises_number = v.premises'

interface Case {
  readonly what: string
  readonly ours: () => Promise<unknown>
  readonly sql: string
  readonly rounds: number
}

/**
 * Lists that people put together, over a million visits, against the statements somebody would write by hand; or only
 * those that are kept ready.
 */
export async function benchAsked(book: BenchBook, which: 'all' | 'ready' = 'all'): Promise<Figure[]> {
  const { db, live, plain } = book
  await fill(plain)
  const link = (many: string, one: string) => live.book.links.find((each) => each.many === many && each.one === one)!.id
  const premises: Way = [{ to: 'one', field: 'visit__premises' }]
  const work: Way = [{ to: 'rows', link: link('work-line', 'visit') }]
  const field = (id: string, way: Way = []): Column => ({ id, shows: { kind: 'field', place: { way, field: id } } })
  const shown = [
    field('visit__key'),
    field('visit__booked-for'),
    field('visit__state'),
    field('premises__address', premises),
    field('premises__town', premises),
  ]
  const list = (more: Partial<List>): List => ({
    id: 'bench',
    table: 'visit',
    columns: shown,
    asks: [],
    order: [{ column: 'visit__key' }],
    ...more,
  })
  const answers = { given: {}, now: { moment: '2027-03-12T10:00' } }
  const ask = (more: Partial<List>) => () => askList({ db, live }, list(more), answers, { limit: 100 })
  const is = (id: string, value: string, way: Way = []): Condition => ({
    kind: 'compare',
    place: { way, field: id },
    how: 'is',
    with: [{ value }],
  })
  const none: Condition = { kind: 'has', way: work, most: 0 }
  const many: Condition = { kind: 'has', way: work, least: 3 }
  const lines: Column = { id: 'lines', shows: { kind: 'gathered', way: work, name: 'count' } }
  const together: Column = {
    id: 'items',
    shows: { kind: 'several', place: { way: work, field: 'work-line__quantity' }, as: 'together' },
  }
  const page = `ORDER BY v.visit_code LIMIT 101`
  const counted = '(SELECT COUNT(*) FROM work_line w WHERE w.visit = v.visit_code)'
  const town = { place: { way: premises, field: 'premises__town' } }
  const month = { place: { way: [], field: 'visit__booked-for' }, step: 'month' } as const
  const quantity: Column = {
    id: 'quantity',
    shows: { kind: 'gathered', way: work, name: 'total', field: 'work-line__quantity' },
  }
  const groups = (more: Partial<List>, by: readonly number[]) => () =>
    askGroups({ db, live }, list(more), answers, { by })
  const ofMonth = "DATE_FORMAT(v.booked_for, '%Y-%m')"
  const cases: Case[] = [
    { what: 'asked: first page', ours: ask({}), sql: `SELECT ${columns} ${from} ${page}`, rounds: 100 },
    {
      what: 'asked: a field of a linked record is so',
      ours: ask({ where: is('premises__town', 'Saltmere', premises) }),
      sql: `SELECT ${columns} ${from} WHERE p.town = 'Saltmere' ${page}`,
      rounds: 3,
    },
    {
      what: 'asked: has none',
      ours: ask({ where: none }),
      sql: `SELECT ${columns} ${from} WHERE NOT EXISTS (SELECT 1 FROM work_line w WHERE w.visit = v.visit_code) ${page}`,
      rounds: 3,
    },
    {
      what: 'asked: how many have none',
      ours: () => countList({ db, live }, list({ where: none }), answers),
      sql: 'SELECT COUNT(*) FROM visit v WHERE NOT EXISTS (SELECT 1 FROM work_line w WHERE w.visit = v.visit_code)',
      rounds: 3,
    },
    {
      what: 'asked: has at least three',
      ours: ask({ where: many }),
      sql: `SELECT ${columns} ${from} WHERE ${counted} >= 3 ${page}`,
      rounds: 1,
    },
    {
      what: 'asked: counted beside each',
      ours: ask({ columns: [...shown, lines] }),
      sql: `SELECT ${columns}, ${counted} AS n ${from} ${page}`,
      rounds: 50,
    },
    {
      what: 'asked: together in one place',
      ours: ask({ columns: [...shown, together] }),
      sql: `SELECT ${columns}, (SELECT GROUP_CONCAT(w.quantity SEPARATOR ', ') FROM work_line w WHERE w.visit = v.visit_code) AS q ${from} ${page}`,
      rounds: 50,
    },
    {
      what: 'asked: sorted by a field of a linked record',
      ours: ask({ order: [{ column: 'premises__town' }] }),
      sql: `SELECT ${columns} ${from} ORDER BY p.town, v.visit_code LIMIT 101`,
      rounds: 3,
    },
    {
      what: 'asked: sorted by how many',
      ours: ask({ columns: [...shown, lines], order: [{ column: 'lines', down: true }] }),
      sql: `SELECT ${columns}, ${counted} AS n ${from} ORDER BY n DESC, v.visit_code DESC LIMIT 101`,
      rounds: 1,
    },
    {
      what: 'asked: grouped by month',
      ours: groups({ groups: [month] }, [0]),
      sql: `SELECT ${ofMonth} AS m, COUNT(*) FROM visit v GROUP BY m ORDER BY m`,
      rounds: 3,
    },
    {
      what: 'asked: grouped by a field of a linked record',
      ours: groups({ groups: [town] }, [0]),
      sql: `SELECT p.town, COUNT(*) ${from} GROUP BY p.town ORDER BY p.town`,
      rounds: 3,
    },
    {
      what: 'asked: crossed',
      ours: groups({ groups: [town, month] }, [0, 1]),
      sql: `SELECT p.town, ${ofMonth} AS m, COUNT(*) ${from} GROUP BY p.town, m ORDER BY p.town, m`,
      rounds: 3,
    },
    {
      what: 'asked: groups with totals of several',
      ours: groups({ columns: [...shown, quantity], groups: [town], figures: [{ column: 'quantity' }] }, [0]),
      sql: `SELECT p.town, COUNT(DISTINCT v.visit_code), SUM(w.quantity) ${from} LEFT JOIN work_line w ON w.visit = v.visit_code GROUP BY p.town ORDER BY p.town`,
      rounds: 1,
    },
  ]
  const figures = which === 'all' ? await measured(plain, cases) : []
  const open = await keptReady(book, list({ name: 'Ready', columns: [...shown, lines, quantity] }))
  const asReady = (more: Partial<List>) => () => askList(open, list(more), answers, { limit: 100 })
  const summed = '(SELECT SUM(w.quantity) FROM work_line w WHERE w.visit = v.visit_code)'
  return [
    ...figures,
    ...(await measured(plain, [
      { ...caseOf(cases, 'asked: has none'), what: 'ready: has none', ours: asReady({ where: none }) },
      {
        ...caseOf(cases, 'asked: how many have none'),
        what: 'ready: how many have none',
        ours: () => countList(open, list({ where: none }), answers),
      },
      {
        ...caseOf(cases, 'asked: has at least three'),
        what: 'ready: has at least three',
        ours: asReady({ where: many }),
      },
      {
        ...caseOf(cases, 'asked: sorted by how many'),
        what: 'ready: sorted by how many',
        ours: asReady({ columns: [...shown, lines], order: [{ column: 'lines', down: true }] }),
      },
      {
        what: 'ready: sorted by a total of several',
        ours: asReady({ columns: [...shown, quantity], order: [{ column: 'quantity', down: true }] }),
        sql: `SELECT ${columns}, ${summed} AS n ${from} ORDER BY n DESC, v.visit_code DESC LIMIT 101`,
        rounds: 1,
      },
      {
        ...caseOf(cases, 'asked: groups with totals of several'),
        what: 'ready: groups with totals of several',
        ours: () =>
          askGroups(
            open,
            list({ columns: [...shown, quantity], groups: [town], figures: [{ column: 'quantity' }] }),
            answers,
            { by: [0] },
          ),
      },
    ])),
  ]
}

/** The book opened again with a list that is to be ready; how long that took is told beside the rest. */
export async function keptReady({ db, live, account }: BenchBook, asked: List) {
  const began = performance.now()
  await editBook(db, live.id, account, { kind: 'addList', ...asked, ready: true }, [])
  const sheet = await openBook(db, live.id, account)
  if (!sheet.ok || sheet.value.blocked.length > 0) throw new Error('Expected the book to open again.')
  process.stdout.write(`opened again with what is kept ready in ${Math.round(performance.now() - began)} ms\n`)
  const stored = await findBook(db, live.id)
  const now = stored && liveOf(stored)
  if (!now?.ok) throw new Error('Expected an open book.')
  return { db, live: now.value }
}

function caseOf(cases: readonly Case[], what: string): Case {
  const found = cases.find((one) => one.what === what)
  if (!found) throw new Error(`Expected the case “${what}”.`)
  return found
}

async function measured(plain: BenchBook['plain'], cases: readonly Case[]): Promise<Figure[]> {
  const figures: Figure[] = []
  for (const { what, ours, sql, rounds } of cases) {
    const statement = await plain.prepare(sql)
    const times = await turnByTurn(rounds, { ours, bare: () => statement.execute([]) })
    figures.push({ what, ours: times.ours, plain: times.bare, aim: 1.3 })
  }
  return figures
}
