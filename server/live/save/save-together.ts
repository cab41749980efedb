import * as z from 'zod'
import { findTable } from '@/core/book'
import type { Values } from '@/core/records'
import type { Problem } from '@/core/words'
import { roomProblem } from '../../disk-room'
import type { Live } from '../live'
import { BeingOpened, changeRecords } from '../open/gate'
import { keyParams, readRecord, recordWords } from '../read/rows'
import { databaseErrorOf } from '../refusals'
import type { Reads, Unit, Writer } from '../unit'
import { checkRequest, type SentRow } from './check-request'
import { guardsOf } from './guards-of'
import { followingChanges, holdRecords, type RowChange, ruleGates } from './holding'
import { firstProblem, SaveRefused, Warned, type Warning } from './save-problems'
import { Row } from './save-request'
import { Conflict, Gone, writeSent } from './write-sent'

/** So many records are changed or removed together. */
export const mostTogether = 500

/** Records that are changed or removed as one: each with the revision that was seen, and its new values. */
export const TogetherRequest = z.strictObject({
  table: z.string().max(40),
  records: z
    .array(Row.pick({ rev: true, values: true }).extend({ ref: z.string().max(4000) }))
    .min(1)
    .max(mostTogether),
  remove: z.literal(true).optional(),
  /** Rules that warned, and whose words were read. */
  despite: z.array(z.string().max(40)).max(1000).optional(),
})
export type TogetherRequest = z.infer<typeof TogetherRequest>

/** What a record has become, and what it was before: sent back, it takes the change back. */
export interface ChangedOne {
  readonly ref: string
  readonly rev: number
  readonly before: Values
}

export type TogetherOutcome =
  | { readonly kind: 'done'; readonly records: readonly ChangedOne[] }
  /** Nothing is changed: this one stands in the way, by what it is known by. */
  | { readonly kind: 'refused'; readonly record: string; readonly problem: Problem }
  | { readonly kind: 'warned'; readonly warnings: readonly Warning[] }
  | { readonly kind: 'waits' }

/** What the program itself does with the changes, in the same transaction; rules that only warn don't stand in its way. */
export interface Along {
  /** Which of the records are changed after all, as they are now: nothing is changed yet. */
  readonly only: (unit: Unit) => Promise<TogetherRequest['records']>
  readonly after: (unit: Unit) => Promise<void>
}

/** What stood in the way, and at which of the records. */
class Stopped extends Error {
  constructor(
    readonly at: number,
    override readonly cause: unknown,
  ) {
    super('stopped')
  }
}

/** Changes or removes several records of a table: all of them or none, each as if it were saved by itself. */
export async function saveTogether(writer: Writer, request: TogetherRequest, along?: Along): Promise<TogetherOutcome> {
  const { db } = writer
  const full = await roomProblem(db)
  if (full) return { kind: 'refused', record: '', problem: full }
  let current = writer.live
  try {
    const records = await changeRecords(
      writer,
      (live) => ruleGates(live, changesOf(live, request)),
      async (unit) => {
        current = unit.live
        return write(unit, request, along)
      },
    )
    return { kind: 'done', records }
  } catch (cause) {
    if (cause instanceof BeingOpened) return { kind: 'waits' }
    if (cause instanceof Warned) return { kind: 'warned', warnings: cause.warnings }
    const { at, problem } = problemIn(current, request, cause)
    return { kind: 'refused', record: await wordsOf({ db, live: current }, request, at), problem }
  }
}

function changesOf(live: Live, { table, records, remove }: TogetherRequest): RowChange[] {
  const own = records.map(({ ref, values }) => ({ table, ref, values: remove ? undefined : values }))
  return remove && findTable(live.book, table) ? [...own, ...followingChanges(live, table)] : own
}

