import type { Book, Field } from '../../book'
import { kindOf, type Look, measuredDigits, type Value } from '../../kinds'
import { type PhysicalNames, physicalNames } from '../../physical'
import { expressionSql } from '../../sql'
import { groupAt, type ReadFigure, type ReadList } from '../check/read-list'
import { sameJson } from '../../words'
import type { StoredRow } from '../row-reader'
import { conditionSql } from './condition-sql'
import { type GroupCell, groupPlan } from './group-keys'
import { aggregateSql } from './gather-sql'
import { keptFor, keptSql } from './kept-sql'
import { Aliases, type At, fieldAtAlias, keyAt, Reach, valueAt, wayFrom } from './reach'
import type { Statement } from './rows-sql'

/** What one statement tells of a group. */
export interface GroupRow {
  readonly cells: readonly GroupCell[]
  /** How many of the list's records are of it; only the first statement tells. */
  readonly count: number | undefined
  /** By column. */
  readonly figures: Readonly<Record<string, Value>>
}

/** Figures of the same records: those that a way leads to, under the same condition. */
interface Branch {
  readonly way: ReadFigure['way']
  readonly where: ReadFigure['where']
  readonly figures: readonly ReadFigure[]
}

function branchesOf(figures: readonly ReadFigure[]): Branch[] {
  const found: { way: Branch['way']; where: Branch['where']; figures: ReadFigure[] }[] = []
  for (const figure of figures) {
    const { way, where } = figure
    const branch = found.find((one) => sameJson([one.way, one.where ?? null], [way, where ?? null]))
    if (branch) branch.figures.push(figure)
    else found.push({ way, where, figures: [figure] })
  }
  return found
}

/**
 * The groups of a list by some of what it is put together by, with how many records are of each, and what they come to:
 * a statement for the list's own records, and one for each branch, so that none multiplies another. What a group's
 * records lead to by several of them counts once: those are told apart by their keys before anything is added up.
 */
export function groupsSql(
  book: Book,
  read: ReadList,
  by: readonly number[],
  limit: number,
  names: PhysicalNames = physicalNames(book),
): Statement<GroupRow>[] {
  // What is kept for each record stands with the record itself.
  const isOwn = (figure: ReadFigure) =>
    figure.way.length === 0 || keptFor(book, read.table, gatheredIn(figure)) !== undefined
  const others = branchesOf(read.figures.filter((figure) => !isOwn(figure)))
  const grouping = { book, names, read, by, limit }
  return [ownSql(grouping, read.figures.filter(isOwn)), ...others.map((one) => branchSql(grouping, one))]
}

interface Grouping {
  readonly book: Book
  readonly names: PhysicalNames
  readonly read: ReadList
  readonly by: readonly number[]
  readonly limit: number
}

function begin({ book, names, read, by }: Grouping) {
  const from: At = { table: read.table, alias: 't' }
  const reach = new Reach(book, names, from, new Aliases())
  const asked = read.where ? conditionSql(reach, read.where) : 'TRUE'
  return { from, reach, asked, plans: by.map((at) => groupPlan(reach, groupAt(read, at))) }
}

/** What a group is told apart by, as the first columns of a query, and what is told of it by them around that query. */
function groupColumns(plans: ReturnType<typeof begin>['plans']) {
  const selected: string[] = []
  const slots = plans.map((plan) => {
    const slot = selected.length
    selected.push(...plan.keys, ...plan.more)
    return { plan, slot }
  })
  const column = (slot: number) => `g.c${slot}`
  const outside: string[] = selected.map((_, slot) => column(slot))
  const order: string[] = []
  const told = slots.map(({ plan, slot }) => {
    const keys = plan.keys.map((_, at) => column(slot + at))
    const same = outside.length
    outside.push(...plan.same(keys))
    // As people read them: by what a link leads to is known by, and then by its key.
    order.push(...plan.more.map((_, at) => column(slot + keys.length + at)), ...keys)
    return { plan, slot, same, count: outside.length - same }
  })
  const read = (row: StoredRow) => ({
    cells: told.map(({ plan, slot, same, count }): GroupCell => {
      const alike = Array.from({ length: count }, (_, at) => String(row[same + at] ?? '\0'))
      return { ...plan.read(row, slot), same: alike.length === 1 ? alike.join('') : JSON.stringify(alike) }
    }),
  })
  return { selected, outside, order, read }
}

/** Puts around a query what is told of each of its groups. */
function around({ outside }: ReturnType<typeof groupColumns>, values: number, query: string): string {
  const figures = Array.from({ length: values }, (_, at) => `g.f${at}`)
  return `SELECT ${[...outside, ...figures].map((sql, at) => `${sql} AS r${at}`).join(', ')}\nFROM (\n${query}\n) g`
}

const asGroup = (selected: readonly string[]) => selected.map((sql, at) => `${sql} AS c${at}`)
const asFigures = (values: readonly string[]) => values.map((sql, at) => `${sql} AS f${at}`)

