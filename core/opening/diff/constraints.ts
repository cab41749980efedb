import { quoteName } from '../../names'
import { inSentence, plural } from '../../words'
import type { LiveForeignKey, LiveTable } from '../../physical'
import { addForeignKeySql, checkSql, indexSql, uniqueSql } from '../ddl'
import { idsOf, isStaying, keyOf, quotedList, type TablePair } from './pairs'
import type { OpeningStep } from '../steps'

/**
 * A foreign key is the same only while its columns are, types included, and the index it leans on:
 * InnoDB lets neither change beneath it.
 */
const keyMark = (table: LiveTable, key: LiveForeignKey) =>
  JSON.stringify([
    key,
    key.columns.map((name) => table.columns.find((column) => column.name === name)?.type),
    [{ name: 'PRIMARY', columns: table.primaryKey }, ...table.uniques, ...table.indexes]
      .filter(({ columns }) => key.columns.every((column, at) => columns[at] === column))
      .map(({ name, columns }) => [name, idsOf(table, columns)]),
  ])

const missing = (table: LiveTable | undefined, other: LiveTable | undefined) => {
  const there = new Set(other?.foreignKeys.map((key) => keyMark(other, key)))
  return (table?.foreignKeys ?? []).filter((key) => !there.has(keyMark(table!, key)))
}

export const dropForeignKeys = ({ was, is }: TablePair): OpeningStep[] =>
  missing(was, is).map((key) => ({
    say: `Loosen the links of ${was!.title}`,
    sql: `ALTER TABLE ${quoteName(was!.name)} DROP FOREIGN KEY IF EXISTS ${quoteName(key.name)}`,
    undo: addForeignKeySql(was!.name, key),
  }))

export const addForeignKeys = ({ was, is }: TablePair): OpeningStep[] =>
  missing(is, was).map((key) => ({
    say: `Connect ${is!.title} to the tables it is linked to`,
    sql: addForeignKeySql(is!.name, key),
    undo: `ALTER TABLE ${quoteName(is!.name)} DROP FOREIGN KEY IF EXISTS ${quoteName(key.name)}`,
  }))

/** The columns of a check, as `idsOf` tells them: one of another column that has the name of an old one is another check. */
const idsInCheck = (table: LiveTable, sql: string) =>
  idsOf(
    table,
    table.columns.flatMap(({ name }) => (sql.includes(quoteName(name)) ? [name] : [])),
  )

/** The named things of a table that hold its columns fast: what drops one and what adds it. */
const holds = (table: LiveTable) => [
  ...table.checks.map((check) => ({
    mark: JSON.stringify([check.name, check.sql, idsInCheck(table, check.sql)]),
    name: check.name,
    noun: 'CONSTRAINT',
    add: `ADD CONSTRAINT IF NOT EXISTS ${checkSql(check).slice('CONSTRAINT '.length)}`,
  })),
  ...table.uniques.map((unique) => ({
    mark: JSON.stringify(['u', unique, idsOf(table, unique.columns)]),
    name: unique.name,
    noun: 'KEY',
    add: `ADD ${uniqueSql(unique).replace('UNIQUE KEY', 'UNIQUE KEY IF NOT EXISTS')}`,
  })),
  ...table.indexes.map((index) => ({
    mark: JSON.stringify(['i', index, idsOf(table, index.columns)]),
    name: index.name,
    noun: 'KEY',
    add: `ADD ${indexSql(index).replace('KEY', 'KEY IF NOT EXISTS')}`,
  })),
]

function heldOnlyIn(table: LiveTable, other: LiveTable) {
  const there = new Set(holds(other).map((held) => held.mark))
  return holds(table).filter((held) => !there.has(held.mark))
}

export const dropConstraints = (pair: TablePair): OpeningStep[] =>
  isStaying(pair)
    ? heldOnlyIn(pair.was, pair.is).map((held) => ({
        say: `Set the checks of ${inSentence(pair.is.title)} again`,
        sql: `ALTER TABLE ${quoteName(pair.was.name)} DROP ${held.noun} IF EXISTS ${quoteName(held.name)}`,
        undo: `ALTER TABLE ${quoteName(pair.was.name)} ${held.add}`,
      }))
    : []

export const addConstraints = (pair: TablePair): OpeningStep[] =>
  isStaying(pair)
    ? heldOnlyIn(pair.is, pair.was).map((held) => ({
        say: `Set the checks of ${inSentence(pair.is.title)} again`,
        sql: `ALTER TABLE ${quoteName(pair.is.name)} ${held.add}`,
        undo: `ALTER TABLE ${quoteName(pair.is.name)} DROP ${held.noun} IF EXISTS ${quoteName(held.name)}`,
      }))
    : []

/** Another key, in one statement, so that the table is never without. */
export function changeKey(pair: TablePair): OpeningStep[] {
  if (!isStaying(pair) || keyOf(pair.was) === keyOf(pair.is)) return []
  const to = (columns: readonly string[]) =>
    `ALTER TABLE ${quoteName(pair.is.name)} DROP PRIMARY KEY, ADD PRIMARY KEY (${quotedList(columns)})`
  return [
    {
      say: `Make ${plural(inSentence(pair.is.title))} unique by their new key`,
      sql: to(pair.is.primaryKey),
      undo: to(pair.then.primaryKey),
    },
  ]
}
