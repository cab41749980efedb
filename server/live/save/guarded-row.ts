import type { Unit } from '../unit'
import { countRemoval, type RemovalSheet } from './count-removal'
import type { Guards, PlacedChange } from './guard'
import { RowRefused } from './row-refused'
import { addRow, changeRow, dropRow } from './write-row'

/** Writes one row, which is held where it was there before, with all that guards it. What it goes by now. */
export async function writeGuarded(unit: Unit, guards: Guards, change: PlacedChange): Promise<string> {
  const { table, ref, values } = change
  if (!values) throw new Error('Expected the values of a row that is written.')
  await guards.before(change)
  const now = ref === null ? await addRow(unit, table, values) : await changeRow(unit, table, ref, values)
  await guards.after(change, now)
  return now
}

/** Removes one row that is held, with what goes along; what that was. */
export async function removeGuarded(
  unit: Unit,
  guards: Guards,
  change: PlacedChange & { readonly ref: string },
): Promise<RemovalSheet> {
  const sheet = await countRemoval(unit, change.table, change.ref, guards.following)
  if (!sheet.blocked.ok) throw new RowRefused(undefined, sheet.blocked.problem)
  await guards.before(change)
  await dropRow(unit, change.table, change.ref)
  return sheet
}
