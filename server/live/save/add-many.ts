import { tableOf } from '@/core/book'
import type { Value } from '@/core/kinds'
import { checkRecord, type Problems, type Values } from '@/core/records'
import { nth, ok, type Result } from '@/core/words'
import { changeRecords } from '../open/gate'
import type { Live } from '../live'
import { refusalOf } from '../refusals'
import type { Unit, Writer } from '../unit'
import { giveNumbers, insertOf, rowsAtOnce } from './insert-many'
import { wholeValues } from './write-row'

const noRules = () => new Map<string, never>()

/** Copied facts as they were at the time, for records that are older than the book; the others are taken now. */
function copiesGiven(live: Live, tableId: string, rows: readonly Values[], row: Values): Values {
  const copied = tableOf(live.book, tableId).fields.filter(
    (field) => field.kind === 'copied' && rows.some((other) => field.id in other),
  )
  return Object.fromEntries(copied.map((field) => [field.id, row[field.id] ?? null]))
}

/** The row that was refused, counted from nought, and why. */
export interface RowProblem {
  readonly at: number
  readonly problems: Problems
}

/** Many new rows of one table. */
export interface ManyRows {
  readonly table: string
  readonly rows: readonly Values[]
  /** The moment that a row's running numbers belong to ("2027-03-12T09:30"). */
  readonly momentOf: (row: Values) => string
}

/**
 * Adds many rows, all or none, each checked as a single save checks it, with running numbers that go on where the
 * counts stand. Returns the new references in order. Whole tables come like this, one after the other: what is asked
 * of several records (`guardsOf`) is asked by who loads them, when all are there.
 */
export async function addMany(writer: Writer, many: ManyRows): Promise<Result<string[], RowProblem>> {
  const added = changeRecords(writer, noRules, async (unit) => {
    const checked: Record<string, Value>[] = []
    for (const [at, row] of many.rows.entries()) {
      const whole = checkRecord(unit.live.book, many.table, wholeValues(unit.live, many.table, row))
      if (!whole.ok) return { ok: false as const, problem: { at, problems: whole.problem } }
      checked.push({ ...whole.value, ...copiesGiven(unit.live, many.table, many.rows, row) })
    }
    await giveNumbers(unit, many.table, checked, (at) => many.momentOf(nth(many.rows, at)))
    return ok(await insertAll(unit, many.table, checked))
  })
  return added.catch((cause: unknown) => {
    const refusal = refusalOf(writer.live, many.table, cause)
    if (!refusal) throw cause
    // The database doesn't say which row it was.
    return { ok: false, problem: { at: 0, problems: { [refusal.field ?? '']: refusal.problem } } }
  })
}

async function insertAll(unit: Unit, table: string, checked: readonly Values[]): Promise<string[]> {
  const refs: string[] = []
  for (let from = 0; from < checked.length; from += rowsAtOnce) {
    const insert = insertOf(unit, table, checked.slice(from, from + rowsAtOnce))
    await insert.run()
    refs.push(...insert.refs)
  }
  return refs
}
