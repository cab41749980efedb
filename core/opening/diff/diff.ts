import { type Book, findField, isPlainList, linksTo, tableOf } from '../../book'
import { quoteText } from '../../kinds'
import { quoteName } from '../../names'
import { physicalNames, type LiveAttached, type LiveTable } from '../../physical'
import { carryOver } from '../carry/carry'
import { createTableSql } from '../ddl'
import { diffColumns } from './diff-columns'
import { attach, detach } from '../triggers/attach'
import { changeKey, addConstraints, addForeignKeys, dropConstraints, dropForeignKeys } from './constraints'
import { fillKept } from '../carry/fill-kept'
import { asMadeBy } from '../edition'
import { firstWords, wordsMissing } from '../first-words'
import { askAgain, keepOut, letIn } from '../triggers/keep-out'
import { liveSchema } from '../live-schema'
import { numberRows } from './numbering'
import { isStaying, pairTables, type TablePair } from './pairs'
import type { LiveCheckQuestion, OpeningStep } from '../steps'
import { renameColumns, renameTables } from './renames'

interface Changes {
  readonly steps: readonly OpeningStep[]
  readonly drops: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
}

/**
 * The statements that lead from one book's live database to another's, and what must be counted first.
 * Order matters: what holds columns fast goes first, then names, then new columns, then records that move,
 * then what holds columns fast again. What goes is dropped last, so that nothing can fail after it.
 */
export function diffSchemas(before: Book, after: Book, madeBy: number): Omit<Changes, 'drops'> {
  const [old, fresh] = [asMadeBy(madeBy, liveSchema(before)), liveSchema(after)]
  const pairs = pairTables(old.tables, fresh.tables)
  const { steps, drops, questions } = diffTables(before, after, pairs)
  const same = (one: LiveAttached, all: readonly LiveAttached[]) =>
    all.some((other) => other.name === one.name && other.sql === one.sql && other.table === one.table)
  const changed = new Set(
    [old, fresh].flatMap((schema, at, both) =>
      schema.attached.filter((one) => !same(one, both[1 - at]!.attached)).map((one) => one.table),
    ),
  )
  if (steps.length + drops.length > 0)
    for (const { was, is } of pairs) if (!sameTable(was, is)) changed.add((is ?? was)!.id)
  // What is made from two tables rests while one of them changes, and so must the other.
  const made = [...old.attached, ...fresh.attached].flatMap(({ table, from }) =>
    from === undefined ? [] : [{ table, from }],
  )
  for (let size = -1; size < changed.size;) {
    size = changed.size
    for (const { table, from } of made) if (changed.has(table) || changed.has(from)) changed.add(table).add(from)
  }
  // Triggers of tables that stay as they are stay too: their rules never rest.
  const stays = (one: LiveAttached) => same(one, old.attached) && same(one, fresh.attached) && !changed.has(one.table)
  const going = old.attached.filter((one) => !stays(one))
  const coming = fresh.attached.filter((one) => !stays(one))
  if (steps.length + drops.length + going.length + coming.length === 0) return { steps: [], questions }
  const closed = pairs.flatMap(({ was, then }) => (was && changed.has(was.id) ? [{ was, then: then! }] : []))
  return {
    steps: [
      ...keepOut(closed.map(({ was }) => was)),
      askAgain('questions'),
      ...going.map(detach),
      ...steps,
      ...coming.map(attach),
      ...letIn(closed.filter(({ was }) => fresh.tables.some((table) => table.id === was.id))),
      ...drops,
    ],
    questions,
  }
}

/** Whether a table is the same but for what is said of it and the order of its columns. */
const sameTable = (was: LiveTable | undefined, is: LiveTable | undefined) => unsaid(was) === unsaid(is)

const unsaid = (table: LiveTable | undefined) =>
  JSON.stringify(
    table && {
      ...table,
      title: '',
      comment: '',
      columns: table.columns.map((column) => JSON.stringify({ ...column, title: '' })).sort(),
    },
  )

