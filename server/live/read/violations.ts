import { type Book, findField, findLink, tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { refOf } from '@/core/records'
import { watchedRules, isChecked, type OwnRule, ownRules, watchesOf } from '@/core/rules'
import type { Problem } from '@/core/words'
import { keyColumns, leafOf } from '@/core/physical'
import { expressionSql, brokenSql } from '@/core/sql'
import { type Live, namesOf } from '../live'
import { type Reads, selectIn, selectRowsIn } from '../unit'
import { readRecord } from './rows'

/** Records that break a rule: how many, and the first of them. */
export interface Violations {
  readonly count: number
  readonly first: readonly { readonly ref: string; readonly label: string }[]
}

/** The condition that a record `t` breaks a rule, where it can be asked of records as they stand. */
function condition(book: Book, live: Live, own: OwnRule): string | undefined {
  const names = namesOf(live)
  const { compiled, rule, table } = own
  if (isChecked(own) && compiled?.kind === 'holds')
    return `NOT ${expressionSql(book, names, table.id, compiled.tree, 't')}`
  const asked = watchedRules(book).find((one) => one.own.rule.id === rule.id)
  if (asked) return brokenSql(book, names, asked)
  if (compiled?.kind !== 'together') return undefined
  return brokenSql(book, names, { own, compiled, watches: [] })
}

/** Whether everything that a rule looks at is in the live database as the design has it. */
function isLive(book: Book, live: Live, { compiled, table }: OwnRule): boolean {
  const there = live.book.tables.find((one) => one.id === table.id)
  if (!compiled || there?.key.join() !== table.key.join()) return false
  const watches = watchesOf(book, table, compiled)
  return watches.every(
    ({ hops, fields }) =>
      hops.every((hop) => (hop.to === 'one' ? findField(live.book, hop.field) : findLink(live.book, hop.link))) &&
      [...fields].every((id) => isSame(findField(live.book, id), findField(book, id))),
  )
}

const isSame = (a: ReturnType<typeof findField>, b: ReturnType<typeof findField>) =>
  a !== undefined && b !== undefined && a.table.id === b.table.id && a.field.kind === b.field.kind

/**
 * The records in the live database that break a rule of the design. Undefined where that can't be asked of
 * records as they stand: the rule is about what may change, or speaks of what isn't open yet.
 */
export async function violationsOf(
  reads: Reads,
  book: Book,
  ruleId: string,
  atMost = 100,
): Promise<Violations | undefined> {
  const { live } = reads
  const own = ownRules(book).find(({ rule }) => rule.id === ruleId)
  const broken = own && isLive(book, live, own) ? condition(book, live, own) : undefined
  if (!own || !broken) return undefined
  const names = namesOf(live)
  const table = tableOf(live.book, own.table.id)
  const from = `FROM ${names.quoted(table.id)} AS t WHERE ${broken}`
  const [row] = await selectIn<{ count: number }>(reads, `SELECT COUNT(*) AS count ${from}`)
  const keys = keyColumns(table, names)
  const rows =
    keys.length === 0 || atMost === 0
      ? []
      : await selectRowsIn<(string | number)[]>(
          reads,
          `SELECT ${keys.map((column) => `t.${quoteName(column.name)}`).join(', ')} ${from} ORDER BY ${keys.map((_, at) => at + 1).join(', ')} LIMIT ${atMost}`,
        )
  const first = []
  for (const one of rows) {
    const ref = refOf(one.map((value, at) => kindOf(leafOf(live.book, keys[at]!.leaf).kind).load(value)))
    const read = await readRecord(reads, table.id, ref)
    first.push({ ref, label: read.ok ? read.value.row.label : ref })
  }
  return { count: Number(row?.count ?? 0), first }
}

/**
 * Rules that are new or changed since the book was opened and that records break already. Those
 * that the database keeps by a constraint are asked with the constraint.
 */
export async function rulesBroken(reads: Reads, book: Book): Promise<Problem[]> {
  const before = new Map(reads.live.book.rules.map((rule) => [rule.id, JSON.stringify(rule)]))
  const found: Problem[] = []
  for (const { own } of watchedRules(book)) {
    const { rule, table } = own
    if (rule.warns || rule.onlyNew || before.get(rule.id) === JSON.stringify(rule)) continue
    const { count = 0 } = (await violationsOf(reads, book, rule.id, 0)) ?? {}
    if (count > 0)
      found.push({ kind: 'rule-broken-by-records', rule: rule.words, table: table.name, count, orNew: true })
  }
  return found
}

/** Every rule of the live book that refuses and that some record breaks all the same, with how many do. */
export async function violatedRules(reads: Reads): Promise<{ readonly own: OwnRule; readonly count: number }[]> {
  const { book } = reads.live
  const found = []
  for (const own of ownRules(book)) {
    if (own.rule.warns || own.rule.onlyNew) continue
    const breakers = await violationsOf(reads, book, own.rule.id, 0)
    if (breakers && breakers.count > 0) found.push({ own, count: breakers.count })
  }
  return found
}
