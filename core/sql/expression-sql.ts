import { wordProblem } from '../words'
import { type Book, linkOf, type Table, tableOf, fieldWith, linkWith } from '../book'
import { type Args, derivedOf, type FunctionName, type Tree, type Type } from '../expressions'
import { isDerived } from '../kinds'
import type { PhysicalNames } from '../physical'
import { type Dialect, mariadb } from './dialects'
import { functionSql } from './functions'

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
  readonly dialect: Dialect
}

/** How other rows are read: as they are for the statement, or as they are now, held until the transaction ends. */
export type LockMode = 'plain' | 'held'

/**
 * The expression as SQL, MariaDB's where no other is asked for, over a table that goes by `alias` there; for a constraint of the table itself
 * without. What is written by people becomes quoted text, names come from the design.
 */
export const expressionSql = (
  book: Book,
  names: PhysicalNames,
  tableId: string,
  tree: Tree,
  alias: string,
  mode: LockMode = 'plain',
  dialect: Dialect = mariadb,
): string =>
  sql(tree, {
    book,
    names,
    table: tableOf(book, tableId),
    alias: alias && dialect.quoteName(alias),
    depth: 0,
    lock: lockSql(mode),
    dialect,
  })

/** What a query ends with that reads so. */
export const lockSql = (mode: LockMode) => (mode === 'held' ? ' LOCK IN SHARE MODE' : '')

/** A table that is read, with its schema before it where MariaDB reads several. */
const tableSql = ({ dialect, names }: Place, id: string) =>
  dialect === mariadb ? names.quoted(id) : dialect.quoteName(names.table(id))

function sql(tree: Tree, place: Place): string {
  const { dialect } = place
  const inner = (part: Tree) => sql(part, place)
  switch (tree.kind) {
    case 'literal':
      return tree.value === null ? 'NULL' : dialect.literal(tree.value, tree.type)
    case 'fact':
      return fact(tree, place)
    case 'not':
      return `(NOT ${inner(tree.of)})`
    case 'minus':
      return `(-${inner(tree.of)})`
    case 'binary':
      return binary(tree, inner, dialect)
    case 'shift':
      return dialect.shift(inner(tree.of), tree)
    case 'days':
      return dialect.days(inner(tree.left), inner(tree.right))
    case 'in':
      return `(${compared(tree.of, inner, dialect)} IN (${tree.among.map((one) => compared(one, inner, dialect)).join(', ')}))`
    case 'like':
      return dialect.like(inner(tree.of), inner(tree.pattern), tree.escape)
    case 'isNull':
      return blank(tree.of, place)
    case 'case':
      return `(CASE ${tree.whens.map(([test, value]) => `WHEN ${inner(test)} THEN ${inner(value)}`).join(' ')}${tree.other ? ` ELSE ${inner(tree.other)}` : ''} END)`
    case 'call':
      return call(tree, inner, dialect)
    case 'cast':
      return dialect.cast(inner(tree.of), tree.of.type, tree.type)
    case 'aggregate':
      return aggregate(tree, place)
  }
}

/** The columns of a fact, one unless it is a link to a key of several, each with the query that fetches it. */
function columnsOf({ over, field }: Extract<Tree, { kind: 'fact' }>, place: Place): string[] {
  const { book, dialect } = place
  const owner = fieldWith(book, field).table
  const at = (alias: string, depth: number) => factAt(field, { ...place, table: owner, alias, depth })
  if (over.length === 0) return at(place.alias, place.depth)
  const aliases = over.map((_, at) => dialect.quoteName(`l${place.depth}_${at}`))
  const joins = over.map((link, at) => {
    const target = tableOf(book, linkOf(book, link).one)
    const from = at === 0 ? place.alias : aliases[at - 1]!
    const on = leads(place, link, from, target, aliases[at]!)
    return { table: `${tableSql(place, target.id)} AS ${aliases[at]!}`, on }
  })
  const [first, ...rest] = joins
  const from = [first!.table, ...rest.map((join) => `JOIN ${join.table} ON ${join.on}`)].join(' ')
  return at(aliases.at(-1)!, place.depth + 1).map(
    (column) => `(SELECT ${column} FROM ${from} WHERE ${first!.on}${place.lock})`,
  )
}

