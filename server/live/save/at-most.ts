import { findField, type Limit, type Link, linksFrom } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { sayFull } from '@/core/pairings'
import type { Values } from '@/core/records'
import type { Problem } from '@/core/words'
import type { Catalogue } from '../../catalogue'
import { select, type Transaction } from '../../database'
import { type Live, namesOf } from '../live'
import { keyCondition, keyParams } from '../read/rows'

type Key = readonly (string | number)[]

/** A record on which a written row hangs, through a link that allows only so many. */
export interface Bounded {
  /** Where the row stands that was written. */
  readonly place: string
  readonly link: Link
  readonly limits: readonly Limit[]
  readonly key: Key
}

/** The records that a row about to be written will hang on, where that is limited; the transaction holds them. */
export async function boundedBy(
  db: Catalogue,
  live: Live,
  tableId: string,
  ref: string | null,
  values: Values,
  place: string,
  transaction: Transaction,
): Promise<Bounded[]> {
  const bounded: Bounded[] = []
  for (const link of linksFrom(live.book, tableId)) {
    const concerned = (link.limits ?? []).filter((limit) => touches(link, limit, ref, values))
    const key = concerned.length > 0 ? await keyOf(db, live, link, ref, values, transaction) : undefined
    if (key) bounded.push({ place, link, limits: concerned, key })
  }
  return bounded
}

/** A new row counts; a changed one where it comes to hang elsewhere, or may come to meet the condition. */
const touches = (link: Link, { when }: Limit, ref: string | null, values: Values) =>
  ref === null || link.field in values || (when !== undefined && when.field in values)

async function keyOf(
  db: Catalogue,
  live: Live,
  link: Link,
  ref: string | null,
  values: Values,
  transaction: Transaction,
): Promise<Key | undefined> {
  const given = values[link.field]
  if (given) return keyParams(live, link.one, given)
  if (ref === null || link.field in values) return undefined
  const names = namesOf(live)
  const columns = names.columns(link.many, link.field).map((column) => quoteName(column.name))
  const key = keyParams(live, link.many, ref)
  if (!key) return undefined
  const [row] = await select<Record<string, string | number | null>>(
    db,
    `SELECT ${columns.join(', ')} FROM ${names.quoted(link.many)} WHERE ${keyCondition(live, link.many)}`,
    key,
    transaction,
  )
  const found = Object.values(row ?? {})
  return found.length > 0 && found.every((value) => value !== null) ? (found as Key) : undefined
}

export interface Beyond {
  readonly bounded: Bounded
  readonly problem: Problem
}

/** The first limit that what was written goes beyond, in words; said of the row that was written last. */
export async function beyondLimit(
  db: Catalogue,
  live: Live,
  bounded: readonly Bounded[],
  transaction: Transaction,
): Promise<Beyond | undefined> {
  const names = namesOf(live)
  for (const one of [...bounded].reverse()) {
    const { link, limits, key } = one
    const on = names.columns(link.many, link.field).map((column) => `${quoteName(column.name)} = ?`)
    for (const limit of limits) {
      const column = limit.when && names.columns(link.many, limit.when.field)[0]
      const params = column
        ? [...key, kindOf(findField(live.book, limit.when!.field)!.field.kind).store(limit.when!.is)]
        : key
      const where = [...on, ...(column ? [`${quoteName(column.name)} = ?`] : [])].join(' AND ')
      // A locking read sees what others committed since this transaction began.
      const rows = await select(
        db,
        `SELECT 1 FROM ${names.quoted(link.many)} WHERE ${where} LIMIT ${limit.most + 1} LOCK IN SHARE MODE`,
        params,
        transaction,
      )
      if (rows.length > limit.most)
        return { bounded: one, problem: { kind: 'in-own-words', words: sayFull(live.book, link, limit) } }
    }
  }
  return undefined
}
