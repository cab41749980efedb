import type { Book } from '../book'
import { ownTable, quoteName } from '../names'
import { attach, detach } from './triggers/attach'
import { diffSchemas } from './diff/diff'
import { createAllSql, createFileTableSql, createTableSql, addForeignKeySql } from './ddl'
import { edition } from './edition'
import { firstWords } from './first-words'
import { askAgain, keepOut } from './triggers/keep-out'
import type { LiveAttached } from '../physical'
import { liveSchema } from './live-schema'
import { sayTable } from './say-table'
import type { LiveCheckQuestion, OpeningStep } from './steps'

/** What an opening will do. */
export interface OpeningPlan {
  readonly kind: 'first' | 'afresh' | 'change' | 'nothing'
  readonly steps: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
}

/**
 * Plans the opening of `after`. `before` is the book as it was last opened, if it was, and `madeBy` the edition that
 * opened it. While the live database holds no record at all it is simply built again.
 */
export function planOpening(
  before: Book | undefined,
  after: Book,
  hasRecords: boolean,
  madeBy: number = edition,
): OpeningPlan {
  if (!before) return { kind: 'first', steps: [placeForFiles, ...creation(after)], questions: [] }
  const changes = diffSchemas(before, after, madeBy)
  if (changes.steps.length === 0) return { kind: 'nothing', steps: [], questions: [] }
  if (hasRecords) return { kind: 'change', ...changes }
  return {
    kind: 'afresh',
    steps: [
      ...keepOut(liveSchema(before).tables, ['INSERT']),
      askAgain('no-records'),
      ...clearing(before),
      ...creation(after),
    ],
    questions: [],
  }
}

const dropTable = (name: string) => `DROP TABLE IF EXISTS ${quoteName(name)}`

function creation(book: Book): OpeningStep[] {
  const schema = liveSchema(book)
  return [
    ...schema.tables.map((table) => ({
      say: sayTable(book, table.id),
      sql: createTableSql(table),
      undo: dropTable(table.name),
    })),
    ...schema.tables.flatMap((table) =>
      table.foreignKeys.map((key) => ({
        say: `Connect ${table.title} to the tables it is linked to`,
        sql: addForeignKeySql(table.name, key),
        undo: `ALTER TABLE IF EXISTS ${quoteName(table.name)} DROP FOREIGN KEY IF EXISTS ${quoteName(key.name)}`,
      })),
    ),
    ...firstWords(undefined, book),
    ...schema.attached.map(attach),
  ]
}

/** Made by the first opening, and never again: it stays where the rest is built anew. */
const placeForFiles: OpeningStep = {
  say: 'Make a place for files and pictures',
  sql: createFileTableSql,
  undo: dropTable(ownTable),
}

function clearing(book: Book): OpeningStep[] {
  const { tables, attached } = liveSchema(book)
  const loose = tables.flatMap((table) =>
    table.foreignKeys.map((key) => ({
      say: 'Take the empty tables down',
      sql: `ALTER TABLE IF EXISTS ${quoteName(table.name)} DROP FOREIGN KEY IF EXISTS ${quoteName(key.name)}`,
      undo: addForeignKeySql(table.name, key),
    })),
  )
  const drops = tables.map((table) => ({
    say: 'Take the empty tables down',
    sql: dropTable(table.name),
    undo: createTableSql(table),
  }))
  return [...attached.map(detach), ...loose, ...drops]
}

/** The script for a new database, for reading or for running by hand. */
export function creationScript(book: Book): string {
  const schema = liveSchema(book)
  const of = (kind: LiveAttached['kind']) => schema.attached.filter((one) => one.kind === kind)
  const triggers = of('TRIGGER')
  const plain = [...createAllSql(schema), ...[...of('TABLE'), ...of('VIEW')].map(({ sql }) => sql)].map(
    (sql) => `${sql};\n`,
  )
  // A trigger has semicolons of its own.
  const closed = triggers.map(({ sql }) => `${sql} //\n`)
  return [...plain, ...(closed.length > 0 ? ['DELIMITER //\n', ...closed, 'DELIMITER ;\n'] : [])].join('\n')
}
