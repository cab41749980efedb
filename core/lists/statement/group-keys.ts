import { nth } from '../../words'
import { type Look, kindOf, quoteText } from '../../kinds'
import { dialectOf } from '../../sql'
import { leafOf } from '../../physical'
import { keyOfRef, refOf } from '../../records'
import { factTree } from '../check/fact-tree'
import type { ReadGroup } from '../check/read-list'
import { calendarDays } from '../check/spans'
import { joinPlan } from '../label'
import type { StoredRow } from '../row-reader'
import { wordOf } from './cells'
import { type At, fieldAtAlias, type Reach, storedSql, valueAt } from './reach'

/** Which group it is: a value as it is stored, the first of its days, its first letter, the least of its numbers; none for blank. */
export type GroupKey = string | null

/** A group as it is told. */
export interface GroupCell {
  /** Alike for the same group in every answer, however its words are written. */
  readonly same: string
  readonly key: GroupKey
  /** What a link leads to is known by. */
  readonly label?: string
}

export interface GroupPlan {
  /** What makes the group: alike for all records of it, and for no other. */
  readonly keys: readonly string[]
  /** What else is told of it. */
  readonly more: readonly string[]
  /**
   * Alike for the same group in every statement, whichever of its records is met first; of the columns that its keys are
   * told in. For each group once: for each record it would take twice as long.
   */
  readonly same: (keys: readonly string[]) => readonly string[]
  readonly read: (row: StoredRow, slot: number) => Omit<GroupCell, 'same'>
}

/** A group in a statement: what it is told apart by. */
export function groupPlan(reach: Reach, group: ReadGroup): GroupPlan {
  const at = reach.at(group.way)
  if (group.field.kind === 'link') return linkPlan(reach, at, group)
  const { load } = kindOf(group.face.kind)
  const sql = groupKeySql(reach, group)
  const isText = !group.step && factTree(reach.book, group.field)?.type.is === 'text'
  return {
    keys: [sql],
    // Texts that count as the same may be written in several ways.
    same: (told) => (isText || group.step === 'letter' ? told.map((key) => `HEX(WEIGHT_STRING(${key}))`) : told),
    more: [],
    read(row, slot) {
      const stored = row[slot] ?? null
      return { key: stored === null ? null : (readKey(group.step, stored) ?? load(stored)) }
    },
  }
}

/** A step as its key; nothing where values are taken one by one. */
function readKey(step: ReadGroup['step'], stored: string | number): string | undefined {
  if (step === undefined) return undefined
  if (typeof step === 'object') return plainNumber(String(stored))
  return step === 'letter' ? String(stored) : readDay(String(stored))
}

/** Without the noughts that a database writes after the point. */
const plainNumber = (text: string) => (/^-?\d+\.\d+$/.test(text) ? text.replace(/\.?0+$/, '') : text)

function linkPlan(reach: Reach, at: At, { field }: ReadGroup): GroupPlan {
  const { book, names } = reach
  const plan = joinPlan(book, names, at.table, field, at.alias)
  reach.add(plan.joins.map(({ sql }) => sql))
  const keys = fieldAtAlias(names, at, field.id)
  const more = plan.pieces.map(({ sql }) => sql)
  const leaves = names.columns(at.table.id, field.id).map(({ leaf }) => kindOf(leafOf(book, leaf).kind).load)
  return {
    keys,
    same: (told) => told,
    more,
    read(row, slot) {
      const key = keys.map((_, place) => row[slot + place] ?? null)
      if (key.some((part) => part === null)) return { key: null }
      const words = plan.pieces.map((piece, place) => wordOf(book, piece, row[slot + keys.length + place] ?? null))
      return {
        key: refOf(key.map((part, place) => nth(leaves, place)(part!))),
        label: words.filter(Boolean).join(', '),
      }
    },
  }
}

/** What a plain value is put together by. */
function groupKeySql(reach: Reach, { way, field, step }: ReadGroup): string {
  const sql = valueAt(reach.book, reach.names, reach.at(way), field)
  if (step === undefined) return sql
  if (typeof step === 'string')
    return step === 'letter' ? `UPPER(LEFT(${sql}, 1))` : dayKeySql(sql, step, reach.book.look)
  const exact = `CAST(${sql} AS DECIMAL(38,10))`
  // What is left over goes; no division, which would round. MariaDB takes what is left of -2.5 by 0.25 for less than 0.
  const [left, below] = [`MOD(${exact}, ${step.every})`, `MOD(-${exact}, ${step.every})`]
  return `IF(${exact} < 0, ${exact} + ${below} - IF(${below} > 0, ${step.every}, 0), ${exact} - ${left})`
}

