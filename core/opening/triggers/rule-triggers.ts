import { type Book, linkOf, linksTo, type Link, type Table, tableOf } from '../../book'
import { isTyped, kindOf, quoteText } from '../../kinds'
import { quoteName } from '../../names'
import { sayFull } from '../../pairings'
import { type WatchedRule, watchedRules, isPartOf, type OwnRule, ownRules, type CompiledRule } from '../../rules'
import { wordProblem } from '../../words'
import { type PhysicalNames, keyNames, linkPairs } from '../../physical'
import { expressionSql, lockSql, brokenSql, changedSql, concernedSql, type RowOf } from '../../sql'
import type { Act } from './act'

/** Set by a save of the application, which asks these rules itself once everything is written. */
export const saving = '@hearth_saving'
const signal = (words: string) => `SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = ${quoteText(words)};`
/** Other rows as they are now, whenever a tool's transaction began, and held until it ends. */
const now = lockSql('held')
/** MariaDB takes no totals of totals in the condition of an IF, but does where a value is set. */
export const refuse = (condition: string, words: string) =>
  `SET @hearth_broken = ${condition}; IF @hearth_broken THEN ${signal(words)} END IF;`
const row =
  (which: 'NEW' | 'OLD'): RowOf =>
  (column) =>
    `${which}.${quoteName(column)}`
const newRow = row('NEW')
const oldRow = row('OLD')

/** Everything that the database itself refuses beyond what a constraint can say, in the words that staff read. */
export const refusing = (book: Book, names: PhysicalNames): Act[] => [
  ...watchedRules(book).flatMap((asked) => (asked.own.rule.warns ? [] : asking(book, names, asked))),
  ...ownRules(book).flatMap((own) => (own.rule.warns ? [] : standing(book, names, own))),
  ...book.links.flatMap((link) => [...limiting(book, names, link), ...needing(book, names, link)]),
]

/** A rule over several records, asked after each row that it looks at. */
function asking(book: Book, names: PhysicalNames, asked: WatchedRule): Act[] {
  const { rule, table } = asked.own
  const broken = brokenSql(book, names, asked, 'held')
  return asked.watches.flatMap(({ hops, table: place, fields }): Act[] => {
    const found = (of: RowOf) => `EXISTS (SELECT 1 ${concernedSql(book, names, table, hops, of)} AND ${broken}${now})`
    const after = (event: Act['event'], condition: string): Act => ({
      table: place,
      timing: 'AFTER',
      event,
      sql: refuse(`${saving} IS NULL AND ${condition}`, rule.words),
    })
    const changed = changedSql(names, place, fields)
    const last = hops.at(-1)
    const held = holding(book, names, asked, place, last)
    if (!last)
      return [
        ...held,
        after('INSERT', found(newRow)),
        ...(rule.onlyNew ? [] : [after('UPDATE', `${changed} AND ${found(newRow)}`)]),
      ]
    if (rule.onlyNew) return []
    if (last.to === 'one') return [after('UPDATE', `${changed} AND ${found(newRow)}`)]
    return [
      ...held,
      after('INSERT', found(newRow)),
      after('UPDATE', `${changed} AND (${found(newRow)} OR ${found(oldRow)})`),
      after('DELETE', found(oldRow)),
    ]
  })
}

const hold = (book: Book, names: PhysicalNames, link: Link, of: RowOf) =>
  `IF ${saving} IS NULL THEN SELECT COUNT(*) INTO @hearth_held FROM ${names.quoted(link.one)} AS t WHERE ${linkPairs(
    book,
    names,
    link,
  )
    .map(([own, key]) => `t.${quoteName(key)} = ${of(own)}`)
    .join(' AND ')}${now}; END IF;`

/**
 * Each writer holds the record first that many have in common. Shared among tools, so that a statement may read
 * that table too: of two that then hold up each other MariaDB lets one go on. A save of the application holds it alone.
 */
function holding(
  book: Book,
  names: PhysicalNames,
  { own, compiled }: WatchedRule,
  place: Table,
  last: WatchedRule['watches'][number]['hops'][number] | undefined,
): Act[] {
  const before = (event: Act['event'], sql: string): Act => ({ table: place, timing: 'BEFORE', event, sql })
  if (last?.to === 'rows') {
    const link = linksTo(book, own.table.id).find((one) => one.id === last.link)
    if (!link) return []
    return [
      before('INSERT', hold(book, names, link, newRow)),
      before('UPDATE', hold(book, names, link, newRow)),
      before('UPDATE', hold(book, names, link, oldRow)),
      before('DELETE', hold(book, names, link, oldRow)),
    ]
  }
  if (last || compiled.kind === 'holds') return []
  const same = compiled.kind === 'apart' ? compiled.same : compiled.fields
  return same
    .filter((field) => field.kind === 'link')
    .slice(0, 1)
    .flatMap((field) => {
      const sql = hold(book, names, linkOf(book, field.id), newRow)
      return [before('INSERT', sql), before('UPDATE', sql)]
    })
}

