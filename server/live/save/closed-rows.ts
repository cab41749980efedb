import { linksFrom, tableOf } from '@/core/book'
import type { Tree } from '@/core/expressions'
import { quoteName } from '@/core/names'
import { keyColumns } from '@/core/physical'
import { isPartOf, type OwnRule, ownRules } from '@/core/rules'
import { expressionSql } from '@/core/sql'
import type { Problem } from '@/core/words'
import { namesOf, oncePerTable } from '../live'
import { keyCondition, keyParams } from '../read/rows'
import { selectIn, selectRowsIn, type Unit } from '../unit'
import type { Following, Guard } from './guard'
import type { RowChange } from './holding'
import { RowRefused } from './row-refused'
import { refuseWhole } from './save-problems'

type Cells = readonly (string | number | null)[]

/**
 * Rows of a record that is closed stay as they are, which is asked before anything is written that may close it. A
 * record goes only where no row that goes along, or would lose its link, is closed.
 */
export function keepsClosed(unit: Unit): Guard {
  let among: Problem | undefined
  // Many rows may be part of one record; nothing is written yet that may close it.
  const asked = new Map<string, boolean>()
  return {
    async begin(changes) {
      for (const change of changes) {
        if (!hasWholes(unit.live, change.table)) continue
        const closed = await closedWhole(unit, change, asked)
        if (closed) throw refuseWhole(closed)
      }
    },
    async following(rows) {
      among ??= await closedAmong(unit, rows)
    },
    async before({ values }) {
      if (!values && among) throw new RowRefused(undefined, among)
    },
  }
}

/** Whether rows of a table are part of records that may be closed. */
const hasWholes = oncePerTable(({ book }, table) =>
  linksFrom(book, table).some((link) => isPartOf(book, link) && ownRules(book, link.one).some(closesRows)),
)

const closesRows = ({ rule, compiled }: OwnRule) => compiled?.kind === 'closed' && compiled.rows && !rule.warns

/** Whether a record that a row is part of, now or by what is about to be written, is closed; the words for it. */
async function closedWhole(
  unit: Unit,
  { table, ref, values }: RowChange,
  asked: Map<string, boolean>,
): Promise<Problem | undefined> {
  const { live } = unit
  const { book } = live
  for (const link of linksFrom(book, table).filter((one) => isPartOf(book, one))) {
    for (const { rule, compiled } of ownRules(book, link.one)) {
      if (compiled?.kind !== 'closed' || !compiled.rows || rule.warns) continue
      const given = values?.[link.field]
      const keys = [
        given ? keyParams(live, link.one, given) : undefined,
        ref === null ? undefined : await linkedKey(unit, table, link.field, ref),
      ]
      for (const key of keys) {
        if (!key || key.includes(null)) continue
        const question = JSON.stringify([rule.id, key.map(String)])
        const isClosed = asked.get(question) ?? (await closes(unit, link.one, compiled.once, key))
        asked.set(question, isClosed)
        if (isClosed) return { kind: 'in-own-words', words: rule.words }
      }
    }
  }
  return undefined
}

async function closes(unit: Unit, tableId: string, when: Tree, key: Cells): Promise<boolean> {
  const { live } = unit
  const names = namesOf(live)
  const once = expressionSql(live.book, names, tableId, when, 't')
  const sql = `SELECT 1 FROM ${names.quoted(tableId)} AS t WHERE ${keyCondition(live, tableId)} AND ${once}`
  return (await selectIn(unit, sql, key)).length > 0
}

async function linkedKey(unit: Unit, tableId: string, field: string, ref: string): Promise<Cells | undefined> {
  const { live } = unit
  const key = keyParams(live, tableId, ref)
  if (!key) return undefined
  const columns = namesOf(live).columns(tableId, field)
  const [row] = await selectRowsIn<Cells>(
    unit,
    `SELECT ${columns.map((column) => quoteName(column.name)).join(', ')} FROM ${namesOf(live).quoted(tableId)} WHERE ${keyCondition(live, tableId)}`,
    key,
  )
  return row
}

/**
 * Whether any of the rows that go, or lose their link, because the record they hang on does is closed, or is part of
 * a closed record; the words for it.
 */
export async function closedAmong(unit: Unit, { link, fate, rows, params }: Following): Promise<Problem | undefined> {
  const { book } = unit.live
  const names = namesOf(unit.live)
  for (const { rule, compiled } of ownRules(book, link.many)) {
    if (compiled?.kind !== 'closed' || rule.warns || (fate === 'leave' && compiled.except.includes(link.field)))
      continue
    const once = expressionSql(book, names, link.many, compiled.once, 't')
    const found = await selectIn(unit, `SELECT 1 FROM (${rows}) AS t WHERE ${once} LIMIT 1`, params)
    if (found.length > 0) return { kind: 'in-own-words', words: rule.words }
  }
  for (const whole of linksFrom(book, link.many).filter((one) => one.id !== link.id && isPartOf(book, one))) {
    const columns = names.columns(link.many, whole.field).map((column) => `part.${quoteName(column.name)}`)
    const on = keyColumns(tableOf(book, whole.one), names).map(
      (column, at) => `t.${quoteName(column.name)} = ${columns[at]!}`,
    )
    for (const { rule, compiled } of ownRules(book, whole.one)) {
      if (compiled?.kind !== 'closed' || !compiled.rows || rule.warns) continue
      const once = expressionSql(book, names, whole.one, compiled.once, 't')
      const sql = `SELECT 1 FROM (${rows}) AS part JOIN ${names.quoted(whole.one)} AS t ON ${on.join(' AND ')} WHERE ${once} LIMIT 1`
      if ((await selectIn(unit, sql, params)).length > 0) return { kind: 'in-own-words', words: rule.words }
    }
  }
  return undefined
}
