import { type Book, findField } from '../../book'
import { kindOf, quoteText } from '../../kinds'
import { quoteName } from '../../names'
import type { Problem } from '../../words'
import type { LiveCheck, LiveColumn, LiveTable } from '../../physical'
import { idsOf, keyOf, quotedList, type Staying, isSameColumn } from './pairs'
import type { LiveCheckQuestion, OpeningStep } from '../steps'

interface Rewording {
  readonly column: LiveColumn
  readonly from: string
  readonly to: string
}

/** Choices whose word changed while their id stayed. */
export function rewordings(before: Book, after: Book, was: LiveTable, is: LiveTable): Rewording[] {
  return is.columns.flatMap((column) => {
    if (!was.columns.some((old) => isSameColumn(old, column))) return []
    const old = findField(before, column.field)?.field.choices ?? []
    const now = findField(after, column.field)?.field.choices ?? []
    return now.flatMap((choice) => {
      const word = old.find((candidate) => candidate.id === choice.id)?.word
      return word !== undefined && word !== choice.word ? [{ column, from: word, to: choice.word }] : []
    })
  })
}

export function rewordSteps(is: LiveTable, words: readonly Rewording[]): OpeningStep[] {
  return is.columns.flatMap((column) => {
    const own = words.filter((word) => word.column.id === column.id)
    if (own.length === 0) return []
    const back = own.map(({ from, to }) => ({ column, from: to, to: from }))
    return [
      {
        say: `Write ${own.map((word) => `“${word.to}” for “${word.from}”`).join(', ')} in ${is.title} → ${column.title}`,
        sql: rewordSql(is.name, column.name, own),
        undo: rewordSql(is.name, column.name, back),
      },
    ]
  })
}

const rewordCase = (column: string, words: readonly Rewording[]) =>
  `CASE ${quoteName(column)} ${words.map(({ from, to }) => `WHEN ${quoteText(from)} THEN ${quoteText(to)}`).join(' ')} ELSE ${quoteName(column)} END`

/** All rewordings of a column at once, so that two choices can trade words; who changed the rows last stays. */
const rewordSql = (table: string, column: string, words: readonly Rewording[]) =>
  `UPDATE ${quoteName(table)} SET ${quoteName(column)} = ${rewordCase(column, words)}, \`changed_at\` = \`changed_at\` WHERE ${quoteName(column)} IN (${words.map(({ from }) => quoteText(from)).join(', ')})`

/** What the live values must keep: new checks, new "no two alike", a new key. Columns that are filled on the way aren't asked. */
export function questionsOfValues(
  after: Book,
  { was, is }: Staying,
  words: readonly Rewording[],
  filled: ReadonlySet<string>,
): LiveCheckQuestion[] {
  const seen = asItWillBe(was, is, words)
  const oldChecks = new Set(was.checks.map((check) => check.sql))
  const checks = is.checks
    .filter((check) => !oldChecks.has(check.sql))
    .map((check): LiveCheckQuestion => ({
      sql: `SELECT COUNT(*) AS count FROM (${seen}) AS seen WHERE NOT (${check.sql})`,
      blocked: (count) => brokenCheck(after, is, check, count),
    }))
  const twice = (columns: readonly string[], blocked: LiveCheckQuestion['blocked']): LiveCheckQuestion => ({
    sql: `SELECT COUNT(*) AS count FROM (SELECT 1 FROM (${seen}) AS seen WHERE ${columns.map((name) => `${quoteName(name)} IS NOT NULL`).join(' AND ')} GROUP BY ${quotedList(columns)} HAVING COUNT(*) > 1) AS twice`,
    blocked,
  })
  const isNew = (columns: readonly string[]) =>
    !is.columns.some((column) => columns.includes(column.name) && filled.has(column.id))
  const uniques = is.uniques
    .filter(
      ({ columns }) => isNew(columns) && !was.uniques.some((old) => idsOf(was, old.columns) === idsOf(is, columns)),
    )
    .map(({ columns }) => {
      const title = is.columns.find((column) => column.name === columns[0])!.title
      return twice(columns, (count) => ({ kind: 'values-twice', column: title, table: is.title, count }))
    })
  if (keyOf(was) === keyOf(is) || !isNew(is.primaryKey)) return [...checks, ...uniques]
  const key = twice(is.primaryKey, (count) => ({ kind: 'key-twice', table: is.title, count }))
  return [...checks, ...uniques, key]
}

/** The rows of a table as they will be named and worded, to try new checks on before anything is changed. */
function asItWillBe(was: LiveTable, is: LiveTable, words: readonly Rewording[]): string {
  const columns = is.columns.map((column) => {
    const old = was.columns.find((candidate) => isSameColumn(candidate, column))
    if (!old) return `${column.initial ?? 'NULL'} AS ${quoteName(column.name)}`
    const reworded = words.filter((word) => word.column.id === column.id)
    const value = reworded.length === 0 ? quoteName(old.name) : rewordCase(old.name, reworded)
    return `${value} AS ${quoteName(column.name)}`
  })
  return `SELECT ${columns.join(', ')} FROM ${quoteName(was.name)}`
}

function brokenCheck(after: Book, is: LiveTable, check: LiveCheck, count: number): Problem {
  const rule = after.rules.find((one) => one.id === check.rule)
  const table = is.title
  if (rule) return { kind: 'rule-broken-by-records', rule: rule.words, table, count }
  const field = findField(after, check.field)?.field
  const allowed = field ? kindOf(field.kind).summary(field, after.look) : 'what is allowed'
  return { kind: 'records-outside', field: field?.name ?? '', allowed, table, count }
}