/** Rules about what a record was before: closed records, and which state may follow which. */
function standing(book: Book, names: PhysicalNames, { rule, table, compiled }: OwnRule): Act[] {
  const before = (event: Act['event'], condition: string): Act => ({
    table,
    timing: 'BEFORE',
    event,
    sql: refuse(condition, rule.words),
  })
  if (compiled?.kind === 'follows') return [before('UPDATE', wrongStep(names, table, compiled))]
  if (compiled?.kind !== 'closed') return []
  const once = `COALESCE(${expressionSql(book, names, table.id, compiled.once, 'OLD')}, FALSE)`
  const kept = table.fields
    .filter((field) => isTyped(field) && !compiled.except.includes(field.id))
    .map((field) => field.id)
  return [
    before('UPDATE', `${once} AND ${kept.length > 0 ? changedSql(names, table, kept) : 'FALSE'}`),
    before('DELETE', once),
    ...(compiled.rows ? closedRows(book, names, rule.words, table, compiled) : []),
  ]
}

function wrongStep(
  names: PhysicalNames,
  table: Table,
  { field, after }: Extract<CompiledRule, { kind: 'follows' }>,
): string {
  const column = quoteName(names.columns(table.id, field.id)[0]!.name)
  const steps = [...after]
    .filter(([, words]) => words.length > 0)
    .map(
      ([from, words]) => `OLD.${column} = ${quoteText(from)} AND NEW.${column} IN (${words.map(quoteText).join(', ')})`,
    )
  return `NEW.${column} <> OLD.${column} AND NOT (${steps.map((step) => `(${step})`).join(' OR ') || 'FALSE'})`
}

function closedRows(
  book: Book,
  names: PhysicalNames,
  words: string,
  table: Table,
  { once }: Extract<CompiledRule, { kind: 'closed' }>,
): Act[] {
  return linksTo(book, table.id)
    .filter((link) => isPartOf(book, link))
    .flatMap((link) => {
      const closed = (of: RowOf) => {
        const hops = [{ to: 'rows', link: link.id } as const]
        return `EXISTS (SELECT 1 ${concernedSql(book, names, table, hops, of)} AND ${expressionSql(book, names, table.id, once, 't', 'held')}${now})`
      }
      const act = (event: Act['event'], condition: string): Act => ({
        table: tableOf(book, link.many),
        timing: 'BEFORE',
        event,
        sql: refuse(`${saving} IS NULL AND ${condition}`, words),
      })
      return [
        act('INSERT', closed(newRow)),
        act('UPDATE', `(${closed(newRow)} OR ${closed(oldRow)})`),
        act('DELETE', closed(oldRow)),
      ]
    })
}

/** At most so many rows for each record. */
function limiting(book: Book, names: PhysicalNames, link: Link): Act[] {
  const many = tableOf(book, link.many)
  const pairs = linkPairs(book, names, link)
  return (link.limits ?? []).flatMap((limit): Act[] => {
    const field = limit.when && many.fields.find((one) => one.id === limit.when!.field)
    const column = field && names.columns(many.id, field.id)[0]?.name
    const is = field && quoteText(String(kindOf(field.kind).store(limit.when!.is)))
    const meets = (of: RowOf) => (column ? `${of(column)} = ${is}` : 'TRUE')
    const others = keyNames(names, many).map((key) => `r.${quoteName(key)} = OLD.${quoteName(key)}`)
    const count = (besides: string) =>
      `(SELECT COUNT(*) FROM ${names.quoted(many.id)} AS r WHERE ${pairs.map(([own]) => `r.${quoteName(own)} = NEW.${quoteName(own)}`).join(' AND ')} AND ${meets((name) => `r.${quoteName(name)}`)}${besides}${now}) >= ${limit.most}`
    const words = sayFull(book, link, limit)
    const act = (event: Act['event'], condition: string): Act => ({
      table: many,
      timing: 'BEFORE',
      event,
      sql: refuse(`${saving} IS NULL AND ${meets(newRow)} AND ${condition}`, words),
    })
    const held = hold(book, names, link, newRow)
    return [
      { table: many, timing: 'BEFORE', event: 'INSERT', sql: held },
      { table: many, timing: 'BEFORE', event: 'UPDATE', sql: held },
      act('INSERT', count('')),
      act('UPDATE', count(others.length > 0 ? ` AND NOT (${others.join(' AND ')})` : '')),
    ]
  })
}

/** The last row of a record that needs one stays. */
function needing(book: Book, names: PhysicalNames, link: Link): Act[] {
  if (link.least !== 1) return []
  const [one, many] = [tableOf(book, link.one), tableOf(book, link.many)]
  const pairs = linkPairs(book, names, link)
  const of = (alias: string, which: 0 | 1) =>
    pairs.map((pair) => `${alias}.${quoteName(pair[which])} = OLD.${quoteName(pair[0])}`).join(' AND ')
  const bare = `EXISTS (SELECT 1 FROM ${names.quoted(one.id)} AS t WHERE ${of('t', 1)}${now}) AND NOT EXISTS (SELECT 1 FROM ${names.quoted(many.id)} AS r WHERE ${of('r', 0)}${now})`
  const words = wordProblem({ kind: 'needs-one', table: one.name, child: many.name })
  const act = (event: Act['event'], condition: string): Act => ({
    table: many,
    timing: 'AFTER',
    event,
    sql: refuse(`${saving} IS NULL AND ${condition}`, words),
  })
  return [act('DELETE', bare), act('UPDATE', `${changedSql(names, many, [link.field])} AND ${bare}`)]
}
