import { findTable, tableOf } from '@/core/book'
import { fail, inSentence, listed, ok, type Result } from '@/core/words'
import { roomProblem } from '../../disk-room'
import type { Live } from '../live'
import { BeingOpened, changeRecords } from '../open/gate'
import { keyParams } from '../read/rows'
import { databaseErrorOf, refusalOf } from '../refusals'
import type { Writer } from '../unit'
import { countRemoval } from './count-removal'
import { removeGuarded } from './guarded-row'
import { guardsOf } from './guards-of'
import { followingChanges, holdRecords, ruleGates } from './holding'
import { lockRecord } from './lock-record'
import { RowRefused } from './row-refused'
import { firstProblem, SaveRefused } from './save-problems'

/** A record as it was shown: by its table, what it goes by, and its revision. */
interface Shown {
  readonly table: string
  readonly ref: string
  readonly rev: number
}

/** Removes a record with what goes with it, unless it was changed since it was shown or is still used. */
export async function removeRecord(writer: Writer, { table, ref, rev }: Shown): Promise<Result<string>> {
  const { db, live } = writer
  const { name } = tableOf(live.book, table)
  const full = await roomProblem(db)
  if (full) return fail(full)
  const change = { table, ref, values: undefined, place: '' }
  const gates = (one: Live) => ruleGates(one, [change, ...followingChanges(one, table)])
  try {
    return await changeRecords(writer, gates, async (unit) => {
      if (!findTable(unit.live.book, table)) return fail({ kind: 'gone', what: 'table' })
      await holdRecords(unit, [change])
      const key = keyParams(unit.live, table, ref)
      const held = key && (await lockRecord(unit, table, key))
      if (!held) return fail({ kind: 'no-such-record', table: name })
      if (held.rev !== rev) return fail({ kind: 'changed-meanwhile', by: held.by })
      const guards = guardsOf(unit, { insets: new Set(), despite: 'every-warning' })
      await guards.begin([change])
      const { goes } = await removeGuarded(unit, guards, change)
      await guards.end(() => Promise.resolve())
      const along = goes.length > 0 ? ` with ${listed(goes)}` : ''
      return ok(`The ${inSentence(name)} was removed${along}.`)
    })
  } catch (cause) {
    if (cause instanceof RowRefused) return fail(cause.problem)
    const first = cause instanceof SaveRefused ? firstProblem(cause) : undefined
    if (first) return fail(first)
    if (cause instanceof BeingOpened) return fail({ kind: 'being-opened', book: live.book.name })
    const refusal = refusalOf(live, table, cause)
    if (refusal) return fail(refusal.problem)
    if (databaseErrorOf(cause).errno !== 1451) throw cause
    // Somebody linked to it between our count and the removal.
    const sheet = await countRemoval(writer, table, ref)
    return sheet.blocked.ok ? fail({ kind: 'in-use', table: name, by: [] }) : sheet.blocked
  }
}
