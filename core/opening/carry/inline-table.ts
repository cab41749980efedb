import type { Book } from '../../book'
import { quoteName } from '../../names'
import { counted, inSentence } from '../../words'
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
  const [theirs, ours] = [inSentence(gone.title), inSentence(was.title)]
  const lost = gone.columns.filter(
    (column) =>
      !columns.some(({ old }) => old.id === column.id) &&
      !linkColumns.includes(column.id) &&
      !gone.primaryKey.includes(column.name),
  )
  return [
    {
      sql: `SELECT COUNT(*) AS count FROM ${other} WHERE NOT EXISTS (SELECT 1 FROM ${own} WHERE ${on})`,
      blocked: (count) =>
        `${counted(count, theirs)} ${count === 1 ? 'has' : 'have'} no ${ours} and would be lost. Link ${count === 1 ? 'it' : 'them'} to one in Records first, or remove ${count === 1 ? 'it' : 'them'}.`,
    },
    ...(way === 'many'
      ? [
          {
            sql: `SELECT COUNT(*) AS count FROM (SELECT 1 FROM ${own} JOIN ${other} ON ${on} GROUP BY ${was.primaryKey.map((name) => `own.${quoteName(name)}`).join(', ')} HAVING COUNT(*) > 1) AS several`,
            blocked: (count: number) =>
              `${counted(count, ours)} ${count === 1 ? 'has' : 'have'} more than one ${theirs}, and could keep only one. Leave the two apart.`,
          },
        ]
      : []),
    ...columns
      .filter(({ now }) => now.notNull && now.initial === undefined)
      .map(({ old, now }) => ({
        sql: `SELECT COUNT(*) AS count FROM ${own} LEFT JOIN ${other} ON ${on} WHERE other.${quoteName(old.name)} IS NULL`,
        blocked: (count: number) =>
          `${now.title} must be filled, but ${counted(count, ours)} would have nothing there. Open it without “must be filled” and fill it in first.`,
      })),
    // What has no place where its records go.
    ...lost.map((column) => ({
      sql: `SELECT COUNT(*) AS count FROM ${quoteName(gone.name)} WHERE ${isThere(before, column)}`,
      blocked: (count: number) =>
        `${column.title} of ${theirs} has no place any more, but ${counted(count, 'record')} ${count === 1 ? 'holds' : 'hold'} something there. Undo that, or empty the field first.`,
    })),
    // Others know the records of the table that goes by a key that goes too.
    ...before.links
      .filter((one) => one.one === gone.id && one !== link)
      .map((one) =>
        countReferences(
          before,
          one,
          (records, field, single) =>
            `${records} ${single ? 'is' : 'are'} linked to ${theirs} through ${field} and can’t follow. Keep the two tables separate, or empty ${field} first.`,
        ),
      ),
  ]
}
