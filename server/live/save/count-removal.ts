import { fieldOf, type Link, linksTo, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import { keyColumns } from '@/core/physical'
import { counted, fail, inSentence, ok, type Result } from '@/core/words'
import { type Live, namesOf } from '../live'
import { keyCondition, keyParams } from '../read/rows'
import { type Reads, selectIn } from '../unit'
import type { Following } from './guard'

/** What removing a record would take with it, and what forbids it. */
export interface RemovalSheet {
  /** "2 work lines go with it." */
  readonly goes: readonly string[]
  readonly stays: readonly string[]
  readonly blocked: Result<null>
}

/** By table, how many records go along, lose their link, or keep the record where it is. */
type Tally = Readonly<Record<Link['onRemove'], Map<string, number>>>

/** How far links of links are followed. */
const deepest = 6

/**
 * Counts what hangs on a record, through every link, as the database would follow them. Where the removal is under
 * way, `following` is told of the rows that go along or lose their link.
 */
export const countRemoval = (
  reads: Reads,
  tableId: string,
  ref: string,
  following?: (rows: Following) => Promise<void>,
): Promise<RemovalSheet> => countRemovals(reads, tableId, [ref], following)

/** The same for several records of a table together. */
export async function countRemovals(
  reads: Reads,
  tableId: string,
  refs: readonly string[],
  following?: (rows: Following) => Promise<void>,
): Promise<RemovalSheet> {
  const { live } = reads
  const table = tableOf(live.book, tableId)
  const keys = refs.map((ref) => keyParams(live, tableId, ref))
  const found = keys.filter((key) => key !== undefined)
  if (found.length < keys.length)
    return { goes: [], stays: [], blocked: fail({ kind: 'no-such-record', table: table.name }) }
  const tally: Tally = { remove: new Map(), leave: new Map(), keep: new Map() }
  const one = `(${keyCondition(live, tableId)})`
  const rows = `SELECT * FROM ${namesOf(live).quoted(tableId)} WHERE ${found.map(() => one).join(' OR ')}`
  await follow({ reads, tally, following }, { table: tableId, rows, params: found.flat(), depth: 0 })
  const by = [...tally.keep].map(([id, count]) => ({ table: tableOf(live.book, id).name, count }))
  const words = (counts: Map<string, number>) =>
    [...counts].map(([id, count]) => counted(count, inSentence(tableOf(live.book, id).name)))
  return {
    goes: words(tally.remove),
    stays: words(tally.leave),
    blocked: by.length > 0 ? fail({ kind: 'in-use', table: table.name, by }) : ok(null),
  }
}

interface Counting {
  readonly reads: Reads
  readonly tally: Tally
  readonly following: ((rows: Following) => Promise<void>) | undefined
}

interface Going {
  readonly table: string
  /** Selects the rows that go. */
  readonly rows: string
  readonly params: readonly string[]
  readonly depth: number
}

async function follow(counting: Counting, { table, rows, params, depth }: Going): Promise<void> {
  if (depth > deepest) return
  const { reads, tally, following } = counting
  const { live } = reads
  const names = namesOf(live)
  const parentKey = keyColumns(tableOf(live.book, table), names)
  for (const link of linksTo(live.book, table)) {
    const on = names
      .columns(link.many, link.field)
      .map((column, at) => `child.${quoteName(column.name)} = parent.${quoteName(parentKey[at]!.name)}`)
      .join(' AND ')
    const children = `SELECT child.* FROM ${names.quoted(link.many)} child JOIN (${rows}) parent ON ${on}`
    const counts = `SELECT COUNT(*) AS count FROM (${children}) AS counted`
    const [row] = await selectIn<{ count: number }>(reads, counts, params)
    const count = Number(row?.count ?? 0)
    if (count === 0) continue
    const fate = fateOf(live, link)
    tally[fate].set(link.many, (tally[fate].get(link.many) ?? 0) + count)
    if (fate !== 'keep') await following?.({ link, fate, rows: children, params })
    if (fate === 'remove') await follow(counting, { table: link.many, rows: children, params, depth: depth + 1 })
  }
}

function fateOf(live: Live, link: Link): Link['onRemove'] {
  const table = tableOf(live.book, link.many)
  const must = fieldOf(table, link.field).must || table.key.includes(link.field)
  return link.onRemove === 'leave' && must ? 'keep' : link.onRemove
}
