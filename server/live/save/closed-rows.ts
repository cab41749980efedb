import { type Link, linksFrom, tableOf } from '@/core/book'
import { quoteName } from '@/core/names'
import { isPartOf, ownRules } from '@/core/rules'
import type { Problem } from '@/core/words'
import { keyColumns } from '@/core/physical'
import { expressionSql } from '@/core/sql'
import { type Database, select, type Transaction } from '../../database'
import { type Live, namesOf } from '../live'

/**
 * Whether any of the rows that go, or lose their link, because the record they hang on is removed is closed, or is
 * part of a closed record; the words for it. `rows` selects them.
 */
export async function closedAmong(
  db: Database,
  live: Live,
  link: Link,
  fate: 'remove' | 'leave',
  rows: string,
  params: readonly string[],
  transaction: Transaction,
): Promise<Problem | undefined> {
  const { book } = live
  const names = namesOf(live)
  for (const { rule, reading } of ownRules(book, link.many)) {
    if (reading?.kind !== 'closed' || rule.warns || (fate === 'leave' && reading.except.includes(link.field))) continue
    const once = expressionSql(book, names, link.many, reading.once, 't')
    const found = await select(db, `SELECT 1 FROM (${rows}) AS t WHERE ${once} LIMIT 1`, params, transaction)
    if (found.length > 0) return { kind: 'in-own-words', words: rule.words }
  }
  for (const whole of linksFrom(book, link.many).filter((one) => one.id !== link.id && isPartOf(book, one))) {
    const columns = names.columns(link.many, whole.field).map((column) => `part.${quoteName(column.name)}`)
    const on = keyColumns(tableOf(book, whole.one), names).map(
      (column, at) => `t.${quoteName(column.name)} = ${columns[at]!}`,
    )
    for (const { rule, reading } of ownRules(book, whole.one)) {
      if (reading?.kind !== 'closed' || !reading.rows || rule.warns) continue
      const once = expressionSql(book, names, whole.one, reading.once, 't')
      const sql = `SELECT 1 FROM (${rows}) AS part JOIN ${names.quoted(whole.one)} AS t ON ${on.join(' AND ')} WHERE ${once} LIMIT 1`
      if ((await select(db, sql, params, transaction)).length > 0) return { kind: 'in-own-words', words: rule.words }
    }
  }
  return undefined
}
