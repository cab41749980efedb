import { linksTo, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import type { Problem } from '@/core/words'
import { keyColumns } from '@/core/physical'
import { closedAmong } from './closed-rows'
import { namesOf } from '../live'
import { runIn, type Unit } from '../unit'
import { keyCondition } from '../read/rows'

/** How far keys of keys are followed; no key leads back to itself. */
const deepest = 6

/**
 * Before a record's key changes: the records linked to it, which the database is about to give the new key. Each
 * counts as changed, by the same person. The words of a rule where one of them is closed: it would come to be linked to
 * what it wasn't when it was closed.
 */
export async function touchFollowers(
  unit: Unit,
  tableId: string,
  key: readonly string[],
): Promise<Problem | undefined> {
  const rows = `SELECT * FROM ${namesOf(unit.live).quoted(tableId)} WHERE ${keyCondition(unit.live, tableId)}`
  return touch(unit, { tableId, rows, params: key, depth: 0 })
}

interface Followed {
  readonly tableId: string
  /** Selects the rows whose key changes. */
  readonly rows: string
  readonly params: readonly string[]
  readonly depth: number
}

async function touch(unit: Unit, { tableId, rows, params, depth }: Followed): Promise<Problem | undefined> {
  const { live, who } = unit
  if (depth > deepest) return undefined
  const names = namesOf(live)
  const parentKey = keyColumns(tableOf(live.book, tableId), names)
  for (const link of linksTo(live.book, tableId)) {
    const on = names
      .columns(link.many, link.field)
      .map((column, at) => `child.${quoteName(column.name)} = parent.${quoteName(parentKey[at]!.name)}`)
      .join(' AND ')
    const children = `SELECT child.* FROM ${names.quoted(link.many)} child JOIN (${rows}) parent ON ${on}`
    const closed = await closedAmong(unit, { link, fate: 'leave', rows: children, params })
    if (closed) return closed
    const changed = await runIn(
      unit,
      `UPDATE ${names.quoted(link.many)} child JOIN (${rows}) parent ON ${on} SET child.row_rev = child.row_rev + 1, child.changed_by = ?`,
      [...params, who],
    )
    if (changed === 0 || !tableOf(live.book, link.many).key.includes(link.field)) continue
    const further = await touch(unit, { tableId: link.many, rows: children, params, depth: depth + 1 })
    if (further) return further
  }
  return undefined
}
