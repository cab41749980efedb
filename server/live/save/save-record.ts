import { roomProblem } from '../../disk-room'
import type { Live } from '../live'
import { BeingOpened, changeRecords } from '../open/gate'
import { type LiveRecord, readRecord } from '../read/rows'
import type { Unit, Writer } from '../unit'
import { checkRequest, type SentRow } from './check-request'
import { guardsOf } from './guards-of'
import { followingChanges, holdRecords, type RowChange, ruleGates } from './holding'
import { HasMoved, type Moved, refuseMoved } from './moved'
import { noProblems, type SaveProblems, SaveRefused, Warned, type Warning } from './save-problems'
import type { SaveRequest } from './save-request'
import { Conflict, Gone, writeSent } from './write-sent'

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly record: LiveRecord }
  | { readonly kind: 'refused'; readonly problems: SaveProblems }
  /** The book is being opened with a changed design; the same may be sent again. */
  | { readonly kind: 'waits' }
  /** Nothing is saved yet; it may be, despite these. */
  | { readonly kind: 'warned'; readonly warnings: readonly Warning[] }
  /** Somebody removed the record in the meantime; it may be sent again as a new one. */
  | { readonly kind: 'removed' }
  /** What is copied has changed since it was shown; nothing is saved yet. */
  | { readonly kind: 'moved'; readonly changes: readonly Moved[] }
  /** Somebody saved the record or one of its rows in the meantime; theirs, to choose from. */
  | { readonly kind: 'conflict'; readonly by: string; readonly theirs: LiveRecord }

/** Saves a record with its inset rows: all of it or nothing, checked by the same code as the form. */
export async function saveRecord(writer: Writer, request: SaveRequest): Promise<SaveOutcome> {
  const { db } = writer
  const full = await roomProblem(db)
  if (full) return { kind: 'refused', problems: { ...noProblems, whole: [full] } }
  const changes = onceFor((live) => {
    const sent = checkRequest(live, request)
    return { sent, all: sent.flatMap((row) => withFollowing(live, row)) }
  })
  let current = writer.live
  try {
    const record = await changeRecords(
      writer,
      (live) => ruleGates(live, changes(live).all),
      async (unit) => {
        current = unit.live
        const { sent, all } = changes(unit.live)
        await holdRecords(unit, all)
        return write(unit, request, sent)
      },
    )
    return { kind: 'saved', record }
  } catch (cause) {
    if (cause instanceof Conflict) {
      const theirs = await readRecord({ db, live: current }, request.table, request.ref!)
      return theirs.ok ? { kind: 'conflict', by: cause.by, theirs: theirs.value } : { kind: 'removed' }
    }
    if (cause instanceof Gone) return { kind: 'removed' }
    if (cause instanceof BeingOpened) return { kind: 'waits' }
    if (cause instanceof HasMoved) return { kind: 'moved', changes: cause.changes }
    if (cause instanceof Warned) return { kind: 'warned', warnings: cause.warnings }
    if (cause instanceof SaveRefused) return { kind: 'refused', problems: cause.problems }
    throw cause
  }
}

/** A design that comes into force meanwhile is worked with anew; the same one only once. */
function onceFor<T>(work: (live: Live) => T): (live: Live) => T {
  let last: { readonly live: Live; readonly value: T } | undefined
  return (live) => {
    if (last?.live !== live) last = { live, value: work(live) }
    return last.value
  }
}

/** A row with what changes because it goes. */
const withFollowing = (live: Live, row: SentRow): RowChange[] =>
  row.values ? [row] : [row, ...followingChanges(live, row.table)]

async function write(unit: Unit, request: SaveRequest, [parent, ...rows]: readonly SentRow[]): Promise<LiveRecord> {
  const insets = new Set(request.children.map((child) => child.link))
  const guards = guardsOf(unit, { insets, despite: request.despite ?? [] })
  await guards.begin([parent!, ...rows])
  const ref = (await writeSent(unit, guards, parent!))!
  // Only now is it known what a new record goes by.
  for (const row of rows) {
    const values = row.values && { ...row.values, [row.back!]: ref }
    await writeSent(unit, guards, { ...row, values })
  }
  // A new record has no rows but those that were sent with it.
  const only = request.ref === null ? insets : undefined
  const record = await guards.end(() => readRecord(unit, request.table, ref, only))
  if (!record.ok) throw new Error('Expected the record that was just saved.')
  refuseMoved(unit.live, request, record.value, guards.places)
  return record.value
}
