import { beforeAll, beforeEach, expect, test } from 'vitest'
import type { Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import type { Catalogue } from '../../catalogue'
import { type Live, readList, removeRecord, saveRecord, type SaveRequest } from '..'

// Each round needs at least one stop, each stop belongs to a round and a street; a street need not keep one.
const edits: Edit[] = [
  ...['round', 'street', 'stop'].map((name): Edit => ({
    kind: 'addTable',
    id: name,
    name: name[0]!.toUpperCase() + name.slice(1),
    keyField: `${name}-key`,
  })),
  ...(['round', 'street'] as const).map((one): Edit => ({
    kind: 'answerPairing',
    a: one,
    b: 'stop',
    aHasSeveral: true,
    bHasSeveral: false,
    aMust: true,
    bMust: true,
    ids: { table: `${one}-t`, links: [one + '-link', one + '-l2'], fields: [`stop-${one}`, `${one}-f2`] },
  })),
  { kind: 'changeLink', link: 'street-link', least: 0, onRemove: 'remove' },
]

let db: Catalogue
let live: Live
let street: string

beforeAll(async () => {
  db = await testCatalogue('least')
  const account = await testAccount(db, 'Averil')
  live = await opened(db, account, await testBook(db, account, 'Rounds', edits))
})

const save = (request: Partial<SaveRequest> & { table: string }) =>
  saveRecord({ db, live, who: 'Averil' }, { ref: null, rev: null, values: {}, children: [], ...request })

async function saved(request: Partial<SaveRequest> & { table: string }) {
  const outcome = await save(request)
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  return outcome.record.row
}

const stopAt = (ref: string | null = null, rev: number | null = null, removed = false) => ({
  ref,
  rev,
  values: { 'stop-street': street },
  removed,
})

async function roundOf(stops: number) {
  const round = await saved({
    table: 'round',
    children: [{ link: 'round-link', rows: Array.from({ length: stops }, () => stopAt()) }],
  })
  const { rows } = await readList(
    { db, live },
    {
      table: 'stop',
      linked: { field: 'stop-round', key: [round.ref] },
      limit: 9,
    },
  )
  return { round, stops: rows }
}

beforeEach(async () => {
  street = (await saved({ table: 'street' })).ref
})

const left = /^Round \d+ would be left without a stop, and it needs at least one\. Give it another first\.$/

test('a record can’t be saved without the row it needs', async () => {
  const outcome = await save({ table: 'round' })
  expect(outcome.kind === 'refused' && outcome.problems.whole.map(wordProblem)).toEqual([
    'A round needs at least one stop. Add it below.',
  ])
})

test('the last row can’t be removed by itself, the last but one can', async () => {
  const { stops } = await roundOf(2)
  expect((await removeRecord({ db, live, who: 'Averil' }, { table: 'stop', ref: stops[0]!.ref, rev: 1 })).ok).toBe(true)
  const refused = await removeRecord({ db, live, who: 'Averil' }, { table: 'stop', ref: stops[1]!.ref, rev: 1 })
  expect(!refused.ok && wordProblem(refused.problem)).toMatch(left)
})

test('the last row can’t move to another record', async () => {
  const [from, to] = [await roundOf(1), await roundOf(1)]
  const move = await save({ table: 'stop', ref: from.stops[0]!.ref, rev: 1, values: { 'stop-round': to.round.ref } })
  expect(move.kind === 'refused' && move.problems.whole.map(wordProblem)[0]).toMatch(left)
})

test('a row may be traded for another in one save', async () => {
  const { round, stops } = await roundOf(1)
  const rows = [stopAt(stops[0]!.ref, 1, true), stopAt()]
  const traded = await save({
    table: 'round',
    ref: round.ref,
    rev: 1,
    values: {},
    children: [{ link: 'round-link', rows }],
  })
  expect(traded.kind).toBe('saved')
})

test('what goes with a removed record can’t leave others without', async () => {
  const { round } = await roundOf(1)
  const refused = await removeRecord({ db, live, who: 'Averil' }, { table: 'street', ref: street, rev: 1 })
  expect(!refused.ok && wordProblem(refused.problem)).toMatch(left)
  const elsewhere = (await saved({ table: 'street' })).ref
  await saved({ table: 'stop', values: { 'stop-round': round.ref, 'stop-street': elsewhere } })
  expect((await removeRecord({ db, live, who: 'Averil' }, { table: 'street', ref: street, rev: 1 })).ok).toBe(true)
})

test('two people can’t each take the last but one', async () => {
  for (let round = 0; round < 5; round++) {
    const { stops } = await roundOf(2)
    const outcomes = await Promise.all(
      stops.map((stop) => removeRecord({ db, live, who: 'Averil' }, { table: 'stop', ref: stop.ref, rev: 1 })),
    )
    expect(outcomes.filter((outcome) => outcome.ok)).toHaveLength(1)
  }
})
