import { tableOf } from '@/core/book'
import { runningPeriod, type Value, writeRunning } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { checkRecord, type Problems, type Values } from '@/core/records'
import { ok, type Result } from '@/core/words'
import { changeRecords } from '../open/gate'
import { type Live, namesOf } from '../live'
import { refusalOf } from '../refusals'
import { runIn, type Unit, type Writer } from '../unit'
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
    await giveNumbers(unit, many, checked)
    return ok(await insertAll(unit, many.table, checked))
  })
  return added.catch((cause: unknown) => {
    const refusal = refusalOf(writer.live, many.table, cause)
    if (!refusal) throw cause
    // The database doesn't say which row it was.
    return { ok: false, problem: { at: 0, problems: { [refusal.field ?? '']: refusal.problem } } }
  })
}

/** Gives each row its running numbers, and moves the counts on once for all of them. */
async function giveNumbers(
  unit: Unit,
  { table, rows, momentOf }: ManyRows,
  checked: readonly Record<string, Value>[],
): Promise<void> {
  for (const field of tableOf(unit.live.book, table).fields.filter(({ kind }) => kind === 'running')) {
    const counts = new Map<string, number>()
    for (const [at, values] of checked.entries()) {
      const period = runningPeriod(field, momentOf(rows[at]!))
      const last = counts.get(period) ?? (await holdCount(unit, field.id, period))
      counts.set(period, last + 1)
      values[field.id] = writeRunning(last + 1, field, period)
    }
    for (const [period, last] of counts) await keepCount(unit, { field: field.id, period, last })
  }
}

async function insertAll(unit: Unit, table: string, checked: readonly Values[]): Promise<string[]> {
  const { live, who } = unit
  const refs: string[] = []
  for (let from = 0; from < checked.length; from += rowsAtOnce) {
    const some = checked.slice(from, from + rowsAtOnce).map((values) => columnsFor(live, table, values))
    refs.push(...some.map((columns) => refFrom(live, table, columns)))
    const names = some[0]!.map((column) => quoteName(column.name))
    const marks = `(${[...names, who].map(() => '?').join(', ')})`
    await runIn(
      unit,
      `INSERT INTO ${namesOf(live).quoted(table)} (${names.join(', ')}, \`changed_by\`) VALUES ${some.map(() => marks).join(', ')}`,
      some.flatMap((columns) => [...columns.map((column) => column.value), who]),
    )
  }
  return refs
}
