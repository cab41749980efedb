import { type Book, tableOf } from '../../book'
import { quoteName } from '../../names'
import { aOrAn, inSentence, plural } from '../../words'
import type { LiveColumn } from '../../physical'
import type { CarryPlan } from './carrying'
import { isThere } from '../diff/is-there'
import type { MoveApart } from '../diff/moves'
import { numberSql } from '../diff/numbering'
import { idsIn, quotedList } from '../diff/pairs'
import type { LiveCheckQuestion, OpeningStep } from '../steps'

/**
 * Facts that get a table of their own. Records with the same facts are ranked alike (DENSE_RANK), and the
 * rank becomes the number of the new record, so that both the new rows and the links to them come from one
 * pass each, and a second run gives the same.
 */
export function extractTable(before: Book, after: Book, move: MoveApart): CarryPlan {
  const { way, from, to, link, columns } = move
  const [source, old] = [quoteName(from.then.name), columns.map(({ then }) => then.name)]
  const linkColumns = (way === 'kind' ? from.is : to).columns.filter((column) => column.field === link.field)
  const number = (count: string) => numberSql(after, tableOf(after, to.id).key[0]!, count)
  const key = from.then.primaryKey
  const order =
    way === 'kind'
      ? `DENSE_RANK() OVER (ORDER BY ${quotedList(old)})`
      : `ROW_NUMBER() OVER (ORDER BY ${quotedList(key)})`
  const filled = columns.map(({ old, then }) => isThere(before, old, quoteName(then.name))).join(' OR ')
  const ranked = `(SELECT ${quotedList([...new Set([...key, ...old])])}, ${order} AS ranked FROM ${source} WHERE ${filled}) AS those`
  const into = [
    ...to.primaryKey,
    ...(way === 'rows' ? linkColumns.map((column) => column.name) : []),
    ...columns.map(({ now }) => now.name),
  ]
  const values = way === 'rows' ? [quotedList(key), quotedList(old)] : old.map((name) => `MIN(${quoteName(name)})`)
  // What must be filled and nothing tells of is asked before; where no row moves it must still be named.
  const untold = othersToFill(move, linkColumns).map((column) => column.name)
  const [one, many] = [inSentence(to.title), inSentence(from.is.title)]
  const insert: OpeningStep = {
    say:
      way === 'kind'
        ? `Make one ${one} of all ${plural(many)} that say the same`
        : `Make ${aOrAn(one)} of what each ${many} says`,
    sql: `INSERT INTO ${quoteName(to.name)} (${quotedList([...into, ...untold])}) SELECT ${[number('ranked'), ...values, ...untold.map(() => 'NULL')].join(', ')} FROM ${ranked} WHERE NOT EXISTS (SELECT 1 FROM ${quoteName(to.name)})${way === 'kind' ? ' GROUP BY ranked' : ''}`,
    undo: `DELETE FROM ${quoteName(to.name)}`,
  }
  const lead: OpeningStep = {
    say: `Link each ${many} to its ${one}`,
    sql: `UPDATE ${source} AS own JOIN ${ranked} ON ${key.map((name) => `own.${quoteName(name)} = those.${quoteName(name)}`).join(' AND ')} SET own.${quoteName(linkColumns[0]!.name)} = ${number('those.ranked')}, own.\`changed_at\` = own.\`changed_at\``,
  }
  const tie =
    way === 'kind'
      ? `own.${quoteName(linkColumns[0]!.name)} = other.${quoteName(to.primaryKey[0]!)}`
      : linkColumns.map((column, at) => `other.${quoteName(column.name)} = own.${quoteName(key[at]!)}`).join(' AND ')
  // What wasn't dropped yet keeps its very letters; the one record of many alike has those of one of them.
  const back = columns.map(({ then, now }) => {
    const [own, other] = [`own.${quoteName(then.name)}`, `other.${quoteName(now.name)}`]
    return `${own} = ${then.initial === undefined ? `COALESCE(${own}, ${other})` : other}`
  })
  return {
    steps: way === 'kind' ? [insert, lead] : [insert],
    beforeDrops: [
      {
        say: `Clear from ${plural(many)} what ${plural(one)} hold now`,
        sql: 'DO 0',
        undo: `UPDATE ${source} AS own JOIN ${quoteName(to.name)} AS other ON ${tie} SET ${back.join(', ')}, own.\`changed_at\` = own.\`changed_at\``,
      },
    ],
    questions: questions(before, move, linkColumns),
    leaving: idsIn(
      from.is,
      columns.map(({ old }) => old),
    ),
    filled: way === 'kind' ? idsIn(from.is, linkColumns) : [],
  }
}

/** Columns of the new table that must be filled, and that nothing which moves fills. */
function othersToFill({ way, to, columns }: MoveApart, linkColumns: readonly LiveColumn[]): LiveColumn[] {
  const own = new Set([
    ...to.primaryKey,
    ...columns.map(({ now }) => now.name),
    ...(way === 'rows' ? linkColumns.map((column) => column.name) : []),
  ])
  return to.columns.filter((column) => column.notNull && column.initial === undefined && !own.has(column.name))
}

/** What stands in the way of the new rows, asked of the old ones. */
function questions(before: Book, move: MoveApart, linkColumns: readonly LiveColumn[]): LiveCheckQuestion[] {
  const { way, from, to, columns } = move
  const at = quoteName(from.was.name)
  const filled = columns.map(({ old }) => isThere(before, old)).join(' OR ')
  const [table, of] = [from.was.title, to.title]
  const asked: LiveCheckQuestion[] = []
  const ask = (where: string, blocked: LiveCheckQuestion['blocked']) =>
    asked.push({ sql: `SELECT COUNT(*) AS count FROM ${at} WHERE ${where}`, blocked })
  if (way === 'kind' && linkColumns.some((column) => column.notNull))
    ask(`NOT (${filled})`, (count) => ({ kind: 'says-nothing-of-it', table, of, count }))
  const moving = new Set(columns.map(({ now }) => now.name))
  for (const column of othersToFill(move, linkColumns))
    ask(filled, (count) => ({ kind: 'moved-without', column: column.title, table, of, count }))
  for (const { old, now } of columns.filter(({ now }) => now.notNull))
    ask(`(${filled}) AND ${quoteName(old.name)} IS NULL`, (count) => ({
      kind: 'moved-must-be-filled',
      column: now.title,
      table,
      of,
      count,
    }))
  const moved = columns.map(({ old, now }) => `${quoteName(old.name)} AS ${quoteName(now.name)}`).join(', ')
  const seen = `SELECT ${way === 'kind' ? 'DISTINCT ' : ''}${moved} FROM ${at} WHERE ${filled}`
  for (const check of to.checks.filter((check) => columns.some(({ now }) => now.field === check.field)))
    asked.push({
      sql: `SELECT COUNT(*) AS count FROM (${seen}) AS seen WHERE NOT (${check.sql})`,
      blocked: (count) => ({ kind: 'moved-not-allowed', table: of, count }),
    })
  for (const unique of to.uniques.filter((unique) => unique.columns.every((name) => moving.has(name))))
    asked.push({
      sql: `SELECT COUNT(*) AS count FROM (SELECT 1 FROM (${seen}) AS seen WHERE ${unique.columns.map((name) => `${quoteName(name)} IS NOT NULL`).join(' AND ')} GROUP BY ${quotedList(unique.columns)} HAVING COUNT(*) > 1) AS twice`,
      blocked: (count) => ({ kind: 'moved-twice', table: of, count }),
    })
  return asked
}
