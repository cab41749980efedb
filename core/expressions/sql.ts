import { type Book, findField, findLink, linkOf, type Table, tableOf } from '../book'
import { isDerived, quoteText } from '../kinds'
import { collation, quoteName } from '../names'
import type { PhysicalNames } from '../opening'
import { derivedOf } from './derived'
import { functions } from './functions'
import { fromExact, quotientScale, toExact } from './numbers'
import type { Tree } from './tree'
import type { Type } from './types'

interface Place {
  readonly book: Book
  readonly names: PhysicalNames
  readonly table: Table
  /** What the table is called in the statement, quoted. */
  readonly alias: string
  /** How deep in subqueries, so that each has names of its own. */
  readonly depth: number
  /** What each query ends with. */
  readonly lock: string
}

/** How other rows are read: as they are for the statement, or as they are now, held until the transaction ends. */
export type RowReading = 'plain' | 'held'

/**
 * The expression as MariaDB's SQL, over a table that goes by `alias` there; for a constraint of the table itself
 * without. What is written by people becomes quoted text, names come from the design.
 */
export const expressionSql = (
  book: Book,
  names: PhysicalNames,
  tableId: string,
  tree: Tree,
  alias: string,
  reading: RowReading = 'plain',
): string =>
  sql(tree, {
    book,
    names,
    table: tableOf(book, tableId),
    alias: alias && quoteName(alias),
    depth: 0,
    lock: lockSql(reading),
  })

/** What a query ends with that reads so. */
export const lockSql = (reading: RowReading) => (reading === 'held' ? ' LOCK IN SHARE MODE' : '')

const decimal = (type: Extract<Type, { is: 'exact' }>) => `DECIMAL(${type.whole + type.scale},${type.scale})`

function sql(tree: Tree, place: Place): string {
  const inner = (part: Tree) => sql(part, place)
  switch (tree.kind) {
    case 'literal':
      return literal(tree)
    case 'fact':
      return fact(tree, place)
    case 'not':
      return `(NOT ${inner(tree.of)})`
    case 'minus':
      return `(-${inner(tree.of)})`
    case 'binary':
      return binary(tree, inner)
    case 'shift':
      return `(${inner(tree.of)} + INTERVAL ${tree.count} ${tree.unit})`
    case 'days':
      return `DATEDIFF(${inner(tree.left)}, ${inner(tree.right)})`
    case 'in':
      return `(${inner(tree.of)} IN (${tree.among.map(inner).join(', ')}))`
    case 'like':
      return like(tree, inner)
    case 'isNull':
      return blank(tree.of, place)
    case 'case':
      return `(CASE ${tree.whens.map(([test, value]) => `WHEN ${inner(test)} THEN ${inner(value)}`).join(' ')}${tree.other ? ` ELSE ${inner(tree.other)}` : ''} END)`
    case 'call':
      return call(tree, inner)
    case 'cast':
      return cast(inner(tree.of), tree.of.type, tree.type)
    case 'aggregate':
      return aggregate(tree, place)
  }
}

function literal({ value, type }: Extract<Tree, { kind: 'literal' }>): string {
  if (value === null) return 'NULL'
  switch (type.is) {
    case 'exact':
      return fromExact(toExact(value, type.scale), type.scale)
    case 'measured':
      return value
    case 'truth':
      return value === '1' ? 'TRUE' : 'FALSE'
    case 'date':
      return `DATE ${quoteText(value)}`
    case 'time':
      return `TIME ${quoteText(`${value}:00`)}`
    case 'moment':
      return `TIMESTAMP ${quoteText(`${value.replace('T', ' ')}:00`)}`
    default:
      return `(${quoteText(value)} COLLATE ${collation})`
  }
}

/** The columns of a fact, one unless it is a link to a key of several, each with the query that fetches it. */
function columnsOf({ over, field }: Extract<Tree, { kind: 'fact' }>, place: Place): string[] {
  const { book, names } = place
  const owner = findField(book, field)!.table
  const at = (alias: string, depth: number) => factAt(field, { ...place, table: owner, alias, depth })
  if (over.length === 0) return at(place.alias, place.depth)
  const aliases = over.map((_, at) => quoteName(`l${place.depth}_${at}`))
  const joins = over.map((link, at) => {
    const target = tableOf(book, linkOf(book, link).one)
    const from = at === 0 ? place.alias : aliases[at - 1]!
    const on = leads(place, link, from, target, aliases[at]!)
    return { table: `${names.quoted(target.id)} AS ${aliases[at]!}`, on }
  })
  const [first, ...rest] = joins
  const from = [first!.table, ...rest.map((join) => `JOIN ${join.table} ON ${join.on}`)].join(' ')
  return at(aliases.at(-1)!, place.depth + 1).map(
    (column) => `(SELECT ${column} FROM ${from} WHERE ${first!.on}${place.lock})`,
  )
}

/** A fact of the record at hand: its columns, or what it is derived from. */
function factAt(id: string, place: Place): string[] {
  const { book, names, table, alias } = place
  const { field } = findField(book, id)!
  const columns = names
    .columns(table.id, id)
    .map((column) => (alias ? `${alias}.${quoteName(column.name)}` : quoteName(column.name)))
  if (!isDerived(field) || field.kind === 'copied') return columns
  const made = derivedOf(book, id)
  if ('because' in made) throw new Error(`Expected ${field.name} to be sound: ${made.because}`)
  const live = sql(made.tree, place)
  return [made.freezes ? `(CASE WHEN ${sql(made.freezes, place)} THEN ${columns[0]!} ELSE ${live} END)` : live]
}

