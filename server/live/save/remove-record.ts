import { fieldOf, findTable, type Link, linksTo, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import { counted, fail, inSentence, listed, ok, type Problem, type Result } from '@/core/words'
import { keyColumns } from '@/core/physical'
import type { Catalogue } from '../../catalogue'
import { type Database, select, type Transaction } from '../../database'
import { roomProblem } from '../../disk-room'
import { Asking } from './asking'
import { holdLosing, leftWithout, type Losing } from './at-least-one'
import { closedAmong } from './closed-rows'
import { BeingOpened, changeRecords } from '../open/gate'
import { followingChanges, holdRecords, ruleGates } from './holding'
import { type Live, namesOf } from '../live'
import { databaseErrorOf, refusalOf } from '../refusals'
import { keyParams } from '../read/rows'
import { dropRow, holdRow, RowRefused } from './write-row'

/** What removing a record would take with it, and what forbids it. */
export interface RemovalSheet {
  /** "2 work lines go with it." */
  readonly goes: readonly string[]
  readonly stays: readonly string[]
  readonly blocked: Result<null>
}

interface CountedRemoval extends RemovalSheet {
  readonly losing: readonly Losing[]
  /** A row that goes along, or would lose its link, is closed. */
  readonly closed: Problem | undefined
}

interface Tally {
  /** Other records that lose rows by what goes, and may need one. */
  readonly losing: Losing[]
  readonly removed: Map<string, number>
  readonly left: Map<string, number>
  readonly keeping: Map<string, number>
  closed: Problem | undefined
}

/** A removal under way: what its transaction has to ask. */
interface Removing {
  readonly asking: Asking
  readonly transaction: Transaction
}

/** Counts what hangs on a record, through every link, as the database would follow them. */
export async function removalSheet(db: Database, live: Live, tableId: string, ref: string): Promise<RemovalSheet> {
  const { goes, stays, blocked } = await countRemoval(db, live, tableId, ref)
  return { goes, stays, blocked }
}

/** The same; where the removal is under way, what it leaves behind is noted to be asked. */
export async function countRemoval(
  db: Database,
  live: Live,
  tableId: string,
  ref: string,
  removing?: Removing,
): Promise<CountedRemoval> {
  const tally: Tally = { losing: [], removed: new Map(), left: new Map(), keeping: new Map(), closed: undefined }
  const key = keyParams(live, tableId, ref)
  const table = tableOf(live.book, tableId)
  if (!key)
    return {
      goes: [],
      stays: [],
      losing: [],
      closed: undefined,
      blocked: fail({ kind: 'no-such-record', table: table.name }),
    }
  const names = namesOf(live)
  const marks = keyColumns(table, names)
    .map((column) => `${quoteName(column.name)} = ?`)
    .join(' AND ')
  await follow(db, live, tableId, `SELECT * FROM ${names.quoted(tableId)} WHERE ${marks}`, key, tally, 0, removing)
  const by = [...tally.keeping].map(([id, count]) => ({ table: tableOf(live.book, id).name, count }))
  const words = (counts: Map<string, number>) =>
    [...counts].map(([id, count]) => counted(count, inSentence(tableOf(live.book, id).name)))
  return {
    goes: words(tally.removed),
    stays: words(tally.left),
    losing: tally.losing,
    closed: tally.closed,
    blocked: by.length > 0 ? fail({ kind: 'in-use', table: table.name, by }) : ok(null),
  }
}

async function follow(
  db: Database,
  live: Live,
  tableId: string,
  rows: string,
  params: readonly string[],
  tally: Tally,
  depth: number,
  removing?: Removing,
): Promise<void> {
  if (depth > 6) return
  const names = namesOf(live)
  const parentKey = keyColumns(tableOf(live.book, tableId), names)
  for (const link of linksTo(live.book, tableId)) {
    const columns = names.columns(link.many, link.field)
    const on = columns
      .map((column, at) => `child.${quoteName(column.name)} = parent.${quoteName(parentKey[at]!.name)}`)
      .join(' AND ')
    const children = `SELECT child.* FROM ${names.quoted(link.many)} child JOIN (${rows}) parent ON ${on}`
    const [row] = await select<{ count: number }>(
      db,
      `SELECT COUNT(*) AS count FROM (${children}) AS counted`,
      [...params],
      removing?.transaction,
    )
    const count = Number(row?.count ?? 0)
    if (count === 0) continue
    const fate = fateOf(live, link)
    const into = fate === 'remove' ? tally.removed : fate === 'leave' ? tally.left : tally.keeping
    into.set(link.many, (into.get(link.many) ?? 0) + count)
    if (removing && fate !== 'keep') {
      tally.closed ??= await closedAmong(db, live, link, fate, children, params, removing.transaction)
      await removing.asking.beforeFollowing(link, fate, children, params)
    }
    if (fate !== 'remove') continue
    tally.losing.push(...(await holdLosing(db, live, link.many, children, params, removing?.transaction)))
    await follow(db, live, link.many, children, params, tally, depth + 1, removing)
  }
}

function fateOf(live: Live, link: Link): Link['onRemove'] {
  const table = tableOf(live.book, link.many)
  const must = fieldOf(table, link.field).must || table.key.includes(link.field)
  return link.onRemove === 'leave' && must ? 'keep' : link.onRemove
}

/** Removes a record with what goes with it, unless it was changed since it was shown or is still used. */
export async function removeRecord(
  db: Catalogue,
  live: Live,
  tableId: string,
  ref: string,
  rev: number,
): Promise<Result<string>> {
  const name = tableOf(live.book, tableId).name
  const full = await roomProblem(db)
  if (full) return fail(full)
  try {
    const change = { table: tableId, ref, values: undefined }
    const gates = (one: Live) => ruleGates(one, [change, ...followingChanges(one, tableId)])
    return await changeRecords(db, live, gates, async (live, transaction) => {
      if (!findTable(live.book, tableId)) return fail({ kind: 'gone', what: 'table' })
      await holdRecords(db, live, [change], transaction)
      const held = await holdRow(db, live, tableId, ref, transaction)
      if (!held) return fail({ kind: 'no-such-record', table: name })
      if (held.rev !== rev) return fail({ kind: 'changed-meanwhile', by: held.by })
      const asking = new Asking(db, live, transaction)
      const sheet = await countRemoval(db, live, tableId, ref, { asking, transaction })
      if (!sheet.blocked.ok) return sheet.blocked
      const closed = sheet.closed ?? (await asking.closed(tableId, ref, undefined))
      if (closed) return fail(closed)
      await asking.before(tableId, ref, undefined)
      const losing = await dropRow(db, live, tableId, ref, transaction)
      const without = await leftWithout(db, live, [...losing, ...sheet.losing], transaction)
      if (without) throw new RowRefused(undefined, without)
      const broken = (await asking.broken()).find(({ asked: { own }, wasBroken }) => !own.rule.warns && !wasBroken)
      if (broken) throw new RowRefused(undefined, { kind: 'in-own-words', words: broken.asked.own.rule.words })
      const with_ = sheet.goes.length > 0 ? ` with ${listed(sheet.goes)}` : ''
      return ok(`The ${inSentence(name)} was removed${with_}.`)
    })
  } catch (cause) {
    if (cause instanceof RowRefused) return fail(cause.problem)
    if (cause instanceof BeingOpened) return fail({ kind: 'being-opened', book: live.book.name })
    const refusal = refusalOf(live, tableId, cause)
    if (refusal) return fail(refusal.problem)
    if (databaseErrorOf(cause).errno !== 1451) throw cause
    // Somebody linked to it between our count and the removal.
    const sheet = await removalSheet(db, live, tableId, ref)
    return sheet.blocked.ok ? fail({ kind: 'in-use', table: name, by: [] }) : sheet.blocked
  }
}
