import { type Book, linkOf, tableOf, fieldWith } from '@/core/book'
import { displayOf, factsBeyond } from '@/core/expressions'
import { kindOf, type Value } from '@/core/kinds'
import type { Values } from '@/core/records'
import { expressionSql } from '@/core/sql'
import { namesOf } from '../live'
import { type Reads, selectRowsIn } from '../unit'
import { keyCondition, keyParams } from './rows'

/**
 * The facts that the book's expressions read through a link field, of one record it could lead to, by the
 * way to each; and `shown`, ways to further facts of that record, "field" or "link/field". Undefined where there is no
 * such record.
 */
export async function linkedValues(
  reads: Reads,
  linkField: string,
  ref: string,
  shown: readonly string[] = [],
): Promise<Values | undefined> {
  const { live } = reads
  const { book } = live
  const target = tableOf(book, linkOf(book, linkField).one)
  const key = keyParams(live, target.id, ref)
  if (!key) return undefined
  const read = factsBeyond(book, linkField)
  const known = new Set(read.map((way) => way.join('/')))
  const further = [...new Set(shown)].filter((way) => !known.has(way)).map((way) => way.split('/'))
  const ways = [...read, ...further.filter((way) => leadsOn(book, target.id, way))].map((way) => {
    const fact = { kind: 'fact', over: way.slice(0, -1), field: way.at(-1)!, type: { is: 'text' } } as const
    const face = displayOf(book, fieldWith(book, fact.field).field)
    return { name: way.join('/'), face, sql: expressionSql(book, namesOf(live), target.id, fact, 't') }
  })
  const selected = ['1', ...ways.map((way, at) => `${way.sql} AS c${at}`)].join(', ')
  const [row] = await selectRowsIn<(string | number | null)[]>(
    reads,
    `SELECT ${selected} FROM ${namesOf(live).quoted(target.id)} AS t WHERE ${keyCondition(live, target.id)}`,
    key,
  )
  if (!row) return undefined
  const loaded = (stored: string | number | null | undefined, at: number): Value =>
    stored === null || stored === undefined ? null : kindOf(ways[at]!.face.kind).load(stored)
  return Object.fromEntries(ways.map((way, at) => [way.name, loaded(row[at + 1], at)]))
}

const mostSteps = 8

/** Whether a way goes from a table over links of its own and of those it comes to, and ends at a field. */
function leadsOn(book: Book, table: string, way: readonly string[]): boolean {
  if (way.length > mostSteps) return false
  let here: string | undefined = table
  for (const [at, id] of way.entries()) {
    if (here === undefined || !tableOf(book, here).fields.some((field) => field.id === id)) return false
    if (at < way.length - 1) here = book.links.find(({ field }) => field === id)?.one
  }
  return true
}
