import type { Link } from '@/core/book'
import { quoteName } from '@/core/names'
import { namesOf } from '../live'
import { keyParams } from '../read/rows'
import { selectIn, type Unit } from '../unit'
import { lockRecord } from './lock-record'

/**
 * Holds records until the unit of work ends, and the rows that hang on them by some links: nobody else changes, adds or
 * removes one meanwhile. The records come first; a new row has to wait for the record that it hangs on.
 * @returns the revision of each record that is there
 */
export async function holdWithRows(
  unit: Unit,
  table: string,
  refs: readonly string[],
  links: readonly Link[],
): Promise<ReadonlyMap<string, number>> {
  const { live } = unit
  const names = namesOf(live)
  const revs = new Map<string, number>()
  const keys: string[][] = []
  // All in one order, so that two who hold the same don't wait for each other.
  for (const ref of [...refs].sort()) {
    const key = keyParams(live, table, ref)
    const held = key && (await lockRecord(unit, table, key))
    if (!held) continue
    revs.set(ref, held.rev)
    keys.push(key)
  }
  for (const { many, field } of links) {
    const columns = names.columns(many, field).map(({ name }) => quoteName(name))
    if (columns.length === 0 || keys.length === 0) continue
    const one = `(${columns.map(() => '?').join(', ')})`
    // What isn't in the index is asked for, so that the rows themselves are held and not only their places in it; and only
    // one number comes of it, however many they are.
    await selectIn(
      unit,
      `SELECT SUM(row_rev) FROM ${names.quoted(many)} WHERE (${columns.join(', ')}) IN (${keys.map(() => one).join(', ')}) LOCK IN SHARE MODE`,
      keys.flat(),
    )
  }
  return revs
}
