import { inSentence } from '../../words'
import type { Book } from '../../book'
import { quoteName } from '../../names'
import type { LiveTable } from '../../physical'
import type { CarryPlan } from './carrying'
import { isThere } from '../diff/is-there'
import { countReferences } from '../diff/count-references'
import type { MoveTogether } from '../diff/moves'
import { idsIn } from '../diff/pairs'
import type { LiveCheckQuestion } from '../steps'

/** Facts that come back to the records they are told of, from a table that goes. */
export function inlineTable(before: Book, move: MoveTogether): CarryPlan {
  const { way, from, to, columns } = move
  const linkColumns = (way === 'one' ? to.was : from.was).columns.filter((column) => column.field === move.link.field)
  const sql = (own: LiveTable, gone: LiveTable) =>
    `${quoteName(own.name)} AS own JOIN ${quoteName(gone.name)} AS other ON ${tie(move, own, gone)}`
  const set = columns.map(({ then, now }) => `own.${quoteName(now.name)} = other.${quoteName(then.name)}`)
  const step = {
    say: `Carry what each ${inSentence(from.was.title)} says to its ${inSentence(to.is.title)}`,
    sql: `UPDATE ${sql(to.then, from.then)} SET ${[...set, 'own.`changed_at` = own.`changed_at`'].join(', ')}`,
  }
  return {
    steps: [step],
    beforeDrops: [],
    questions: questions(
      before,
      move,
      linkColumns.map((column) => column.id),
    ),
    leaving: way === 'one' ? idsIn(to.is, linkColumns) : [],
    filled: idsIn(
      to.is,
      columns.map(({ now }) => now),
    ),
  }
}

/** How the two sides find each other: the link's columns beside the key they lead to. */
function tie({ way, link, from, to }: MoveTogether, own: LiveTable, gone: LiveTable): string {
  const [carrier, keyed] = way === 'one' ? [own, gone] : [gone, own]
  const [carrierSide, keyedSide] = way === 'one' ? ['own', 'other'] : ['other', 'own']
  const places = (way === 'one' ? to.was : from.was).columns.flatMap((column, at) =>
    column.field === link.field ? [at] : [],
  )
  return places
    .map(
      (place, at) =>
        `${carrierSide}.${quoteName(carrier.columns[place]!.name)} = ${keyedSide}.${quoteName(keyed.primaryKey[at]!)}`,
    )
    .join(' AND ')
}

function questions(before: Book, move: MoveTogether, linkColumns: readonly string[]): LiveCheckQuestion[] {
  const { way, from, to, columns, link } = move
  const [gone, was] = [from.was, to.was]
  const [own, other] = [`${quoteName(was.name)} AS own`, `${quoteName(gone.name)} AS other`]
  const on = tie(move, was, gone)
  const lost = gone.columns.filter(
    (column) =>
      !columns.some(({ old }) => old.id === column.id) &&
      !linkColumns.includes(column.id) &&
      !gone.primaryKey.includes(column.name),
  )
  return [
    {
      sql: `SELECT COUNT(*) AS count FROM ${other} WHERE NOT EXISTS (SELECT 1 FROM ${own} WHERE ${on})`,
      blocked: (count) => ({ kind: 'would-be-lost', table: gone.title, without: was.title, count }),
    },
    ...(way === 'many'
      ? [
          {
            sql: `SELECT COUNT(*) AS count FROM (SELECT 1 FROM ${own} JOIN ${other} ON ${on} GROUP BY ${was.primaryKey.map((name) => `own.${quoteName(name)}`).join(', ')} HAVING COUNT(*) > 1) AS several`,
            blocked: (count: number) => ({ kind: 'several-for-one', table: was.title, of: gone.title, count }) as const,
          },
        ]
      : []),
    ...columns
      .filter(({ now }) => now.notNull && now.initial === undefined)
      .map(({ old, now }) => ({
        sql: `SELECT COUNT(*) AS count FROM ${own} LEFT JOIN ${other} ON ${on} WHERE other.${quoteName(old.name)} IS NULL`,
        blocked: (count: number) =>
          ({ kind: 'carried-column-empty', column: now.title, table: was.title, count }) as const,
      })),
    // What has no place where its records go.
    ...lost.map((column) => ({
      sql: `SELECT COUNT(*) AS count FROM ${quoteName(gone.name)} WHERE ${isThere(before, column)}`,
      blocked: (count: number) =>
        ({ kind: 'column-without-place', column: column.title, table: gone.title, count }) as const,
    })),
    // Others know the records of the table that goes by a key that goes too.
    ...before.links
      .filter((one) => one.one === gone.id && one !== link)
      .map((one) =>
        countReferences(before, one, (table, field, count) => ({
          kind: 'cannot-follow',
          table,
          of: gone.title,
          field,
          count,
        })),
      ),
  ]
}