/** How a link's columns meet the key they lead to. */
function leads({ book, names }: Place, linkField: string, from: string, target: Table, to: string): string {
  const own = names.columns(findField(book, linkField)!.table.id, linkField)
  const key = target.key.flatMap((id) => names.columns(target.id, id))
  return own.map((column, at) => `${to}.${quoteName(key[at]!.name)} = ${from}.${quoteName(column.name)}`).join(' AND ')
}

/** Without an escape of its own, MariaDB takes the backslash for one: doubled, it is a letter like any other. */
function like({ of, pattern, escape }: Extract<Tree, { kind: 'like' }>, inner: (part: Tree) => string): string {
  const lower = (part: string) => `${part} COLLATE utf8mb4_bin`
  const written = `LOWER(${inner(pattern)})`
  const plain = escape ? written : `REPLACE(${written}, ${quoteText('\\')}, ${quoteText('\\\\')})`
  return `(${lower(`LOWER(${inner(of)})`)} LIKE ${lower(plain)} ESCAPE ${quoteText(escape.toLowerCase() || '\\')})`
}

const fact = (tree: Extract<Tree, { kind: 'fact' }>, place: Place) => columnsOf(tree, place)[0]!

const blank = (of: Tree, place: Place) =>
  of.kind === 'fact'
    ? `(${columnsOf(of, place)
        .map((column) => `${column} IS NULL`)
        .join(' OR ')})`
    : `(${sql(of, place)} IS NULL)`

function binary(
  { operator, left, right, type }: Extract<Tree, { kind: 'binary' }>,
  inner: (part: Tree) => string,
): string {
  const [a, b] = [inner(left), inner(right)]
  if (operator === '||') return `CONCAT(${a}, ${b})`
  if (operator !== '/') return `(${a} ${operator} ${b})`
  if (type.is !== 'exact') return `(${a} / NULLIF(${b}, 0))`
  return quotient(a, b, type)
}

/** More decimals than are kept, and then rounded: MariaDB alone would cut them off at four more than the dividend has. */
const quotient = (a: string, b: string, type: Extract<Type, { is: 'exact' }>) =>
  `CAST(${a} * 1.${'0'.repeat(quotientScale)} / NULLIF(${b}, 0) AS ${decimal(type)})`

function call({ name, args, type }: Extract<Tree, { kind: 'call' }>, inner: (part: Tree) => string): string {
  if (name === 'CURRENT_DATE') return 'CURRENT_DATE'
  if (name === 'CURRENT_TIMESTAMP') return `CAST(DATE_FORMAT(CURRENT_TIMESTAMP, '%Y-%m-%d %H:%i:00') AS DATETIME)`
  const parts = args.map(inner)
  if (name === 'COALESCE' || name === 'NULLIF') return `${name}(${parts.join(', ')})`
  return functions[name]!.sql(
    parts,
    args.map((arg) => arg.type),
    type,
  )
}

function cast(of: string, from: Type, to: Type): string {
  if (to.is === 'exact') return `CAST(${of} AS ${decimal(to)})`
  if (to.is === 'measured') return `CAST(${of} AS DOUBLE)`
  if (to.is === 'date') return `CAST(${of} AS DATE)`
  if (to.is === 'moment') return `CAST(${of} AS DATETIME)`
  if (from.is === 'time') return `(TIME_FORMAT(${of}, '%H:%i') COLLATE ${collation})`
  if (from.is === 'moment') return `(DATE_FORMAT(${of}, '%Y-%m-%d %H:%i') COLLATE ${collation})`
  // Adding nought makes MariaDB's “-0.00” a plain 0.00.
  const plain = from.is === 'exact' ? `CAST(${of} AS ${decimal(from)}) + 0` : of
  return `(CAST(${plain} AS CHAR CHARACTER SET utf8mb4) COLLATE ${collation})`
}

function aggregate(tree: Extract<Tree, { kind: 'aggregate' }>, place: Place): string {
  const { book, names } = place
  const link = findLink(book, tree.link)!
  const rows = tableOf(book, link.many)
  const alias = quoteName(`r${place.depth}`)
  const inside: Place = { ...place, table: rows, alias, depth: place.depth + 1 }
  const of = tree.of ? sql(tree.of, inside) : '*'
  const on = leads(place, link.field, alias, place.table, place.alias)
  const where = tree.where ? ` AND ${sql(tree.where, inside)}` : ''
  return `(SELECT ${gathered(tree, of)} FROM ${names.quoted(rows.id)} AS ${alias} WHERE ${on}${where}${place.lock})`
}

function gathered({ name, type }: Extract<Tree, { kind: 'aggregate' }>, of: string): string {
  if (type.is !== 'exact' || name === 'COUNT' || name === 'MIN' || name === 'MAX') return `${name}(${of})`
  if (name === 'SUM') return `CAST(SUM(${of}) AS ${decimal(type)})`
  return quotient(`SUM(${of})`, `COUNT(${of})`, type)
}
