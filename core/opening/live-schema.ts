import { isChecked, isKeyed, ownRules } from '../rules'
import { type Book, type Field, linkOf, linksFrom, mustHold, type Table, tableOf } from '../book'
import { isDerived, kindOf } from '../kinds'
import { ownTable, quoteName } from '../names'
import {
  type PhysicalNames,
  physicalNames,
  readyIndexes,
  type LiveCheck,
  type LiveForeignKey,
  type LiveIndex,
  type LiveSchema,
  type LiveTable,
} from '../physical'
import { expressionSql, viewsOf } from '../sql'
import { keptTables } from './kept'
import { triggersOf } from './triggers/triggers'

/** What the live database should be for this book: what an expert would build by hand. */
export function liveSchema(book: Book): LiveSchema {
  const names = physicalNames(book)
  return {
    tables: inMakingOrder(book).map((table) => liveTable(book, table, names)),
    attached: [...keptTables(book, names), ...viewsOf(book, names), ...triggersOf(book, names)],
  }
}

/** Tables that others point to come first; circles are cut where they close, their foreign keys come after. */
function inMakingOrder(book: Book): Table[] {
  const ordered: Table[] = []
  const seen = new Set<string>()
  const visit = (table: Table) => {
    if (seen.has(table.id)) return
    seen.add(table.id)
    for (const link of linksFrom(book, table.id)) visit(tableOf(book, link.one))
    ordered.push(table)
  }
  book.tables.forEach(visit)
  return ordered
}

function liveTable(book: Book, table: Table, names: PhysicalNames): LiveTable {
  const name = names.table(table.id)
  const columnsOf = (field: string) => names.columns(table.id, field)
  const columns = table.fields.flatMap((field) => columnsOf(field.id))
  const primaryKey = table.key.flatMap((field) => columnsOf(field).map((column) => column.name))
  const foreignKeys = linksFrom(book, table.id).map((link) => foreignKey(book, table, link.id, names))
  const uniques = table.fields
    .filter((field) => field.unique && !(table.key.length === 1 && table.key[0] === field.id))
    .map((field): LiveIndex =>
      index(
        name,
        columnsOf(field.id).map((column) => column.name),
        'one',
      ),
    )
  for (const own of ownRules(book, table.id))
    if (isKeyed(own) && own.compiled?.kind === 'together') {
      const columns = own.compiled.fields.flatMap((field) => columnsOf(field.id)).map((column) => column.name)
      uniques.push({ name: ruleName(name, own.rule.id), columns, rule: own.rule.id })
    }
  const linked = [
    ...foreignKeys
      .map((key) => index(name, key.columns, 'link'))
      .filter(({ columns: wanted }) => !isCovered(wanted, [primaryKey, ...uniques.map((unique) => unique.columns)])),
    ...fileIndexes(table, name, names),
  ]
  return {
    id: table.id,
    name,
    title: table.name,
    comment: (table.describe ?? table.name).slice(0, 1000),
    columns,
    primaryKey,
    uniques,
    indexes: [...linked, ...forLists(readyIndexes(book, table, names), name, [...uniques, ...linked], primaryKey)],
    checks: checksOf(book, table, names),
    foreignKeys: [...foreignKeys, ...fileKeys(table, name, names)],
  }
}

/** Ids have at most 40 characters, names in MariaDB 64. */
const ruleName = (table: string, rule: string) => `${table.slice(0, 17)}_rule_${rule}`

const index = (table: string, columns: readonly string[], ending: string): LiveIndex => ({
  name: `${table.slice(0, 28)}_${columns.join('_').slice(0, 28)}_${ending}`,
  columns,
})

/** Whether an index that starts with these columns is there already. */
const isCovered = (columns: readonly string[], indexes: readonly (readonly string[])[]) =>
  indexes.some((other) => columns.every((column, at) => other[at] === column))

