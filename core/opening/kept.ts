import { type Book, tableOf } from '../book'
import { collation, quoteName } from '../names'
import { type Kept, keptIn, keyColumns, type LiveAttached, type PhysicalNames } from '../physical'
import { mariadb } from '../sql'
import { inSentence, plural } from '../words'
import type { Act } from './triggers/act'

const at = (row: string, column: string) => `${row}.${quoteName(column)}`
const all = (parts: readonly string[]) => parts.join(' AND ')

/** The tables in which counts and sums are kept, each made and filled by one statement. */
export const keptTables = (book: Book, names: PhysicalNames): LiveAttached[] =>
  keptIn(book).map((kept) => {
    const { link, name } = kept
    const [one, many] = [tableOf(book, link.one), tableOf(book, link.many)]
    const own = kept.keys.map((key) => quoteName(key.own))
    const columns = keyColumns(one, names)
    const lines = [
      ...columns.map((column, place) => `${quoteName(`k${place}`)} ${mariadb.columnType(column.type)} NOT NULL`),
      `${quoteName(kept.rows)} INT NOT NULL DEFAULT 0`,
      ...kept.totals.flatMap(({ sum, count, scale }) => [
        `${quoteName(sum)} DECIMAL(${38 + scale}, ${scale}) NULL`,
        `${quoteName(count)} INT NOT NULL DEFAULT 0`,
      ]),
      `PRIMARY KEY (${own.join(', ')})`,
      ...[kept.rows, ...kept.totals.map(({ sum }) => sum)].map(
        (column) => `KEY ${quoteName(`by_${column}`)} (${[quoteName(column), ...own].join(', ')})`,
      ),
    ]
    const links = kept.keys.map(({ link: column }) => quoteName(column))
    const gathered = [
      ...kept.keys.map((key) => `${quoteName(key.link)} AS ${quoteName(key.own)}`),
      `COUNT(*) AS n`,
      ...kept.totals.flatMap(({ column, sum, count }) => [
        `SUM(${quoteName(column)}) AS ${quoteName(sum)}`,
        `COUNT(${quoteName(column)}) AS ${quoteName(count)}`,
      ]),
    ]
    const taken = [
      ...kept.keys.map((key) => `${at('p', key.of)} AS ${quoteName(key.own)}`),
      'COALESCE(g.n, 0) AS n',
      ...kept.totals.flatMap(({ sum, count }) => [
        `${at('g', sum)} AS ${quoteName(sum)}`,
        `COALESCE(${at('g', count)}, 0) AS ${quoteName(count)}`,
      ]),
    ]
    return {
      kind: 'TABLE',
      name,
      table: link.one,
      from: link.many,
      say: `Count the ${plural(inSentence(many.name))} of each ${inSentence(one.name)}, for lists that are to be ready`,
      sql: `CREATE OR REPLACE TABLE ${quoteName(name)} (
  ${lines.join(',\n  ')}
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=${collation} COMMENT='Kept by triggers; for lists'
SELECT ${taken.join(', ')}
FROM ${names.quoted(one.id)} p
LEFT JOIN (SELECT ${gathered.join(', ')} FROM ${names.quoted(many.id)} WHERE ${all(links.map((column) => `${column} IS NOT NULL`))} GROUP BY ${links.join(', ')}) g
ON ${all(kept.keys.map((key) => `${at('g', key.own)} = ${at('p', key.of)}`))}`,
    }
  })

/** What keeps those counts and sums right whenever a record or one of its rows changes. */
export const keeping = (book: Book, names: PhysicalNames): Act[] =>
  keptIn(book).flatMap((kept): Act[] => {
    const [one, many] = [tableOf(book, kept.link.one), tableOf(book, kept.link.many)]
    const table = names.placed(kept.name)
    const keys = kept.keys.map((key) => quoteName(key.own))
    const ofRecord = (row: string) => all(kept.keys.map((key) => `${quoteName(key.own)} = ${at(row, key.of)}`))
    const moved = [...kept.keys.map(({ link }) => link), ...kept.totals.map(({ column }) => column)].map(
      (column) => `${at('NEW', column)} <=> ${at('OLD', column)}`,
    )
    const rekeyed = kept.keys.map((key) => `${at('NEW', key.of)} <=> ${at('OLD', key.of)}`)
    const start = [
      `${quoteName(kept.rows)} = 0`,
      ...kept.totals.flatMap(({ sum, count }) => [`${quoteName(sum)} = NULL`, `${quoteName(count)} = 0`]),
    ]
    const row = { table: many, timing: 'AFTER' } as const
    const record = { table: one, timing: 'AFTER' } as const
    return [
      {
        ...record,
        event: 'INSERT',
        sql: `INSERT INTO ${table} (${keys.join(', ')}) VALUES (${kept.keys.map((key) => at('NEW', key.of)).join(', ')}) ON DUPLICATE KEY UPDATE ${start.join(', ')};`,
      },
      {
        ...record,
        event: 'UPDATE',
        sql: `IF NOT (${all(rekeyed)}) THEN UPDATE ${table} SET ${kept.keys.map((key) => `${quoteName(key.own)} = ${at('NEW', key.of)}`).join(', ')} WHERE ${ofRecord('OLD')}; END IF;`,
      },
      { ...record, event: 'DELETE', sql: `DELETE FROM ${table} WHERE ${ofRecord('OLD')};` },
      { ...row, event: 'INSERT', sql: added(kept, table) },
      {
        ...row,
        event: 'UPDATE',
        sql: `IF NOT (${all(moved)}) THEN ${taken(kept, table)} ${added(kept, table)} END IF;`,
      },
      { ...row, event: 'DELETE', sql: taken(kept, table) },
    ]
  })

const ofRow = ({ keys }: Kept, row: string) => all(keys.map((key) => `${quoteName(key.own)} = ${at(row, key.link)}`))

/** A sum of no value is no number; what is set from another column stands before that changes. */
function added(kept: Kept, table: string): string {
  const sets = kept.totals.flatMap(({ column, sum, count }) => {
    const [value, s, c] = [at('NEW', column), quoteName(sum), quoteName(count)]
    return [
      `${s} = CASE WHEN ${value} IS NULL THEN ${s} ELSE COALESCE(${s}, 0) + ${value} END`,
      `${c} = ${c} + (${value} IS NOT NULL)`,
    ]
  })
  return `UPDATE ${table} SET ${[`${quoteName(kept.rows)} = ${quoteName(kept.rows)} + 1`, ...sets].join(', ')} WHERE ${ofRow(kept, 'NEW')};`
}

function taken(kept: Kept, table: string): string {
  const sets = kept.totals.flatMap(({ column, sum, count }) => {
    const [value, s, c] = [at('OLD', column), quoteName(sum), quoteName(count)]
    return [
      `${s} = CASE WHEN ${c} <= (${value} IS NOT NULL) THEN NULL ELSE ${s} - COALESCE(${value}, 0) END`,
      `${c} = ${c} - (${value} IS NOT NULL)`,
    ]
  })
  return `UPDATE ${table} SET ${[`${quoteName(kept.rows)} = ${quoteName(kept.rows)} - 1`, ...sets].join(', ')} WHERE ${ofRow(kept, 'OLD')};`
}
