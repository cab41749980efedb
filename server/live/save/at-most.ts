import { type Limit, type Link, linksFrom, fieldWith } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { sayFull } from '@/core/pairings'
import type { Values } from '@/core/records'
import type { Problem } from '@/core/words'
import { namesOf } from '../live'
import { keyCondition, keyParams } from '../read/rows'
import { selectIn, type Unit } from '../unit'
import type { Guard, PlacedChange } from './guard'
import { SaveRefused, noProblems, type SaveProblems } from './save-problems'

type Key = readonly (string | number)[]

/** A record on which a written row hangs, through a link that allows only so many. */
interface Bounded {
  /** Where the row stands that was written. */
  readonly place: string
  readonly link: Link
  readonly limits: readonly Limit[]
  readonly key: Key
}

/**
 * No record gets more rows than its links allow. `insets` are the links whose rows were sent with the record. What is
 * beyond is said of the first record alone, or `rowByRow` of all rows that have no room.
 */
export function withinLimits(unit: Unit, insets: ReadonlySet<string>, rowByRow: boolean): Guard {
  const bounded: Bounded[] = []
  return {
    concerns: (table) => linksFrom(unit.live.book, table).some(({ limits = [] }) => limits.length > 0),
    async before(change) {
      if (change.values) bounded.push(...(await boundedBy(unit, change, change.values)))
    },
    async end() {
      const beyond = await beyondLimits(unit, bounded)
      const [first] = beyond
      if (!first) return
      const rows = Object.fromEntries(
        beyond.map(({ bounded: { place, link }, problem }) => [place, { [link.field]: problem }]),
      )
      throw new SaveRefused(rowByRow ? { ...noProblems, rows } : limitProblems(first, insets))
    },
  }
}

/** The records that a row about to be written will hang on, where that is limited; the unit of work holds them. */
async function boundedBy(unit: Unit, { table, ref, place }: PlacedChange, values: Values): Promise<Bounded[]> {
  const bounded: Bounded[] = []
  for (const link of linksFrom(unit.live.book, table)) {
    const concerned = (link.limits ?? []).filter((limit) => touches(link, limit, ref, values))
    const key = concerned.length > 0 ? await keyOf(unit, link, ref, values) : undefined
    if (key) bounded.push({ place, link, limits: concerned, key })
  }
  return bounded
}

/** A new row counts; a changed one where it comes to hang elsewhere, or may come to meet the condition. */
const touches = (link: Link, { when }: Limit, ref: string | null, values: Values) =>
  ref === null || link.field in values || (when !== undefined && when.field in values)

async function keyOf(unit: Unit, link: Link, ref: string | null, values: Values): Promise<Key | undefined> {
  const { live } = unit
  const given = values[link.field]
  if (given) return keyParams(live, link.one, given)
  if (ref === null || link.field in values) return undefined
  const names = namesOf(live)
  const columns = names.columns(link.many, link.field).map((column) => quoteName(column.name))
  const key = keyParams(live, link.many, ref)
  if (!key) return undefined
  const [row] = await selectIn<Record<string, string | number | null>>(
    unit,
    `SELECT ${columns.join(', ')} FROM ${names.quoted(link.many)} WHERE ${keyCondition(live, link.many)}`,
    key,
  )
  const found = Object.values(row ?? {})
  return found.length > 0 && found.every((value) => value !== null) ? found : undefined
}

interface Beyond {
  readonly bounded: Bounded
  readonly problem: Problem
}

/** The rows that go beyond a limit, in words: of those that hang on one record the ones that were written last. */
async function beyondLimits(unit: Unit, bounded: readonly Bounded[]): Promise<Beyond[]> {
  const { live } = unit
  const names = namesOf(live)
  const beyond: Beyond[] = []
  for (const { limit, rows } of byLimit(bounded)) {
    const [{ link, key }] = rows
    const on = names.columns(link.many, link.field).map((column) => `${quoteName(column.name)} = ?`)
    const column = limit.when && names.columns(link.many, limit.when.field)[0]
    const params = column
      ? [...key, kindOf(fieldWith(live.book, limit.when.field).field.kind).store(limit.when.is)]
      : key
    const where = [...on, ...(column ? [`${quoteName(column.name)} = ?`] : [])].join(' AND ')
    // A locking read sees what others committed since this transaction began.
    const there = await selectIn(
      unit,
      `SELECT 1 FROM ${names.quoted(link.many)} WHERE ${where} LIMIT ${limit.most + rows.length} LOCK IN SHARE MODE`,
      params,
    )
    const problem: Problem = { kind: 'in-own-words', words: sayFull(live.book, link, limit) }
    const over = there.length - limit.most
    if (over > 0) beyond.push(...rows.slice(0, over).map((one) => ({ bounded: one, problem })))
  }
  return beyond
}

/** What hangs on one record by one limited link, last first. */
function byLimit(bounded: readonly Bounded[]) {
  const groups = new Map<string, { readonly limit: Limit; readonly rows: [Bounded, ...Bounded[]] }>()
  for (const one of [...bounded].reverse())
    for (const limit of one.limits) {
      const name = JSON.stringify([one.link.id, limit, one.key.map(String)])
      const group = groups.get(name)
      if (group) group.rows.push(one)
      else groups.set(name, { limit, rows: [one] })
    }
  return groups.values()
}

/** Said at the link that leads to the full record; of the rows inset in that record itself, of the whole. */
function limitProblems({ bounded: { place, link }, problem }: Beyond, insets: ReadonlySet<string>): SaveProblems {
  if (place === '') return { ...noProblems, fields: { [link.field]: problem } }
  return insets.has(link.id)
    ? { ...noProblems, whole: [problem] }
    : { ...noProblems, rows: { [place]: { [link.field]: problem } } }
}