function diffTables(before: Book, after: Book, pairs: readonly TablePair[]): Changes {
  const staying = pairs.filter(isStaying)
  const carried = carryOver(before, after, pairs)
  const columns = staying.map((pair) => diffColumns(before, after, pair, carried))
  const gone = pairs.flatMap(({ was, is, then }) => (was && !is ? [{ was, then: then! }] : [])).reverse()
  return {
    steps: [
      ...pairs.flatMap(dropForeignKeys),
      ...pairs.flatMap(dropConstraints),
      ...renameTables(pairs),
      ...pairs.flatMap(renameColumns),
      ...pairs.flatMap(({ was, is }) => (is && !was ? [addTable(is)] : [])),
      ...firstWords(before, after),
      ...columns.flatMap((change) => change.add),
      ...staying.flatMap((pair) => numberRows(after, pair)),
      ...carried.steps,
      ...columns.flatMap((change) => change.tighten),
      ...pairs.flatMap(changeKey),
      ...columns.flatMap((change) => change.ease),
      ...pairs.flatMap(redescribe),
      ...pairs.flatMap(addConstraints),
      ...pairs.flatMap(addForeignKeys),
      ...staying.flatMap((pair) => fillKept(after, physicalNames(after), pair)),
      ...carried.beforeDrops,
    ],
    drops: [
      ...columns.flatMap((change) => change.drop),
      ...gone.map(({ was, then }) => ({
        say: `Take the empty table ${was.title} away`,
        sql: `DROP TABLE IF EXISTS ${quoteName(then.name)}`,
        loses: [was.id],
        undo: createTableSql({ ...was, name: then.name }),
      })),
    ],
    questions: [
      ...gone
        .filter(({ was }) => !carried.emptied.has(was.id))
        .map(({ was }) => wordsLeftOut(before, after, was) ?? stillHolds(was)),
      ...wordsMissing(before, after),
      ...carried.questions,
      ...columns.flatMap((change) => change.questions),
    ],
  }
}

const addTable = (table: LiveTable): OpeningStep => ({
  say: `Add the table ${table.title}`,
  sql: createTableSql(table),
  undo: `DROP TABLE IF EXISTS ${quoteName(table.name)}`,
})

const stillHolds = (table: LiveTable): LiveCheckQuestion => ({
  sql: `SELECT COUNT(*) AS count FROM ${quoteName(table.name)}`,
  blocked: (count) => ({ kind: 'table-still-filled', table: table.title, count }),
  loses: table.id,
})

/** A word list that became fixed choices may go when all its words are among them. */
function wordsLeftOut(before: Book, after: Book, table: LiveTable): LiveCheckQuestion | undefined {
  const fields = linksTo(before, table.id).map((link) => findField(after, link.field)?.field)
  const plain = isPlainList(before, tableOf(before, table.id))
  if (!plain || fields.length === 0 || fields.some((field) => field?.kind !== 'choice')) return undefined
  const words = fields.flatMap((field) => field!.choices ?? []).map((choice) => quoteText(choice.word))
  const column = quoteName(table.columns[0]!.name)
  const left = words.length > 0 ? ` WHERE ${column} NOT IN (${words.join(', ')})` : ''
  return {
    sql: `SELECT COUNT(*) AS count, LEFT(GROUP_CONCAT(${column} ORDER BY ${column} SEPARATOR ', '), 200) AS examples FROM ${quoteName(table.name)}${left}`,
    blocked: (count, examples) => ({
      kind: 'words-no-choice',
      table: table.title,
      field: fields[0]!.name,
      count,
      examples,
    }),
  }
}

const redescribe = ({ was, is }: TablePair): OpeningStep[] => {
  const comment = (text: string) => `ALTER TABLE ${quoteName(is!.name)} COMMENT = ${quoteText(text)}`
  return !was || !is || was.comment === is.comment
    ? []
    : [{ say: `Describe ${is.title} again`, sql: comment(is.comment), undo: comment(was.comment) }]
}
