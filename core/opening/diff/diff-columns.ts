import { type Book, findField } from '../../book'
import { quoteName } from '../../names'
import { listed } from '../../words'
import type { LiveColumn } from '../../physical'
import type { Carrying } from '../carry/carrying'
import { columnSql } from '../ddl'
import { questionsOfValues, rewordings, rewordSteps } from './diff-values'
import { isThere } from './is-there'
import { newNumbers } from './numbering'
import { isSameColumn, keyOf, type Staying } from './pairs'
import type { LiveCheckQuestion, OpeningStep } from '../steps'
import { isWidening, narrowedLength } from './widening'

interface ColumnChanges {
  /** New columns and changed ones; a column that is filled on the way may be blank until it is tightened. */
  readonly add: readonly OpeningStep[]
  readonly tighten: readonly OpeningStep[]
  /** Old key columns that may be blank once they are no longer the key. */
  readonly ease: readonly OpeningStep[]
  readonly drop: readonly OpeningStep[]
  readonly questions: readonly LiveCheckQuestion[]
}

/** What happens to the columns of one table that stays, and what its rows must be asked first. */
export function diffColumns(before: Book, after: Book, pair: Staying, carried: Carrying): ColumnChanges {
  const { was, is, then } = pair
  const filled = new Set([
    ...newNumbers(after, pair).map((column) => column.id),
    ...is.columns.filter((column) => carried.filled.has(`${is.id}/${column.id}`)).map((column) => column.id),
  ])
  const steps = { add: [] as OpeningStep[], tighten: [] as OpeningStep[], ease: [] as OpeningStep[] }
  const questions: LiveCheckQuestion[] = []
  const alter = `ALTER TABLE ${quoteName(is.name)}`
  const ask = (condition: string, blocked: LiveCheckQuestion['blocked'], loses?: string) =>
    questions.push({
      sql: `SELECT COUNT(*) AS count FROM ${quoteName(was.name)} WHERE ${condition}`,
      blocked,
      ...(loses && { loses }),
    })
  const table = is.title
  const modify = (column: LiveColumn, old: LiveColumn): OpeningStep => ({
    say: `Change ${is.title} → ${column.title}`,
    sql: `${alter} MODIFY COLUMN ${columnSql(column)}`,
    undo: `${alter} MODIFY COLUMN ${columnSql({ ...old, name: column.name })}`,
  })
  is.columns.forEach((column, at) => {
    const old = was.columns.find((candidate) => isSameColumn(candidate, column))
    if (old) {
      if (columnSql(old) === columnSql({ ...column, name: old.name })) return
      const leavesKey = keyOf(was) !== keyOf(is) && was.primaryKey.includes(old.name)
      steps[leavesKey ? 'ease' : 'add'].push(modify(column, old))
      questionsOfChange(old, column, table, ask)
      return
    }
    const position = at === 0 ? ' FIRST' : ` AFTER ${quoteName(is.columns[at - 1]!.name)}`
    const blank = filled.has(column.id) ? { ...column, notNull: false } : column
    steps.add.push({
      say: `Add ${column.title} to ${is.title}`,
      sql: `${alter} ADD COLUMN IF NOT EXISTS ${columnSql(blank)}${position}`,
      undo: `${alter} DROP COLUMN IF EXISTS ${quoteName(column.name)}`,
    })
    if (!column.notNull) return
    if (blank !== column) steps.tighten.push(modify(column, blank))
    else if (column.initial === undefined)
      ask('TRUE', (count) => ({ kind: 'new-column-empty', column: column.title, table, count }))
  })
  const going = then.columns.flatMap((now, at) => {
    const old = was.columns[at]!
    return is.columns.some((column) => isSameColumn(column, old)) ? [] : [{ old, now }]
  })
  for (const { old } of going)
    if (!carried.leaving.has(`${is.id}/${old.id}`) && !isOwnNumber(before, after, pair, old))
      ask(
        isThere(before, old),
        (count) => ({ kind: 'column-still-filled', column: old.title, table, count }),
        `${is.id}/${old.id}`,
      )
  // All at once, so that either all are there still or none.
  const back = going.map(({ old, now }) => ({ ...now, notNull: old.notNull && old.initial !== undefined }))
  const drop: OpeningStep[] =
    going.length === 0
      ? []
      : [
          {
            say: `Remove ${listed(going.map(({ old }) => old.title))} from ${is.title}`,
            sql: `${alter} ${going.map(({ now }) => `DROP COLUMN IF EXISTS ${quoteName(now.name)}`).join(', ')}`,
            loses: going.map(({ old }) => `${is.id}/${old.id}`),
            undo: `${alter} ${back.map((column) => `ADD COLUMN IF NOT EXISTS ${columnSql(column)}`).join(', ')}`,
          },
        ]
  const words = rewordings(before, after, was, is)
  questions.push(...questionsOfValues(after, pair, words, filled))
  return { ...steps, add: [...steps.add, ...rewordSteps(is, words)], drop, questions }
}

/** The number that a joining table's rows were told apart by until their pair became the key again. */
const isOwnNumber = (before: Book, after: Book, { was, is }: Staying, column: LiveColumn) =>
  findField(before, column.field)?.field.kind === 'running' &&
  after.tables.find((table) => table.id === is.id)?.role === 'joining' &&
  keyOf(was) === column.id

function questionsOfChange(
  old: LiveColumn,
  column: LiveColumn,
  table: string,
  ask: (condition: string, blocked: LiveCheckQuestion['blocked']) => void,
) {
  const from = quoteName(old.name)
  if (column.notNull && !old.notNull)
    ask(`${from} IS NULL`, (count) => ({ kind: 'must-be-filled-now', column: column.title, table, count }))
  // A link's columns are those of the key they lead to, which is asked itself.
  if (column.leaf !== column.field) return
  const narrowed = narrowedLength(old.type, column.type)
  if (narrowed !== undefined)
    ask(`CHAR_LENGTH(${from}) > ${narrowed}`, (count) => ({
      kind: 'values-too-long',
      column: column.title,
      most: narrowed,
      table,
      count,
    }))
  else if (!isWidening(old.type, column.type))
    ask(`${from} IS NOT NULL`, (count) => ({ kind: 'another-kind', column: column.title, table, count }))
}
