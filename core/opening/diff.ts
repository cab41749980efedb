import type { Book } from '../book'
import { quoteText } from '../kinds'
import { quoteName } from '../names'
import { counted, inSentence } from '../words'
import { addForeignKeySql, checkSql, createTableSql, indexSql, uniqueSql } from './ddl'
import { diffColumns } from './diff-columns'
import { liveSchema } from './live-schema'
import type { LiveCheckQuestion, OpeningStep } from './plan'
import { renameColumns, renameTables } from './renames'
import type { LiveForeignKey, LiveTable } from './schema'

interface Changes {
  readonly steps: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
}

/**
 * The statements that lead from one book's live database to another's, and what must be counted first.
 * Order matters: what holds columns fast goes first, then names, then columns, then what holds them fast again.
 */
export function diffSchemas(before: Book, after: Book): Changes {
  const old = new Map(liveSchema(before).tables.map((table) => [table.id, table]))
  const fresh = liveSchema(after).tables
  const pairs = fresh.flatMap((table) => (old.has(table.id) ? [{ was: old.get(table.id)!, is: table }] : []))
  const added = fresh.filter((table) => !old.has(table.id))
  const gone = [...old.values()].filter((table) => !fresh.some((candidate) => candidate.id === table.id))
  const columns = pairs.map((pair) => diffColumns(before, after, pair.was, pair.is))
  return {
    steps: [
      ...[...pairs, ...gone.map((was) => ({ was, is: undefined }))].flatMap(({ was, is }) => loosenKeys(was, is)),
      ...pairs.flatMap(({ was, is }) => loosen(was, is)),
      ...renameTables(pairs),
      ...pairs.flatMap(({ was, is }) => renameColumns(was, is)),
      ...added.map((table) => ({
        say: `Add the table ${table.title}`,
        sql: createTableSql(table),
        undo: `DROP TABLE IF EXISTS ${quoteName(table.name)}`,
      })),
      ...columns.flatMap((change) => change.steps),
      ...pairs.flatMap(({ was, is }) => redescribe(was, is)),
      ...pairs.flatMap(({ was, is }) => fasten(was, is)),
      ...gone.reverse().map((table) => ({
        say: `Take the empty table ${table.title} away`,
        sql: `DROP TABLE IF EXISTS ${quoteName(table.name)}`,
        undo: createTableSql(table),
      })),
      ...fresh.flatMap((table) => fastenKeys(old.get(table.id), table)),
    ],
    questions: [...gone.map(stillHolds), ...columns.flatMap((change) => change.questions)],
  }
}

const stillHolds = (table: LiveTable): LiveCheckQuestion => ({
  sql: `SELECT COUNT(*) AS count FROM ${quoteName(table.name)}`,
  blocked: (count) =>
    `${table.title} was taken out of the design but still holds ${counted(count, 'record')}. Undo that, or remove the records at the Desk first.`,
})

const redescribe = (was: LiveTable, is: LiveTable): OpeningStep[] => {
  const comment = (text: string) => `ALTER TABLE ${quoteName(is.name)} COMMENT = ${quoteText(text)}`
  return was.comment === is.comment
    ? []
    : [{ say: `Describe ${is.title} anew`, sql: comment(is.comment), undo: comment(was.comment) }]
}

/** A foreign key is the same only while its columns are, types included: InnoDB lets none change beneath it. */
const keyMark = (table: LiveTable, key: LiveForeignKey) =>
  JSON.stringify([key, key.columns.map((name) => table.columns.find((column) => column.name === name)?.type)])

const missing = (table: LiveTable, other: LiveTable | undefined) => {
  const there = new Set(other?.foreignKeys.map((key) => keyMark(other, key)))
  return table.foreignKeys.filter((key) => !there.has(keyMark(table, key)))
}

const loosenKeys = (was: LiveTable, is: LiveTable | undefined): OpeningStep[] =>
  missing(was, is).map((key) => ({
    say: `Loosen the links of ${was.title}`,
    sql: `ALTER TABLE ${quoteName(was.name)} DROP FOREIGN KEY IF EXISTS ${quoteName(key.name)}`,
    undo: addForeignKeySql(was.name, key),
  }))

const fastenKeys = (was: LiveTable | undefined, is: LiveTable): OpeningStep[] =>
  missing(is, was).map((key) => ({
    say: `Hold the links of ${is.title}`,
    sql: addForeignKeySql(is.name, key),
    undo: `ALTER TABLE ${quoteName(is.name)} DROP FOREIGN KEY IF EXISTS ${quoteName(key.name)}`,
  }))

/** The named things of a table that hold its columns fast: what drops one and what adds it. */
const holds = (table: LiveTable) => [
  ...table.checks.map((check) => ({
    mark: JSON.stringify([check.name, check.sql]),
    name: check.name,
    noun: 'CONSTRAINT',
    add: `ADD CONSTRAINT IF NOT EXISTS ${checkSql(check).slice('CONSTRAINT '.length)}`,
  })),
  ...table.uniques.map((unique) => ({
    mark: JSON.stringify(['u', unique]),
    name: unique.name,
    noun: 'KEY',
    add: `ADD ${uniqueSql(unique).replace('UNIQUE KEY', 'UNIQUE KEY IF NOT EXISTS')}`,
  })),
  ...table.indexes.map((index) => ({
    mark: JSON.stringify(['i', index]),
    name: index.name,
    noun: 'KEY',
    add: `ADD ${indexSql(index).replace('KEY', 'KEY IF NOT EXISTS')}`,
  })),
]

function heldOnlyIn(table: LiveTable, other: LiveTable) {
  const there = new Set(holds(other).map((held) => held.mark))
  return holds(table).filter((held) => !there.has(held.mark))
}

const loosen = (was: LiveTable, is: LiveTable): OpeningStep[] =>
  heldOnlyIn(was, is).map((held) => ({
    say: `Set the checks of ${inSentence(is.title)} anew`,
    sql: `ALTER TABLE ${quoteName(was.name)} DROP ${held.noun} IF EXISTS ${quoteName(held.name)}`,
    undo: `ALTER TABLE ${quoteName(was.name)} ${held.add}`,
  }))

const fasten = (was: LiveTable, is: LiveTable): OpeningStep[] =>
  heldOnlyIn(is, was).map((held) => ({
    say: `Set the checks of ${inSentence(is.title)} anew`,
    sql: `ALTER TABLE ${quoteName(is.name)} ${held.add}`,
    undo: `ALTER TABLE ${quoteName(is.name)} DROP ${held.noun} IF EXISTS ${quoteName(held.name)}`,
  }))
