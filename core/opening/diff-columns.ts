import { type Book, findField } from '../book'
import { kindOf, quoteText } from '../kinds'
import { quoteName } from '../names'
import { counted, inSentence, plural } from '../words'
import { columnSql } from './ddl'
import type { LiveCheckQuestion, OpeningStep } from './plan'
import type { LiveCheck, LiveColumn, LiveTable } from './schema'
import { isWidening, narrowedLength } from './widening'

/** What happens to the columns of one table that stays, and what its rows must be asked first. */
export function diffColumns(before: Book, after: Book, was: LiveTable, is: LiveTable) {
  const steps: OpeningStep[] = []
  const questions: LiveCheckQuestion[] = []
  const oldById = new Map(was.columns.map((column) => [column.id, column]))
  const alter = `ALTER TABLE ${quoteName(is.name)}`
  const ask = (condition: string, blocked: (count: number) => string) =>
    questions.push({ sql: `SELECT COUNT(*) AS count FROM ${quoteName(was.name)} WHERE ${condition}`, blocked })
  const rows = (count: number) => counted(count, inSentence(is.title))

  if (keyOf(was) !== keyOf(is)) {
    ask(
      'TRUE',
      (count) =>
        `The key of ${is.title} can’t change while it has records, and it has ${count.toLocaleString('en-GB')}. Undo the change of key.`,
    )
  }
  is.columns.forEach((column, at) => {
    const old = oldById.get(column.id)
    if (!old) {
      const position = at === 0 ? ' FIRST' : ` AFTER ${quoteName(is.columns[at - 1]!.name)}`
      steps.push({
        say: `Add ${column.title} to ${is.title}`,
        sql: `${alter} ADD COLUMN IF NOT EXISTS ${columnSql(column)}${position}`,
        undo: `${alter} DROP COLUMN IF EXISTS ${quoteName(column.name)}`,
      })
      if (column.notNull && column.initial === undefined) {
        ask(
          'TRUE',
          (count) =>
            `${column.title} must be filled, but ${rows(count)} would have nothing there. Let it start as something, or open it without “must be filled” and fill it in first.`,
        )
      }
      return
    }
    if (columnSql(old) === columnSql({ ...column, name: old.name })) return
    steps.push({
      say: `Change ${is.title} → ${column.title}`,
      sql: `${alter} MODIFY COLUMN ${columnSql(column)}`,
      undo: `${alter} MODIFY COLUMN ${columnSql({ ...old, name: column.name })}`,
    })
    const from = quoteName(old.name)
    if (column.notNull && !old.notNull) {
      ask(
        `${from} IS NULL`,
        (count) =>
          `${rows(count)} ${count === 1 ? 'has' : 'have'} no ${inSentence(column.title)}, which must be filled now. Fill them at the Desk first.`,
      )
    }
    const narrowed = narrowedLength(old.type, column.type)
    if (narrowed !== undefined) {
      ask(
        `CHAR_LENGTH(${from}) > ${narrowed}`,
        (count) =>
          `${rows(count)} ${count === 1 ? 'has' : 'have'} more than ${narrowed} characters in ${column.title}. Shorten them first, or allow more.`,
      )
    } else if (!isWidening(old.type, column.type)) {
      ask(
        `${from} IS NOT NULL`,
        (count) =>
          `${column.title} would hold another kind of value, and ${rows(count)} ${count === 1 ? 'has' : 'have'} one already. Add a new field instead.`,
      )
    }
  })
  for (const old of was.columns) {
    if (is.columns.some((column) => column.id === old.id)) continue
    steps.push({
      say: `Take the empty ${old.title} out of ${is.title}`,
      sql: `${alter} DROP COLUMN IF EXISTS ${quoteName(old.name)}`,
      undo: `${alter} ADD COLUMN IF NOT EXISTS ${columnSql({ ...old, notNull: old.notNull && old.initial !== undefined })}`,
    })
    const filled =
      findField(before, old.field)?.field.kind === 'tick'
        ? `${quoteName(old.name)} = 1`
        : `${quoteName(old.name)} IS NOT NULL`
    ask(
      filled,
      (count) =>
        `${old.title} was taken out of ${is.title}, but ${rows(count)} ${count === 1 ? 'holds' : 'hold'} something there. Undo that, or empty the field first.`,
    )
  }
  const words = rewordings(before, after, was, is)
  for (const column of is.columns) {
    const own = words.filter((word) => word.column.id === column.id)
    if (own.length === 0) continue
    steps.push({
      say: `Write ${own.map((word) => `“${word.to}” for “${word.from}”`).join(', ')} in ${is.title} → ${column.title}`,
      sql: rewordSql(is.name, column.name, own),
      undo: rewordSql(
        is.name,
        column.name,
        own.map(({ from, to }) => ({ from: to, to: from })),
      ),
    })
  }
  const oldChecks = new Set(was.checks.map((check) => check.sql))
  const seen = asItWillBe(was, is, words)
  for (const check of is.checks.filter((candidate) => !oldChecks.has(candidate.sql))) {
    questions.push({
      sql: `SELECT COUNT(*) AS count FROM (${seen}) AS seen WHERE NOT (${check.sql})`,
      blocked: (count) => brokenCheck(after, is, check, rows(count), count),
    })
  }
  for (const unique of is.uniques.filter(
    (candidate) => !was.uniques.some((old) => sameColumns(was, old.columns, is, candidate.columns)),
  )) {
    const columns = unique.columns.map(quoteName).join(', ')
    const filled = unique.columns.map((name) => `${quoteName(name)} IS NOT NULL`).join(' AND ')
    const title = is.columns.find((column) => column.name === unique.columns[0])!.title
    questions.push({
      sql: `SELECT COUNT(*) AS count FROM (SELECT 1 FROM (${seen}) AS seen WHERE ${filled} GROUP BY ${columns} HAVING COUNT(*) > 1) AS twice`,
      blocked: (count) =>
        `No two ${plural(inSentence(is.title))} may be alike in ${title} now, but ${counted(count, 'value')} ${count === 1 ? 'stands' : 'stand'} there more than once. Change them at the Desk first.`,
    })
  }
  return { steps, questions }
}

