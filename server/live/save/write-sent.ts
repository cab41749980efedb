import type { Problem } from '@/core/words'
import { keyParams } from '../read/rows'
import type { Unit } from '../unit'
import type { SentRow } from './check-request'
import type { Guards } from './guard'
import { removeGuarded, writeGuarded } from './guarded-row'
import { lockRecord } from './lock-record'
import { RowRefused } from './row-refused'
import { noProblems, type SaveProblems, SaveRefused } from './save-problems'

/** The record isn't there any more. */
export class Gone extends Error {}

/** Somebody saved the record in the meantime. */
export class Conflict extends Error {
  constructor(readonly by: string) {
    super('changed meanwhile')
  }
}

/** Writes what was sent of one row, unless somebody changed it since; what it goes by now, none where it is gone. */
export async function writeSent(unit: Unit, guards: Guards, sent: SentRow): Promise<string | undefined> {
  const { table, ref, rev, values, back } = sent
  try {
    if (ref === null) return await writeGuarded(unit, guards, sent)
    const key = keyParams(unit.live, table, ref)
    const held = key && (await lockRecord(unit, table, key))
    if (!held && back === undefined) throw new Gone()
    if (!held && !values) return undefined
    if (!held) throw new Conflict('Somebody')
    if (held.rev !== rev) throw new Conflict(held.by)
    if (values) return await writeGuarded(unit, guards, sent)
    await removeGuarded(unit, guards, { ...sent, ref })
    return undefined
  } catch (cause) {
    throw cause instanceof RowRefused
      ? new SaveRefused(problemsAt(sent, [...cause.fields].reverse(), cause.problem))
      : cause
  }
}

function problemsAt({ place, back }: SentRow, fields: readonly string[], problem: Problem): SaveProblems {
  // The link of a row to the record itself is not in the row.
  if (place !== '')
    return { ...noProblems, rows: { [place]: { [fields.find((field) => field !== back) ?? '']: problem } } }
  const [field] = fields
  return field ? { ...noProblems, fields: { [field]: problem } } : { ...noProblems, whole: [problem] }
}