async function write(unit: Unit, request: TogetherRequest, along: Along | undefined): Promise<ChangedOne[]> {
  const { table, despite = [], remove } = request
  await holdRecords(unit, changesOf(unit.live, request))
  const records = along ? await along.only(unit) : request.records
  const places = new Map(request.records.map(({ ref }, at) => [ref, at]))
  const rows = records.map((one) => {
    const at = places.get(one.ref) ?? 0
    return { at, row: sentOf(unit.live, request, one, at) }
  })
  const guards = guardsOf(unit, { insets: new Set(), despite: remove || along ? 'every-warning' : despite })
  await guards.begin(rows.map(({ row }) => row))
  const done: { readonly ref: string; readonly before: Values }[] = []
  for (const { at, row } of rows) {
    const before = await stoppedAt(at, () => valuesBefore(unit, row))
    const ref = await stoppedAt(at, () => writeSent(unit, guards, row))
    if (ref !== undefined) done.push({ ref, before })
  }
  const changed = await guards.end(async () => {
    const records: ChangedOne[] = []
    for (const { ref, before } of done) {
      const record = await readRecord(unit, table, ref, new Set())
      if (record.ok) records.push({ ref, rev: record.value.row.rev, before })
    }
    return records
  })
  await along?.after(unit)
  return changed
}

function sentOf(
  live: Live,
  { table, remove }: TogetherRequest,
  { ref, rev, values }: TogetherRequest['records'][number],
  at: number,
): SentRow {
  const place = `together/${at}`
  if (remove) {
    if (!findTable(live.book, table)) throw new Stopped(at, new Gone())
    return { table, ref, rev, values: undefined, place }
  }
  try {
    const [own] = checkRequest(live, { table, ref, rev, values, children: [] })
    if (!own) throw new Error('Expected the record that was sent.')
    return { ...own, place }
  } catch (cause) {
    throw new Stopped(at, cause)
  }
}

/** What the fields that are written held before. */
async function valuesBefore(unit: Unit, { table, ref, values }: SentRow): Promise<Values> {
  if (!values || ref === null) return {}
  const stored = await readRecord(unit, table, ref, new Set())
  if (!stored.ok) throw new Gone()
  return Object.fromEntries(Object.keys(values).map((id) => [id, stored.value.row.values[id] ?? null]))
}

async function stoppedAt<T>(at: number, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (cause) {
    throw isOurs(cause) ? new Stopped(at, cause) : cause
  }
}

const isOurs = (cause: unknown) => cause instanceof SaveRefused || cause instanceof Conflict || cause instanceof Gone

/** What stood in the way, and at which of the records that were sent. */
function problemIn(live: Live, { table, records }: TogetherRequest, cause: unknown) {
  const { at, cause: inner } = cause instanceof Stopped ? cause : { at: undefined, cause }
  if (inner instanceof Gone)
    return { at, problem: { kind: 'no-such-record', table: findTable(live.book, table)?.name ?? 'table' } as const }
  if (inner instanceof Conflict) return { at, problem: { kind: 'changed-meanwhile', by: inner.by } as const }
  // Somebody linked to it between our count and the removal.
  if (databaseErrorOf(inner).errno === 1451)
    return { at, problem: { kind: 'in-use', table: findTable(live.book, table)?.name ?? 'table', by: [] } as const }
  const problem = inner instanceof SaveRefused ? firstProblem(inner) : undefined
  if (!problem || !(inner instanceof SaveRefused)) throw inner
  const [place] = Object.keys(inner.problems.rows)
  return { at: at ?? (place ? Math.min(Number(place.split('/')[1]), records.length - 1) : undefined), problem }
}

/** What the record in the way is known by. */
async function wordsOf(reads: Reads, { table, records }: TogetherRequest, at: number | undefined): Promise<string> {
  const ref = at === undefined ? undefined : records[at]?.ref
  const key = ref !== undefined && findTable(reads.live.book, table) ? keyParams(reads.live, table, ref) : undefined
  if (!key || ref === undefined) return ''
  const words = await recordWords(reads, table, key)
  return words && words !== ref ? `${ref} (${words})` : ref
}