function foreignKey(book: Book, table: Table, linkId: string, names: PhysicalNames): LiveForeignKey {
  const link = book.links.find((candidate) => candidate.id === linkId)!
  const target = tableOf(book, link.one)
  const columns = names.columns(table.id, link.field).map((column) => column.name)
  const field = table.fields.find((candidate) => candidate.id === link.field)!
  const leaves = link.onRemove === 'leave' && !mustHold(table, field)
  return {
    name: `${names.table(table.id).slice(0, 28)}_${columns.join('_').slice(0, 28)}_to`,
    link: linkOf(book, link.field).id,
    columns,
    toTable: names.table(target.id),
    toColumns: target.key.flatMap((id) => names.columns(target.id, id).map((column) => column.name)),
    onDelete: link.onRemove === 'remove' ? 'CASCADE' : leaves ? 'SET NULL' : 'RESTRICT',
    onUpdate: canBeHalf(table, field, columns.length) ? 'RESTRICT' : 'CASCADE',
  }
}

/** Indexes for lists, each once, but for those that another begins with. */
function forLists(
  wanted: readonly string[][],
  name: string,
  others: readonly LiveIndex[],
  primaryKey: readonly string[],
): LiveIndex[] {
  const found: LiveIndex[] = []
  // The longer ones first: they may do for the shorter ones.
  for (const columns of [...wanted].sort((a, b) => b.length - a.length))
    if (!isCovered(columns, [primaryKey, ...[...others, ...found].map((one) => one.columns)]))
      found.push(index(name, columns, 'list'))
  return found
}

const fileFields = (table: Table) => table.fields.filter((field) => kindOf(field.kind).control === 'file')

const fileIndexes = (table: Table, name: string, names: PhysicalNames) =>
  fileFields(table).map((field) =>
    index(
      name,
      names.columns(table.id, field.id).map((column) => column.name),
      'file',
    ),
  )

const fileKeys = (table: Table, name: string, names: PhysicalNames): LiveForeignKey[] =>
  fileFields(table).map((field) => {
    const columns = names.columns(table.id, field.id).map((column) => column.name)
    return {
      name: `${name.slice(0, 28)}_${columns.join('_').slice(0, 28)}_to`,
      link: field.id,
      columns,
      toTable: ownTable,
      toColumns: ['hash'],
      onDelete: 'RESTRICT',
      onUpdate: 'RESTRICT',
    }
  })

function checksOf(book: Book, table: Table, names: PhysicalNames): LiveCheck[] {
  const name = names.table(table.id)
  const written = ownRules(book, table.id).flatMap((own): LiveCheck[] => {
    const { rule, compiled, fields } = own
    return isChecked(own) && compiled?.kind === 'holds'
      ? [
          {
            name: ruleName(name, rule.id),
            field: fields.at(-1)!,
            rule: rule.id,
            sql: expressionSql(book, names, table.id, compiled.tree, ''),
          },
        ]
      : []
  })
  const own = table.fields.flatMap((field): LiveCheck[] => {
    if (field.kind === 'link') return compositeCheck(book, table, field, name, names)
    if (isDerived(field)) return []
    const column = names.columns(table.id, field.id)[0]!.name
    return kindOf(field.kind)
      .checks(field, book.look)
      .map((check) => ({
        name: `${name.slice(0, 24)}_${column.slice(0, 24)}_${check.name}`,
        field: field.id,
        sql: check.sql(quoteName(column)),
      }))
  })
  return [...own, ...written]
}

/** A link of several columns that may stay blank could be half filled. */
const canBeHalf = (table: Table, field: Field, columns: number) => columns > 1 && !mustHold(table, field)

/**
 * Several columns of one link are filled together or not at all; MATCH SIMPLE would let half a link pass.
 * MariaDB takes no CHECK on columns that a foreign key may change by itself, so such a link's key
 * doesn't cascade, and one that is left blank on removal goes without the check.
 */
function compositeCheck(book: Book, table: Table, field: Field, name: string, names: PhysicalNames): LiveCheck[] {
  const columns = names.columns(table.id, field.id).map((column) => column.name)
  const link = linkOf(book, field.id)
  if (!canBeHalf(table, field, columns.length) || link.onRemove !== 'keep') return []
  const all = (word: string) => columns.map((column) => `${quoteName(column)} ${word}`).join(' AND ')
  const whole = `(${all('IS NULL')}) OR (${all('IS NOT NULL')})`
  return [{ name: `${name.slice(0, 24)}_${columns[0]!.slice(0, 24)}_whole`, field: field.id, sql: whole }]
}
