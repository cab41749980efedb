import { namesOf } from '../live'
import { keyCondition } from '../read/rows'
import { selectIn, type Unit } from '../unit'

/** A record that is held, as it was changed last. */
export interface Held {
  readonly rev: number
  readonly by: string
}

/** Holds one record alone until the unit of work ends; undefined where it is gone. */
export async function lockRecord(
  unit: Unit,
  tableId: string,
  key: readonly (string | number)[],
): Promise<Held | undefined> {
  const { live } = unit
  const [row] = await selectIn<{ rev: number; by: string | null }>(
    unit,
    `SELECT row_rev AS rev, changed_by AS \`by\` FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)} FOR UPDATE`,
    key,
  )
  return row && { rev: row.rev, by: row.by ?? 'Another tool' }
}