function ownSql(grouping: Grouping, figures: readonly ReadFigure[]): Statement<GroupRow> {
  const { names, read, limit } = grouping
  const { from, reach, asked, plans } = begin(grouping)
  const columns = groupColumns(plans)
  const values = ['COUNT(*)', ...figures.map((figure) => ownFigureSql(reach, from, figure))]
  const keys = plans.flatMap((plan) => plan.keys)
  const grouped = keys.length > 0 ? `\nGROUP BY ${keys.join(', ')}` : ''
  const query = `SELECT ${[...asGroup(columns.selected), ...asFigures(values)].join(', ')}
FROM ${names.quoted(read.table.id)} t${reach.joins}
WHERE ${asked}${grouped}`
  const ordered = keys.length > 0 ? `\nORDER BY ${columns.order.join(', ')}\nLIMIT ${limit}` : ''
  const first = columns.outside.length
  return {
    sql: around(columns, values.length, query) + ordered,
    params: [],
    read: (row) => ({ ...columns.read(row), count: Number(row[first]), figures: readFigures(figures, row, first + 1) }),
  }
}

function branchSql(grouping: Grouping, { way, where, figures }: Branch): Statement<GroupRow> {
  const { book, names, read } = grouping
  const { from, reach, asked, plans } = begin(grouping)
  const met = wayFrom(reach, from, way)
  const inner = new Reach(book, names, met.end, reach.aliases)
  const wished = where ? ` AND ${conditionSql(inner, where)}` : ''
  const columns = groupColumns(plans)
  const keys = plans.flatMap((plan) => plan.keys)
  const values = figures.map((figure) => valuesOf(inner, met.end, figure))
  const [first, ...rest] = met.tables
  const source = `FROM ${names.quoted(read.table.id)} t${reach.joins}
JOIN ${first!} ON ${met.hangs}${rest.map((line) => `\n${line}`).join('')}${inner.joins}
WHERE ${asked}${wished}`
  const taken = (of: readonly (readonly string[])[]) =>
    asFigures(figures.map((figure, at) => figureSql(book.look, figure, of[at] ?? [])))
  // Rows that hang on one record each are met once; what rows lead on to, by as many as there are.
  const isOnce = way.every((hop) => hop.to === 'rows')
  const query = isOnce
    ? `SELECT ${[...asGroup(columns.selected), ...taken(values)].join(', ')}\n${source}${keys.length > 0 ? `\nGROUP BY ${keys.join(', ')}` : ''}`
    : onceSql({ keys, ends: keyAt(names, met.end), selected: columns.selected, values, source, taken })
  return {
    sql: around(columns, figures.length, query),
    params: [],
    read: (row) => ({
      ...columns.read(row),
      count: undefined,
      figures: readFigures(figures, row, columns.outside.length),
    }),
  }
}

interface Once {
  readonly keys: readonly string[]
  readonly ends: readonly string[]
  readonly selected: readonly string[]
  readonly values: readonly (readonly string[])[]
  readonly source: string
  readonly taken: (of: readonly (readonly string[])[]) => readonly string[]
}

/** Each of a group's records once, by its key and not by what it is shown as, before anything is added up. */
function onceSql({ keys, ends, selected, values, source, taken }: Once): string {
  const once = [...keys.map((sql, at) => `${sql} AS k${at}`), ...ends.map((sql, at) => `${sql} AS e${at}`)]
  const held = asGroup(selected.map((sql) => `MIN(${sql})`))
  const parts = values.flatMap((some, of) => some.map((sql, at) => `MIN(${sql}) AS v${of}_${at}`))
  const columns = [
    ...asGroup(selected.map((_, at) => `MIN(d.c${at})`)),
    ...taken(values.map((some, of) => some.map((_, at) => `d.v${of}_${at}`))),
  ]
  return `SELECT ${columns.join(', ')}
FROM (SELECT ${[...once, ...held, ...parts].join(', ')}
${source}
GROUP BY ${[...keys, ...ends].join(', ')}) d${keys.length > 0 ? `\nGROUP BY ${keys.map((_, at) => `d.k${at}`).join(', ')}` : ''}`
}

const gatheredIn = ({ way, name, of, where }: ReadFigure) => ({
  way,
  name,
  where,
  ...(of && 'id' in of && { field: of }),
})

/** Of the list's own records; what is kept for each of them is added up, as each of its rows hangs on one alone. */
function ownFigureSql(reach: Reach, from: At, figure: ReadFigure): string {
  const { look } = reach.book
  const kept = figure.way.length > 0 ? keptSql(reach, gatheredIn(figure)) : undefined
  if (kept === undefined) return figureSql(look, figure, valuesOf(reach, from, figure))
  return figure.name === 'count' ? `COALESCE(SUM(${kept}), 0)` : figureSql(look, figure, [kept])
}

/** What a figure is taken of, at a record; several columns where it is a link. */
function valuesOf(reach: Reach, at: At, { of, name }: ReadFigure): string[] {
  if (!of || name === 'count') return []
  if (!('id' in of)) return [expressionSql(reach.book, reach.names, at.table.id, of, at.alias)]
  return of.kind === 'link' ? fieldAtAlias(reach.names, at, of.id) : [valueAt(reach.book, reach.names, at, of)]
}

const figureSql = (look: Look, { name, face }: ReadFigure, values: readonly string[]) =>
  aggregateSql(name, values, face, look)

/** Binary sums have a last digit or two that no value had. */
function loadFigure(face: Field, stored: NonNullable<StoredRow[number]>): Value {
  const { load } = kindOf(face.kind)
  return load(face.kind === 'measured' ? Number(Number(stored).toPrecision(measuredDigits)) : stored)
}

function readFigures(figures: readonly ReadFigure[], row: StoredRow, from: number) {
  return Object.fromEntries(
    figures.map(({ column, face }, at): [string, Value] => {
      const stored = row[from + at] ?? null
      return [column.id, stored === null ? null : loadFigure(face, stored)]
    }),
  )
}
