import type * as z from 'zod'
import { findLink, findTable, linksTo, tableOf } from '@/core/book'
import type { Value } from '@/core/kinds'
import { checkRecord, type Problems, type Values } from '@/core/records'
import type { Problem } from '@/core/words'
import type { Catalogue } from '../../catalogue'
import type { Transaction } from '../../database'
import { roomProblem } from '../../disk-room'
import type { Live } from '../live'
import { Asking } from './asking'
import { leftWithout, type Losing } from './at-least-one'
import { beyondLimit, boundedBy } from './at-most'
import { freeze, unfrozen } from './freezing'
import { BeingOpened, changeRecords } from '../open/gate'
import { followingChanges, holdRecords, type RowChange, ruleGates } from './holding'
import { countRemoval } from './remove-record'
import {
  At,
  limitProblems,
  noProblems,
  refuseBroken,
  refuseClosed,
  type SaveProblems,
  Warned,
  type Warning,
} from './save-problems'
import { type Row, type SaveRequest } from './save-request'
import { HasMoved, type Moved, refuseMoved } from './moved'
import { countLinked, keyParams, type LiveRecord, readRecord } from '../read/rows'
import { addRow, changeRow, dropRow, holdRow, RowRefused, wholeValues } from './write-row'

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

class Gone extends Error {}

class Conflict extends Error {
  constructor(readonly by: string) {
    super('changed meanwhile')
  }
}

