import { type Link, linksFrom, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import type { Values } from '@/core/records'
import type { Problem } from '@/core/words'
import { type Database, select, type Transaction } from '../../database'
import { type Live, namesOf } from '../live'
import { keyCondition, recordWords } from '../read/rows'

/** A record that must keep at least one row of a link, and is about to lose some. */
export interface Losing {
  readonly link: Link
  readonly key: readonly (string | number)[]
}

/** The links of a table whose other side needs at least one row. */
const needed = (live: Live, tableId: string) => linksFrom(live.book, tableId).filter((link) => link.least === 1)

/**
 * The records that the given rows hang on and that need at least one of them. `rows` is a SELECT of
 * whole rows of the table. Each record found is locked, so that two people can't each take the last but one.
 */
export async function holdLosing(
  db: Database,
  live: Live,
  tableId: string,
  rows: string,
  params: readonly (string | number)[],
  transaction: Transaction | undefined,
  links = needed(live, tableId),
): Promise<Losing[]> {
  const names = namesOf(live)
  const losing: Losing[] = []
  for (const link of links.filter((one) => one.least === 1)) {
    const columns = names.columns(tableId, link.field).map((column) => quoteName(column.name))
    const found = await select<Record<string, string | number>>(
      db,
      `SELECT DISTINCT ${columns.join(', ')} FROM (${rows}) leaving WHERE ${columns.map((column) => `${column} IS NOT NULL`).join(' AND ')} ORDER BY ${columns.join(', ')}`,
      params,
      transaction,
    )
    for (const row of found) {
      const key = Object.values(row)
      await select(
        db,
        `SELECT 1 FROM ${names.quoted(link.one)} WHERE ${keyCondition(live, link.one)} FOR UPDATE`,
        key,
        transaction,
      )
      losing.push({ link, key })
    }
  }
  return losing
}

/** The links of a changed row that will point elsewhere, or nowhere, and whose other side needs one. */
export const changedLinks = (live: Live, tableId: string, values: Values) =>
  needed(live, tableId).filter((link) => link.field in values)

/** The first record that was left without any, as a problem; undefined where each still has one, or is gone itself. */
export async function leftWithout(
  db: Database,
  live: Live,
  losing: readonly Losing[],
  transaction: Transaction | undefined,
): Promise<Problem | undefined> {
  const names = namesOf(live)
  for (const { link, key } of losing) {
    const there = await select(
      db,
      `SELECT 1 FROM ${names.quoted(link.one)} WHERE ${keyCondition(live, link.one)}`,
      key,
      transaction,
    )
    if (there.length === 0) continue
    const on = names.columns(link.many, link.field).map((column) => `${quoteName(column.name)} = ?`)
    // A locking read sees what others committed since this transaction began.
    const rest = await select(
      db,
      `SELECT 1 FROM ${names.quoted(link.many)} WHERE ${on.join(' AND ')} LIMIT 1 LOCK IN SHARE MODE`,
      key,
      transaction,
    )
    if (rest.length > 0) continue
    return {
      kind: 'left-without',
      table: tableOf(live.book, link.one).name,
      record: await recordWords(db, live, link.one, key, transaction),
      child: tableOf(live.book, link.many).name,
    }
  }
  return undefined
}
