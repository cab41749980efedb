import { tableOf } from '@/core/book'
import { runningPeriod, type Value, writeRunning } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { checkRecord, type Problems, type Values } from '@/core/records'
import { ok, type Result } from '@/core/words'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import { changeRecords } from '../open/gate'
import { type Live, namesOf } from '../live'
import { refusalOf } from '../refusals'
import { holdCount, keepCount } from './running-numbers'
import { columnsFor, refFrom, wholeValues } from './write-row'

const rowsAtOnce = 400
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

/**
 * Adds many rows in one transaction, all or none, through the same checks as a single save, with
 * running numbers that go on where the counts stand. Returns the new references in order.
 * `momentOf` says which moment a row's running numbers belong to ("2027-03-12T09:30").
 */
export async function addMany(
  db: Catalogue,
  live: Live,
  tableId: string,
  rows: readonly Values[],
  who: string,
  momentOf: (row: Values) => string,
): Promise<Result<string[], RowProblem>> {
  const added = changeRecords(db, live, noRules, async (live, transaction) => {
    const running = tableOf(live.book, tableId).fields.filter((field) => field.kind === 'running')
    const checked: Record<string, Value>[] = []
    for (const [at, row] of rows.entries()) {
      const whole = checkRecord(live.book, tableId, wholeValues(live, tableId, row))
      if (!whole.ok) return { ok: false as const, problem: { at, problems: whole.problem } }
      checked.push({ ...whole.value, ...copiesGiven(live, tableId, rows, row) })
    }
    for (const field of running) {
      const counts = new Map<string, number>()
      for (const [at, values] of checked.entries()) {
        const period = runningPeriod(field, momentOf(rows[at]!))
        const last = counts.get(period) ?? (await holdCount(db, live, field.id, period, transaction))
        counts.set(period, last + 1)
        values[field.id] = writeRunning(last + 1, field, period)
      }
      for (const [period, last] of counts) await keepCount(db, live, field.id, period, last, transaction)
    }
    const refs: string[] = []
    for (let from = 0; from < checked.length; from += rowsAtOnce) {
      const some = checked.slice(from, from + rowsAtOnce).map((values) => columnsFor(live, tableId, values))
      refs.push(...some.map((columns) => refFrom(live, tableId, columns)))
      const names = some[0]!.map((column) => quoteName(column.name))
      const marks = `(${[...names, who].map(() => '?').join(', ')})`
      const params = some.flatMap((columns) => [...columns.map((column) => column.value), who])
      await run(
        db,
        `INSERT INTO ${namesOf(live).quoted(tableId)} (${names.join(', ')}, \`changed_by\`) VALUES ${some.map(() => marks).join(', ')}`,
        params,
        transaction,
      )
    }
    return ok(refs)
  })
  return added.catch((cause: unknown) => {
    const refusal = refusalOf(live, tableId, cause)
    if (!refusal) throw cause
    // The database doesn't say which row it was.
    return { ok: false, problem: { at: 0, problems: { [refusal.field ?? '']: refusal.problem } } }
  })
}