/** Saves a record with its inset rows: all of it or nothing, checked by the same code as the form. */
export async function saveRecord(db: Catalogue, live: Live, who: string, request: SaveRequest): Promise<SaveOutcome> {
  const full = await roomProblem(db)
  if (full) return refusedWhole(full)
  const checked = onceFor((one) => check(one, request))
  const changes = onceFor((one) => changesIn(one, request, checked(one)))
  let current = live
  try {
    const record = await changeRecords(
      db,
      live,
      (one) => ruleGates(one, changes(one)),
      async (one, transaction) => {
        current = one
        await holdRecords(db, one, changes(one), transaction)
        return write(db, one, who, request, checked(one), transaction)
      },
    )
    return { kind: 'saved', record }
  } catch (cause) {
    if (cause instanceof Conflict) {
      const theirs = await readRecord(db, current, request.table, request.ref!)
      return theirs.ok ? { kind: 'conflict', by: cause.by, theirs: theirs.value } : { kind: 'removed' }
    }
    if (cause instanceof Gone) return { kind: 'removed' }
    if (cause instanceof BeingOpened) return { kind: 'waits' }
    if (cause instanceof HasMoved) return { kind: 'moved', changes: cause.changes }
    if (cause instanceof Warned) return { kind: 'warned', warnings: cause.warnings }
    if (cause instanceof At) return { kind: 'refused', problems: cause.problems }
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

/** The rows that a save is about to write; a row that hangs on a new record hangs on none that is there yet. */
function changesIn(live: Live, request: SaveRequest, { values, rows }: Checked): RowChange[] {
  return [
    { table: request.table, ref: request.ref, values },
    ...request.children.flatMap(({ link: id, rows: sent }) => {
      const link = findLink(live.book, id)!
      return sent.flatMap((row, at): RowChange[] => {
        if (!row.removed)
          return [{ table: link.many, ref: row.ref, values: { ...rows.get(`${id}/${at}`), [link.field]: request.ref } }]
        if (row.ref === null) return []
        return [{ table: link.many, ref: row.ref, values: undefined }, ...followingChanges(live, link.many)]
      })
    }),
  ]
}

const refusedWhole = (problem: Problem): SaveOutcome => ({
  kind: 'refused',
  problems: { ...noProblems, whole: [problem] },
})

interface Checked {
  readonly values: Values
  readonly rows: ReadonlyMap<string, Values>
}

/** The check before anything is touched; throws every problem at once, not the first alone. */
function check(live: Live, request: SaveRequest): Checked {
  if (!findTable(live.book, request.table)) throw new At({ ...noProblems, whole: [{ kind: 'gone', what: 'table' }] })
  const rowProblems: Record<string, Problems> = {}
  const rows = new Map<string, Values>()
  const known = onlyKnown(live, request.table, request.values)
  const parent = checkRecord(
    live.book,
    request.table,
    request.ref === null ? wholeValues(live, request.table, known) : known,
  )
  for (const { link: linkId, rows: sent } of request.children) {
    const link = findLink(live.book, linkId)
    if (!link || link.one !== request.table) throw new At({ ...noProblems, whole: [{ kind: 'gone', what: 'link' }] })
    sent.forEach((row, at) => {
      if (row.removed) return
      const own = onlyKnown(live, link.many, row.values)
      delete own[link.field]
      const checked = checkRecord(
        live.book,
        link.many,
        row.ref === null ? wholeValues(live, link.many, own, link.field) : own,
      )
      if (checked.ok) rows.set(`${linkId}/${at}`, checked.value)
      else rowProblems[`${linkId}/${at}`] = checked.problem
    })
  }
  if (parent.ok && Object.keys(rowProblems).length === 0) return { values: parent.value, rows }
  throw new At({ fields: parent.ok ? {} : parent.problem, rows: rowProblems, whole: [] })
}

/** The values that the table has fields for. A form of an older design may send others: what is typed there is not dropped. */
function onlyKnown(live: Live, tableId: string, values: Readonly<Record<string, Value>>): Record<string, Value> {
  const table = tableOf(live.book, tableId)
  const known = new Set(table.fields.map((field) => field.id))
  if (Object.entries(values).some(([id, value]) => !known.has(id) && value !== null))
    throw new At({ ...noProblems, whole: [{ kind: 'form-outdated', table: table.name }] })
  return Object.fromEntries(Object.entries(values).filter(([id]) => known.has(id)))
}

async function write(
  db: Catalogue,
  live: Live,
  who: string,
  request: SaveRequest,
  { values, rows }: Checked,
  transaction: Transaction,
): Promise<LiveRecord> {
  const asking = new Asking(db, live, transaction)
  await refuseClosed(live, asking, request, values, rows)
  const losing: Losing[] = []
  const freezing = await unfrozen(db, live, request.table, request.ref, values, transaction)
  const bounded = await boundedBy(db, live, request.table, request.ref, values, '', transaction)
  await asking.before(request.table, request.ref, values)
  const ref = await placed(
    ([field], problem) =>
      field ? { ...noProblems, fields: { [field]: problem } } : { ...noProblems, whole: [problem] },
    () => writeParent(db, live, who, request, values, losing, transaction),
  )
  await asking.after(request.table, ref, values, request.ref === null)
  const parentKey = keyParams(live, request.table, ref)!
  const places = new Map<string, string>([[`${request.table} ${ref}`, '']])
  for (const { link: linkId, rows: sent } of request.children) {
    const link = findLink(live.book, linkId)!
    // Removals first, so that a row taken out and entered again doesn't meet itself.
    const order = [...sent.entries()].sort(([, a], [, b]) => Number(b.removed ?? false) - Number(a.removed ?? false))
    for (const [at, row] of order) {
      const name = `${linkId}/${at}`
      const written = { ...rows.get(name), [link.field]: ref }
      if (!row.removed) bounded.push(...(await boundedBy(db, live, link.many, row.ref, written, name, transaction)))
      await asking.before(link.many, row.ref, row.removed ? undefined : written)
      if (row.removed && row.ref !== null) {
        const following = await countRemoval(db, live, link.many, row.ref, { asking, transaction })
        if (!following.blocked.ok) throw new At({ ...noProblems, rows: { [name]: { '': following.blocked.problem } } })
        if (following.closed) throw new At({ ...noProblems, rows: { [name]: { '': following.closed } } })
        losing.push(...following.losing)
      }
      const childRef = await placed(
        // The link to the record itself is not in the row.
        (fields, problem) => ({
          ...noProblems,
          rows: { [name]: { [fields.find((field) => field !== link.field) ?? '']: problem } },
        }),
        () => writeChild(db, live, who, link, row, written, losing, transaction),
      )
      if (childRef === undefined) continue
      places.set(`${link.many} ${childRef}`, name)
      await asking.after(link.many, childRef, written, row.ref === null)
    }
  }
  for (const link of linksTo(live.book, request.table).filter((one) => one.least === 1 && one.many !== request.table)) {
    if ((await countLinked(db, live, link, parentKey, transaction)) === 0) {
      const problem: Problem = {
        kind: 'needs-one',
        table: tableOf(live.book, request.table).name,
        child: tableOf(live.book, link.many).name,
      }
      throw new At({ ...noProblems, whole: [problem] })
    }
  }
  const beyond = await beyondLimit(db, live, bounded, transaction)
  if (beyond) throw new At(limitProblems(beyond, request))
  // Last, when what was taken out may have been put elsewhere by the same save.
  const without = await leftWithout(db, live, losing, transaction)
  if (without) throw new At({ ...noProblems, whole: [without] })
  await freeze(db, live, request.table, ref, freezing, transaction)
  const sentOnly = request.ref === null ? new Set(request.children.map((child) => child.link)) : undefined
  // Nothing is written any more: what is read back needn't wait until the rules are asked.
  const [broken, record] = await bothSettled(
    asking.broken(request.despite),
    readRecord(db, live, request.table, ref, transaction, sentOnly),
  )
  refuseBroken(broken, places)
  if (!record.ok) throw new Error('Expected the record that was just saved.')
  refuseMoved(live, request, record.value, places)
  return record.value
}

/** Both answers, or the first failure once both have come to their end: the connection is needed afterwards. */
async function bothSettled<A, B>(one: Promise<A>, other: Promise<B>): Promise<[A, B]> {
  await Promise.allSettled([one, other])
  return Promise.all([one, other])
}

async function placed<T>(
  at: (fields: readonly string[], problem: Problem) => SaveProblems,
  work: () => Promise<T>,
): Promise<T> {
  try {
    return await work()
  } catch (cause) {
    throw cause instanceof RowRefused ? new At(at([...cause.fields].reverse(), cause.problem)) : cause
  }
}

async function writeParent(
  db: Catalogue,
  live: Live,
  who: string,
  request: SaveRequest,
  values: Values,
  losing: Losing[],
  transaction: Transaction,
): Promise<string> {
  const { table, ref, rev } = request
  if (ref === null) return addRow(db, live, table, values, who, transaction)
  const held = await holdRow(db, live, table, ref, transaction)
  if (!held) throw new Gone()
  if (held.rev !== rev) throw new Conflict(held.by)
  const changed = await changeRow(db, live, table, ref, values, who, transaction)
  losing.push(...changed.losing)
  return changed.ref
}

async function writeChild(
  db: Catalogue,
  live: Live,
  who: string,
  link: { many: string },
  row: z.infer<typeof Row>,
  values: Values,
  losing: Losing[],
  transaction: Transaction,
): Promise<string | undefined> {
  if (row.ref === null) return row.removed ? undefined : addRow(db, live, link.many, values, who, transaction)
  const held = await holdRow(db, live, link.many, row.ref, transaction)
  if (!held && row.removed) return undefined
  if (!held) throw new Conflict('Somebody')
  if (held.rev !== row.rev) throw new Conflict(held.by)
  if (row.removed) {
    losing.push(...(await dropRow(db, live, link.many, row.ref, transaction)))
    return undefined
  }
  const changed = await changeRow(db, live, link.many, row.ref, values, who, transaction)
  losing.push(...changed.losing)
  return changed.ref
}