/** A fact of the record at hand: its columns, or what it is derived from. */
function factAt(id: string, place: Place): string[] {
  const { book, names, table, alias, dialect } = place
  const { field } = fieldWith(book, id)
  const columns = names
    .columns(table.id, id)
    .map((column) => (alias ? `${alias}.` : '') + dialect.quoteName(column.name))
  if (!isDerived(field) || field.kind === 'copied') return columns
  const made = derivedOf(book, id)
  if ('problem' in made) throw new Error(`Expected ${field.name} to be sound: ${wordProblem(made.problem)}`)
  const live = sql(made.tree, place)
  return [made.freezes ? `(CASE WHEN ${sql(made.freezes, place)} THEN ${columns[0]!} ELSE ${live} END)` : live]
}

/** How a link's columns meet the key they lead to. */
function leads({ book, names, dialect }: Place, linkField: string, from: string, target: Table, to: string): string {
  const own = names.columns(fieldWith(book, linkField).table.id, linkField)
  const key = target.key.flatMap((id) => names.columns(target.id, id))
  return own
    .map((column, at) => `${to}.${dialect.quoteName(key[at]!.name)} = ${from}.${dialect.quoteName(column.name)}`)
    .join(' AND ')
}

const fact = (tree: Extract<Tree, { kind: 'fact' }>, place: Place) =>
  place.dialect.column(columnsOf(tree, place)[0]!, tree.type)

const blank = (of: Tree, place: Place) =>
  of.kind === 'fact'
    ? `(${columnsOf(of, place)
        .map((column) => `${column} IS NULL`)
        .join(' OR ')})`
    : `(${sql(of, place)} IS NULL)`

/** A text without what makes no difference where texts are compared. */
const compared = (tree: Tree, inner: (part: Tree) => string, dialect: Dialect) =>
  tree.type.is === 'text' ? dialect.compared(inner(tree)) : inner(tree)

function binary(
  { operator, left, right, type }: Extract<Tree, { kind: 'binary' }>,
  inner: (part: Tree) => string,
  dialect: Dialect,
): string {
  if (operator === '||') return dialect.joined(inner(left), inner(right))
  if (type.is === 'truth') return `(${compared(left, inner, dialect)} ${operator} ${compared(right, inner, dialect)})`
  const [a, b] = [inner(left), inner(right)]
  if (operator !== '/')
    return type.is === 'exact' ? dialect.computed(`(${a} ${operator} ${b})`, type) : `(${a} ${operator} ${b})`
  return type.is === 'exact' ? dialect.quotient(a, b, type) : `(${a} / NULLIF(${b}, 0))`
}

function call(
  { name, args, type }: Extract<Tree, { kind: 'call' }>,
  inner: (part: Tree) => string,
  dialect: Dialect,
): string {
  if (name === 'CURRENT_DATE') return dialect.today
  if (name === 'CURRENT_TIMESTAMP') return dialect.now
  const parts = args.map(inner)
  if (name === 'NULLIF' && args[0]!.type.is === 'text' && dialect !== mariadb)
    return `(CASE WHEN ${args.map((arg) => compared(arg, inner, dialect)).join(' = ')} THEN NULL ELSE ${parts[0]!} END)`
  if (name === 'COALESCE' || name === 'NULLIF') return `${name}(${parts.join(', ')})`
  const write = dialect.functions[name] ?? functionSql[name as FunctionName]
  const types = args.map((arg) => arg.type)
  return write(parts as unknown as Args<string>, types as unknown as Args<Type>, type)
}

function aggregate(tree: Extract<Tree, { kind: 'aggregate' }>, place: Place): string {
  const { book, dialect } = place
  const link = linkWith(book, tree.link)
  const rows = tableOf(book, link.many)
  const alias = dialect.quoteName(`r${place.depth}`)
  const inside: Place = { ...place, table: rows, alias, depth: place.depth + 1 }
  const of = tree.of ? sql(tree.of, inside) : '*'
  const on = leads(place, link.field, alias, place.table, place.alias)
  const where = tree.where ? ` AND ${sql(tree.where, inside)}` : ''
  return `(SELECT ${gathered(tree, of, dialect)} FROM ${tableSql(place, rows.id)} AS ${alias} WHERE ${on}${where}${place.lock})`
}

function gathered(
  { name, type, of: summed }: Extract<Tree, { kind: 'aggregate' }>,
  of: string,
  dialect: Dialect,
): string {
  if (name === 'COUNT') return dialect.column(`COUNT(${of})`, type)
  if (type.is !== 'exact' || name === 'MIN' || name === 'MAX') return `${name}(${of})`
  if (name === 'SUM') return dialect.cast(`SUM(${of})`, summed?.type ?? type, type)
  return dialect.quotient(`SUM(${of})`, `COUNT(${of})`, type)
}