const idsOf = (table: LiveTable, names: readonly string[]) =>
  names.map((name) => table.columns.find((column) => column.name === name)?.id).join()
const keyOf = (table: LiveTable) => idsOf(table, table.primaryKey)
const sameColumns = (was: LiveTable, a: readonly string[], is: LiveTable, b: readonly string[]) =>
  idsOf(was, a) === idsOf(is, b)

/** Choices whose word changed while their id stayed. */
function rewordings(before: Book, after: Book, was: LiveTable, is: LiveTable) {
  return is.columns.flatMap((column) => {
    if (!was.columns.some((old) => old.id === column.id)) return []
    const old = findField(before, column.field)?.field.choices ?? []
    const now = findField(after, column.field)?.field.choices ?? []
    return now.flatMap((choice) => {
      const word = old.find((candidate) => candidate.id === choice.id)?.word
      return word !== undefined && word !== choice.word ? [{ column, from: word, to: choice.word }] : []
    })
  })
}

interface Rewording {
  readonly from: string
  readonly to: string
}

const rewordCase = (column: string, words: readonly Rewording[]) =>
  `CASE ${quoteName(column)} ${words.map(({ from, to }) => `WHEN ${quoteText(from)} THEN ${quoteText(to)}`).join(' ')} ELSE ${quoteName(column)} END`

/** All rewordings of a column at once, so that two choices can trade words; who changed the rows last stays. */
const rewordSql = (table: string, column: string, words: readonly Rewording[]) =>
  `UPDATE ${quoteName(table)} SET ${quoteName(column)} = ${rewordCase(column, words)}, \`changed_at\` = \`changed_at\` WHERE ${quoteName(column)} IN (${words.map(({ from }) => quoteText(from)).join(', ')})`

/** The rows of a table as they will be named and worded, to try new checks on before anything is changed. */
function asItWillBe(
  was: LiveTable,
  is: LiveTable,
  words: readonly { column: LiveColumn; from: string; to: string }[],
): string {
  const columns = is.columns.map((column) => {
    const old = was.columns.find((candidate) => candidate.id === column.id)
    if (!old) return `${column.initial ?? 'NULL'} AS ${quoteName(column.name)}`
    const reworded = words.filter((word) => word.column.id === column.id)
    const from = quoteName(old.name)
    const value = reworded.length === 0 ? from : rewordCase(old.name, reworded)
    return `${value} AS ${quoteName(column.name)}`
  })
  return `SELECT ${columns.join(', ')} FROM ${quoteName(was.name)}`
}

function brokenCheck(after: Book, is: LiveTable, check: LiveCheck, rows: string, count: number): string {
  const field = findField(after, check.field)?.field
  const allowed = field ? kindOf(field.kind).summary(field, after.look) : 'what is allowed'
  return `${rows} ${count === 1 ? 'has' : 'have'} a value in ${is.title} → ${field?.name ?? ''} outside “${allowed}”. Change ${count === 1 ? 'it' : 'them'} at the Desk first.`
}
