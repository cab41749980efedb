import { findTable, tableOf } from '@/core/book'
import type { Value } from '@/core/kinds'
import type { Problems, Values } from '@/core/records'
import { type Problem, nth } from '@/core/words'
import { isDuplicate, refusalOf } from '../refusals'
import type { Unit } from '../unit'
import type { SentRow } from './check-request'
import type { Guards } from './guard'
import { giveNumbers, type Insert, insertOf, rowsAtOnce } from './insert-many'
import { RowRefused } from './row-refused'
import { catchUpNumbers } from './running-numbers'
import { SaveRefused } from './save-problems'
import { Conflict, Gone, writeSent } from './write-sent'

/** A row that stands by itself in what was sent, and what it is to hold. */
export interface PlacedRow extends SentRow {
  readonly values: Values
  readonly at: number
}

/** What a row goes by that was written. */
export interface SavedRow {
  readonly at: number
  readonly ref: string
}

export const placeOfRow = (at: number) => `rows/${at}`
export const rowAt = (place: string) => Number(place.split('/')[1])

/**
 * Writes rows, the changed ones one by one and then the new ones, many in a statement. Goes on past those that are
 * refused, so that all of them are told; what is written by then must be taken back.
 */
export async function writeRows(
  unit: Unit,
  guards: Guards,
  rows: readonly PlacedRow[],
  progress: (done: number) => void,
): Promise<{ readonly saved: SavedRow[]; readonly refused: Map<number, Problems> }> {
  const saved: SavedRow[] = []
  const refused = new Map<number, Problems>()
  const refuse = (row: PlacedRow, cause: unknown) => refused.set(row.at, problemsOf(unit, row, cause))
  for (const row of rows.filter(({ ref }) => ref !== null)) {
    try {
      const ref = await writeSent(unit, guards, row)
      if (ref !== undefined) saved.push({ at: row.at, ref })
    } catch (cause) {
      refuse(row, cause)
    }
    if (saved.length % rowsAtOnce === 0) progress(saved.length)
  }
  const fresh: PlacedRow[] = []
  for (const row of rows.filter(({ ref }) => ref === null)) {
    try {
      await guards.before(row)
      fresh.push(row)
    } catch (cause) {
      refuse(row, cause)
    }
  }
  const heard: Heard = {
    async done(row, ref) {
      saved.push({ at: row.at, ref })
      await guards.after(row, ref)
    },
    refuse,
  }
  const all = await numbered(unit, fresh)
  const some = (from: number) =>
    from < all.length ? readyToInsert(unit, all.slice(from, from + rowsAtOnce)) : undefined
  for (let from = 0, ready = some(0); ready;) {
    const running = insertSome(unit, ready, heard)
    // The next are made ready while the database writes these.
    ready = some((from += rowsAtOnce))
    await running
    progress(saved.length)
  }
  return { saved, refused }
}

/** The rows with their running numbers. */
async function numbered(unit: Unit, rows: readonly PlacedRow[]): Promise<readonly PlacedRow[]> {
  const [first] = rows
  if (!first || !hasNumbers(unit, first.table)) return rows
  const given = rows.map(({ values }): Record<string, Value> => ({ ...values }))
  await giveNumbers(unit, first.table, given, () => unit.now.moment)
  return rows.map((row, at) => ({ ...row, values: nth(given, at) }))
}

interface Heard {
  readonly done: (row: PlacedRow, ref: string) => Promise<void>
  readonly refuse: (row: PlacedRow, cause: unknown) => void
}

interface Ready {
  readonly rows: readonly PlacedRow[]
  /** What makes them ready may refuse them too. */
  readonly insert: Insert | { readonly cause: unknown }
}

function readyToInsert(unit: Unit, rows: readonly PlacedRow[]): Ready {
  try {
    const values = rows.map((row) => row.values)
    return { rows, insert: insertOf(unit, nth(rows, 0).table, values) }
  } catch (cause) {
    return { rows, insert: { cause } }
  }
}

/** The database doesn't say which of several rows it refuses: they are halved until it is found. */
async function insertSome(unit: Unit, { rows, insert }: Ready, heard: Heard, again = false): Promise<void> {
  const { table } = nth(rows, 0)
  let refs: readonly string[]
  try {
    if ('cause' in insert) throw insert.cause
    await insert.run()
    refs = insert.refs
  } catch (cause) {
    const isRefused = cause instanceof RowRefused || refusalOf(unit.live, table, cause)
    if (!isRefused) throw cause
    if (!again && isDuplicate(cause) && hasNumbers(unit, table)) {
      // Another tool may have written rows with numbers ahead of ours: catch up with them, once.
      await catchUpNumbers(unit, table)
      return insertSome(unit, readyToInsert(unit, await numbered(unit, rows)), heard, true)
    }
    if (rows.length === 1) return heard.refuse(nth(rows, 0), cause)
    const half = Math.ceil(rows.length / 2)
    await insertSome(unit, readyToInsert(unit, rows.slice(0, half)), heard, again)
    return insertSome(unit, readyToInsert(unit, rows.slice(half)), heard, again)
  }
  for (const [at, ref] of refs.entries()) await heard.done(nth(rows, at), ref)
}

const hasNumbers = ({ live }: Unit, table: string) =>
  tableOf(live.book, table).fields.some(({ kind }) => kind === 'running')

/** What a row is refused for; anything else is thrown on. */
function problemsOf({ live }: Unit, { table }: PlacedRow, cause: unknown): Problems {
  const name = findTable(live.book, table)?.name ?? 'table'
  if (cause instanceof Gone) return { '': { kind: 'no-such-record', table: name } }
  if (cause instanceof Conflict) return { '': { kind: 'changed-meanwhile', by: cause.by } }
  if (cause instanceof SaveRefused) {
    const [own] = Object.values(cause.problems.rows)
    if (own) return own
  }
  const refusal: { fields?: readonly string[]; field?: string | undefined; problem: Problem } | undefined =
    cause instanceof RowRefused ? cause : refusalOf(live, table, cause)
  if (!refusal) throw cause
  const at = refusal.fields?.at(-1) ?? refusal.field ?? ''
  return { [at]: refusal.problem }
}