type CalendarUnit = 'day' | 'week' | 'month' | 'quarter' | 'year'

const sinceWeekBegan: Record<Look['weekStart'], (sql: string) => string> = {
  Monday: (sql) => `WEEKDAY(${sql})`,
  Sunday: (sql) => `(DAYOFWEEK(${sql}) - 1)`,
  Saturday: (sql) => `MOD(DAYOFWEEK(${sql}), 7)`,
}

/**
 * What a day is put together by: a number where one is quickly told, and by it the first day of its stretch is read; a
 * day as text for each record would take three times as long.
 */
function dayKeySql(sql: string, unit: CalendarUnit, { weekStart }: Look): string {
  switch (unit) {
    case 'day':
      return `CAST(${sql} AS DATE)`
    case 'week':
      return `CAST(DATE_SUB(${sql}, INTERVAL ${sinceWeekBegan[weekStart](sql)} DAY) AS DATE)`
    case 'month':
      return `EXTRACT(YEAR_MONTH FROM ${sql})`
    case 'quarter':
      return `(YEAR(${sql}) * 100 + QUARTER(${sql}) * 3 - 2)`
    case 'year':
      return `(YEAR(${sql}) * 100 + 1)`
  }
}

/** A day, or the first day of what is told as a year and a month: 202703. */
function readDay(stored: string): string {
  if (stored.includes('-')) return stored.slice(0, 10)
  const number = stored.padStart(6, '0')
  return `${number.slice(0, 4)}-${number.slice(4)}-01`
}

/** By what a record is compared with others: as a group is, or nearly, but for capitals, accents, spaces and signs. */
export function repeatKeys(reach: Reach, group: ReadGroup, nearly: boolean): readonly string[] {
  const { keys } = groupPlan(reach, group)
  const isText = factTree(reach.book, group.field)?.type.is === 'text'
  if (!isText) return keys
  if (!nearly) return keys.map(dialectOf(reach.names).compared)
  return keys.map(
    (sql) =>
      `NULLIF(REGEXP_REPLACE(${sql}, ${quoteText(String.raw`[^\p{L}\p{N}]`)}, ''), '') COLLATE utf8mb4_uca1400_ai_ci`,
  )
}

/** That a record is of a group; whatever can be told by an index is asked so. */
export function inGroupSql(reach: Reach, group: ReadGroup, key: GroupKey): string {
  const at = reach.at(group.way)
  if (group.field.kind === 'link') return linkedSql(reach, at, group, key)
  const { step, field } = group
  if (key !== null && typeof step === 'string' && step !== 'letter') {
    const sql = valueAt(reach.book, reach.names, at, field)
    const { from, until } = calendarDays(key, step, reach.book.look)
    return `(${sql} >= ${quoteText(from)} AND ${sql} < ${quoteText(until)})`
  }
  const sql = groupKeySql(reach, group)
  if (key === null) return `${sql} IS NULL`
  const type = factTree(reach.book, field)?.type.is
  // A number stands bare, so that it is compared as one.
  const isBare = type === 'exact' || type === 'measured'
  return `${sql} = ${isBare ? String(Number.isFinite(Number(key)) ? key : 0) : storedSql(kindOf(group.face.kind).store(key), reach.names)}`
}

function linkedSql(reach: Reach, at: At, { field }: ReadGroup, ref: GroupKey): string {
  const columns = fieldAtAlias(reach.names, at, field.id)
  const key = ref === null ? undefined : keyOfRef(ref, columns.length)
  if (!key) return `${nth(columns, 0)} IS NULL`
  const leaves = reach.names.columns(at.table.id, field.id).map(({ leaf }) => kindOf(leafOf(reach.book, leaf).kind))
  return `(${columns.map((sql, place) => `${sql} = ${storedSql(nth(leaves, place).store(nth(key, place)), reach.names)}`).join(' AND ')})`
}
