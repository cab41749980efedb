import { linksTo, findTable, tableOf } from '@/core/book'
import { checkRecord, type Problems, type Values } from '@/core/records'
import { nth, type Problem } from '@/core/words'
import { roomProblem } from '../../disk-room'
import type { Live } from '../live'
import { BeingOpened, changeRecords } from '../open/gate'
import type { Unit, Writer } from '../unit'
import { onlyKnown } from './check-request'
import { guardsOf } from './guards-of'
import { holdRecords, type RowChange, ruleGates } from './holding'
import type { RefusedRow, RowsOutcome, RowsRequest } from './rows-request'
import { refuseWhole, SaveRefused, Warned } from './save-problems'
import { wholeValues } from './write-row'
import { type PlacedRow, placeOfRow, rowAt, type SavedRow, writeRows } from './write-rows'

/** Told while rows are written, of how many so far. */
export type Progress = (done: number) => void

/** Some rows are refused: all is taken back, and the others may be written without them. */
class RowsRefused extends Error {
  constructor(
    readonly rows: ReadonlyMap<number, Problems>,
    readonly whole: readonly Problem[] = [],
  ) {
    super('rows refused')
  }
}

/**
 * Saves many rows of a table in one transaction, each checked, guarded and refused as if it were saved by itself.
 * Where one is refused, all are; or, as is wished, the others are saved and it is told.
 */
export async function saveRows(
  writer: Writer,
  request: RowsRequest,
  progress: Progress = () => undefined,
): Promise<RowsOutcome> {
  const full = await roomProblem(writer.db)
  if (full) return { kind: 'refused', refused: [], whole: [full] }
  const refused = new Map<number, Problems>()
  for (;;) {
    try {
      const { saved, refused: more } = await changeRecords(
        writer,
        (live) => ruleGates(live, changesOf(live, request)),
        (unit) => write(unit, request, refused, progress),
      )
      return { kind: 'saved', saved, refused: listed(new Map([...refused, ...more])) }
    } catch (cause) {
      if (cause instanceof BeingOpened) return { kind: 'waits' }
      if (cause instanceof Warned) return { kind: 'warned', warnings: cause.warnings }
      const { rows, whole } = refusalIn(cause)
      const before = refused.size
      for (const [at, problems] of rows) refused.set(at, problems)
      const isOver = request.keep === 'all' || whole.length > 0 || refused.size === before
      if (isOver || refused.size === request.rows.length) return { kind: 'refused', refused: listed(refused), whole }
    }
  }
}

const listed = (refused: ReadonlyMap<number, Problems>): RefusedRow[] =>
  [...refused].map(([at, problems]) => ({ at, problems })).sort((a, b) => a.at - b.at)

function refusalIn(cause: unknown): RowsRefused {
  if (cause instanceof RowsRefused) return cause
  if (!(cause instanceof SaveRefused)) throw cause
  const { rows, fields, whole } = cause.problems
  return new RowsRefused(new Map(Object.entries(rows).map(([place, problems]) => [rowAt(place), problems])), [
    ...whole,
    ...Object.values(fields),
  ])
}

const changesOf = (live: Live, { table, rows }: RowsRequest): RowChange[] =>
  findTable(live.book, table) ? rows.map(({ ref, values }) => ({ table, ref, values })) : []

async function write(
  unit: Unit,
  request: RowsRequest,
  passedOver: ReadonlyMap<number, Problems>,
  progress: Progress,
): Promise<{ readonly saved: readonly SavedRow[]; readonly refused: ReadonlyMap<number, Problems> }> {
  if (!findTable(unit.live.book, request.table)) throw refuseWhole({ kind: 'gone', what: 'table' })
  const { sound, refused } = checked(unit.live, request, passedOver)
  await holdRecords(unit, sound)
  const guards = guardsOf(unit, { insets: new Set(), despite: request.despite ?? [], rowByRow: true })
  for (const row of sound) {
    try {
      await guards.begin([row])
    } catch (cause) {
      if (!(cause instanceof SaveRefused)) throw cause
      refused.set(row.at, { '': nth(cause.problems.whole, 0) })
    }
  }
  const open = refused.size === 0 ? sound : sound.filter(({ at }) => !refused.has(at))
  // What is refused by itself is known before anything is written: it needn't be taken back.
  if (refused.size > 0 && (request.keep === 'all' || open.length === 0)) throw new RowsRefused(refused)
  const written = await writeRows(unit, guards, open, progress)
  if (written.refused.size > 0) throw new RowsRefused(new Map([...refused, ...written.refused]))
  try {
    await guards.end(() => Promise.resolve())
  } catch (cause) {
    if (refused.size === 0 || !(cause instanceof SaveRefused)) throw cause
    const more = refusalIn(cause)
    throw new RowsRefused(new Map([...refused, ...more.rows]), more.whole)
  }
  return { saved: written.saved, refused }
}

/** What can be told of the rows before anything is written. */
function checked(live: Live, { table, rows }: RowsRequest, passedOver: ReadonlyMap<number, Problems>) {
  const sound: PlacedRow[] = []
  const refused = new Map<number, Problems>()
  const lacks = lacking(live, table)
  for (const [at, { ref, rev, values }] of rows.entries()) {
    if (passedOver.has(at)) continue
    const known = onlyKnown(live, table, values)
    const whole: Values = ref === null ? wholeValues(live, table, known) : known
    const read = checkRecord(live.book, table, whole)
    if (!read.ok) refused.set(at, read.problem)
    else if (ref === null && lacks) refused.set(at, { '': lacks })
    else sound.push({ table, ref, rev, values: read.value, place: placeOfRow(at), at })
  }
  return { sound, refused }
}

/** Why a new record can't come without rows that hang on it, where that is so. */
function lacking({ book }: Live, tableId: string): Problem | undefined {
  const link = linksTo(book, tableId).find((one) => one.least === 1 && one.many !== tableId)
  return link && { kind: 'needs-one', table: tableOf(book, tableId).name, child: tableOf(book, link.many).name }
}
