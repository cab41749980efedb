import { kindOf } from '../../kinds'
import { leafOf } from '../../physical'
import { dialectOf, expressionSql, mariadb, type NamesIn } from '../../sql'
import type { ReadCondition } from '../check/read-list'
import { mayRepeat } from '../ways/walk'
import { inGroupSql, repeatKeys } from './group-keys'
import { keptSql } from './kept-sql'
import { type At, fieldAtAlias, keyAt, Reach, storedSql, wayFrom } from './reach'

type Of<Kind extends ReadCondition['kind']> = Extract<ReadCondition, { kind: Kind }>

/**
 * A condition over the record where a query begins. What is neither true nor false counts as false: so a condition and
 * its opposite part all records between them. `turned` asks for the opposite; it is passed down to the comparisons, which
 * stay as they are where they aren't turned, so that an index can answer them.
 */
export function conditionSql(reach: Reach, condition: ReadCondition, turned = false): string {
  switch (condition.kind) {
    case 'always':
      return turned ? 'FALSE' : 'TRUE'
    case 'not':
      return conditionSql(reach, condition.of, !turned)
    case 'all':
    case 'any': {
      const word = (condition.kind === 'all') !== turned ? ' AND ' : ' OR '
      return `(${condition.of.map((one) => conditionSql(reach, one, turned)).join(word)})`
    }
    case 'true': {
      const { table, alias } = reach.at(condition.way)
      const sql = expressionSql(
        reach.book,
        reach.names,
        table.id,
        condition.tree,
        alias,
        'plain',
        dialectOf(reach.names),
      )
      // What isn't there is blank, also where the whole record isn't.
      return turned ? `(${sql} IS NOT TRUE)` : sql
    }
    case 'linked': {
      const sql = linkedSql(reach, condition)
      return turned ? `((${sql}) IS NOT TRUE)` : `(${sql})`
    }
    case 'has':
      return hasSql(reach, condition, turned)
    case 'repeats': {
      const sql = repeatsSql(reach, condition)
      // Told so, it stays a question of its own: made one join with the others, MariaDB has been seen to lose values.
      return `((${sql}) IS ${turned ? 'NOT ' : ''}TRUE)`
    }
    case 'inGroup': {
      const sql = inGroupSql(reach, condition.group, condition.key)
      return turned ? `((${sql}) IS NOT TRUE)` : sql
    }
  }
}

function linkedSql(reach: Reach, { way, field, keys }: Of<'linked'>): string {
  const at = reach.at(way)
  const columns = fieldAtAlias(reach.names, at, field.id)
  const leaves = reach.names.columns(at.table.id, field.id).map(({ leaf }) => kindOf(leafOf(reach.book, leaf).kind))
  const one = (key: readonly string[]) =>
    columns
      .map((column, place) => `${column} = ${storedSql(leaves[place]!.store(key[place] ?? ''), reach.names)}`)
      .join(' AND ')
  return keys.map((key) => `(${one(key)})`).join(' OR ')
}

/** What one asks of the records that a way leads to, as the inside of a query. */
export function endsSql(reach: Reach, from: At, { way, where }: Pick<Of<'has'>, 'way' | 'where'>) {
  const { tables, hangs, end } = wayFrom(reach, from, way)
  const inner = new Reach(reach.book, reach.names, end, reach.aliases)
  const asked = where ? ` AND ${conditionSql(inner, where)}` : ''
  return { end, from: `FROM ${tables.join(' ')}${inner.joins} WHERE ${hangs}${asked}` }
}

/** Found once for all records, and not once for each of them. */
function repeatsSql(reach: Reach, { of, nearly }: Of<'repeats'>): string {
  const inner = new Reach(reach.book, reach.names, { ...reach.from, alias: reach.aliases.next() }, reach.aliases)
  const keysIn = (at: Reach) => of.flatMap((group) => repeatKeys(at, group, nearly))
  const keys = keysIn(inner)
  const filled = keys.map((sql) => `${sql} IS NOT NULL`).join(' AND ')
  return `(${keysIn(reach).join(', ')}) IN (SELECT ${keys.join(', ')} FROM ${reach.names.quoted(reach.from.table.id)} ${inner.from.alias}${inner.joins} WHERE ${filled} GROUP BY ${keys.map((_, at) => at + 1).join(', ')} HAVING COUNT(*) > 1)`
}

/** How many there are as the database keeps it; bare, so that its index can answer. */
function keptHas(count: string, least: number, most: number | undefined, turned: boolean): string {
  if (!turned) {
    if (most === undefined) return least > 0 ? `${count} >= ${least}` : 'TRUE'
    return least === most ? `${count} = ${least}` : `${count} BETWEEN ${least} AND ${most}`
  }
  const parts = [...(least > 0 ? [`${count} < ${least}`] : []), ...(most === undefined ? [] : [`${count} > ${most}`])]
  return parts.length > 0 ? `(${parts.join(' OR ')})` : 'FALSE'
}

/** How many different values there are of several columns; only MariaDB counts those of several at once. */
export const countDistinct = (names: NamesIn, columns: readonly string[], from: string): string =>
  columns.length === 1 || dialectOf(names) === mariadb
    ? `(SELECT COUNT(DISTINCT ${columns.join(', ')}) ${from})`
    : `(SELECT COUNT(*) FROM (SELECT DISTINCT ${columns.join(', ')} ${from}) counted)`

function hasSql(reach: Reach, condition: Of<'has'>, turned: boolean): string {
  const { way, least = 0, most } = condition
  const kept = keptSql(reach, { ...condition, name: 'count' })
  if (kept) return keptHas(kept, least, most, turned)
  const ends = endsSql(reach, reach.from, condition)
  const exists = (yes: boolean) => `${yes === turned ? 'NOT ' : ''}EXISTS (SELECT 1 ${ends.from})`
  if (least === 1 && most === undefined) return exists(true)
  if (least === 0 && most === 0) return exists(false)
  const key = keyAt(reach.names, ends.end)
  const count = mayRepeat(reach.book, way)
    ? countDistinct(reach.names, key, ends.from)
    : `(SELECT COUNT(*) ${ends.from})`
  const asked =
    least > 0 && most !== undefined
      ? least === most
        ? `${count} = ${least}`
        : `${count} BETWEEN ${least} AND ${most}`
      : least > 0
        ? `${count} >= ${least}`
        : most !== undefined
          ? `${count} <= ${most}`
          : 'TRUE'
  return turned ? `(NOT (${asked}))` : `(${asked})`
}
