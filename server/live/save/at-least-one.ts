import { type Link, linksFrom, linksTo, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import type { Values } from '@/core/records'
import type { Problem } from '@/core/words'
import { type Live, namesOf } from '../live'
import { countLinked, keyCondition, keyParams, recordWords } from '../read/rows'
import { selectIn, type Unit } from '../unit'
import type { Guard } from './guard'
import { lockRecord } from './lock-record'
import { refuseWhole } from './save-problems'

/** A record that must keep at least one row of a link, and is about to lose some. */
interface Losing {
  readonly link: Link
  readonly key: readonly (string | number)[]
}

/** A saved record has at least one row of each link that needs one. */
export function hasRows(unit: Unit): Guard {
  const { book } = unit.live
  let saved: { readonly table: string; readonly ref: string } | undefined
  return {
    async after({ table, place }, ref) {
      if (place === '') saved = { table, ref }
    },
    async end() {
      if (!saved) return
      const { table, ref } = saved
      for (const link of linksTo(book, table).filter((one) => one.least === 1 && one.many !== table)) {
        if ((await countLinked(unit, link, keyParams(unit.live, table, ref)!)) > 0) continue
        const [name, child] = [tableOf(book, table).name, tableOf(book, link.many).name]
        throw refuseWhole({ kind: 'needs-one', table: name, child })
      }
    },
  }
}

/** Other records that lose rows keep one of each link that needs one. */
export function keepsRows(unit: Unit): Guard {
  const { live } = unit
  const losing: Losing[] = []
  return {
    concerns: (table) => needed(live, table).length > 0,
    async before({ table, ref, values }) {
      const key = ref === null ? undefined : keyParams(live, table, ref)
      if (!key) return
      const row = `SELECT * FROM ${namesOf(live).quoted(table)} WHERE ${keyCondition(live, table)}`
      const links = values ? changedLinks(live, table, values) : needed(live, table)
      losing.push(...(await holdLosing(unit, links, row, key)))
    },
    async following({ link, fate, rows, params }) {
      if (fate === 'remove') losing.push(...(await holdLosing(unit, needed(live, link.many), rows, params)))
    },
    // Last, when what was taken out may have been put elsewhere by the same save.
    async end() {
      const problem = await leftWithout(unit, losing)
      if (problem) throw refuseWhole(problem)
    },
  }
}

/** The links of a table whose other side needs at least one row. */
const needed = (live: Live, tableId: string) => linksFrom(live.book, tableId).filter((link) => link.least === 1)

/** Those of a changed row that will point elsewhere, or nowhere. */
const changedLinks = (live: Live, tableId: string, values: Values) =>
  needed(live, tableId).filter((link) => link.field in values)

/**
 * The records that the given rows hang on through some links of their table. `rows` is a SELECT of whole rows. Each
 * record found is held, so that two people can't each take the last but one.
 */
async function holdLosing(
  unit: Unit,
  links: readonly Link[],
  rows: string,
  params: readonly string[],
): Promise<Losing[]> {
  const losing: Losing[] = []
  for (const link of links) {
    const columns = namesOf(unit.live)
      .columns(link.many, link.field)
      .map((column) => quoteName(column.name))
    const found = await selectIn<Record<string, string | number>>(
      unit,
      `SELECT DISTINCT ${columns.join(', ')} FROM (${rows}) leaving WHERE ${columns.map((column) => `${column} IS NOT NULL`).join(' AND ')} ORDER BY ${columns.join(', ')}`,
      params,
    )
    for (const row of found) {
      const key = Object.values(row)
      await lockRecord(unit, link.one, key)
      losing.push({ link, key })
    }
  }
  return losing
}

/** The first record that was left without any, as a problem; undefined where each still has one, or is gone itself. */
async function leftWithout(unit: Unit, losing: readonly Losing[]): Promise<Problem | undefined> {
  const { live } = unit
  const names = namesOf(live)
  for (const { link, key } of losing) {
    const there = `SELECT 1 FROM ${names.quoted(link.one)} WHERE ${keyCondition(live, link.one)}`
    if ((await selectIn(unit, there, key)).length === 0) continue
    const on = names.columns(link.many, link.field).map((column) => `${quoteName(column.name)} = ?`)
    // A locking read sees what others committed since this transaction began.
    const rest = `SELECT 1 FROM ${names.quoted(link.many)} WHERE ${on.join(' AND ')} LIMIT 1 LOCK IN SHARE MODE`
    if ((await selectIn(unit, rest, key)).length > 0) continue
    return {
      kind: 'left-without',
      table: tableOf(live.book, link.one).name,
      record: await recordWords(unit, link.one, key),
      child: tableOf(live.book, link.many).name,
    }
  }
  return undefined
}
