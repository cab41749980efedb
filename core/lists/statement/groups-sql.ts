import type { Book } from '../../book'
import { kindOf, type Look, type Value } from '../../kinds'
import { type PhysicalNames, physicalNames } from '../../physical'
import { expressionSql } from '../../sql'
import { groupAt, type ReadFigure, type ReadList } from '../check/read-list'
import { sameJson } from '../../words'
import type { StoredRow } from '../row-reader'
import { conditionSql } from './condition-sql'
import { type GroupCell, groupPlan } from './group-keys'
import { aggregateSql } from './gather-sql'
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
  const branches = branchesOf(read.figures)
  const own = branches.filter(({ way }) => way.length === 0)
  const others = branches.filter(({ way }) => way.length > 0)
  const grouping = { book, names, read, by, limit }
  return [
    ownSql(
      grouping,
      own.flatMap(({ figures }) => figures),
    ),
    ...others.map((one) => branchSql(grouping, one)),
  ]
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

/** What a group is told apart by, as the first columns of a statement. */
function groupColumns(plans: ReturnType<typeof begin>['plans']) {
  const selected: string[] = []
  const slots = plans.map((plan) => {
    const slot = selected.length
    selected.push(...plan.keys, ...plan.more)
    const same = selected.length
    selected.push(...plan.same)
    return { plan, slot, same }
  })
  const read = (row: StoredRow) => ({
    cells: slots.map(({ plan, slot, same }): GroupCell => {
      const alike = plan.same.map((_, at) => String(row[same + at] ?? '\0'))
      return { ...plan.read(row, slot), same: alike.length === 1 ? alike.join('') : JSON.stringify(alike) }
    }),
  })
  return { selected, read }
}

function ownSql(grouping: Grouping, figures: readonly ReadFigure[]): Statement<GroupRow> {
  const { book, names, read, limit } = grouping
  const { from, reach, asked, plans } = begin(grouping)
  const { selected, read: told } = groupColumns(plans)
  const values = figures.map((figure) => figureSql(book.look, figure, valuesOf(reach, from, figure)))
  const keys = plans.flatMap((plan) => plan.keys)
  const grouped =
    keys.length > 0
      ? `\nGROUP BY ${keys.join(', ')}\nORDER BY ${plans.flatMap((plan) => plan.order).join(', ')}\nLIMIT ${limit}`
      : ''
  const columns = [...selected, 'COUNT(*)', ...values]
  return {
    sql: `SELECT ${columns.map((sql, at) => `${sql} AS c${at}`).join(', ')}
FROM ${names.quoted(read.table.id)} t${reach.joins}
WHERE ${asked}${grouped}`,
    params: [],
    read: (row) => ({
      ...told(row),
      count: Number(row[selected.length]),
      figures: readFigures(figures, row, selected.length + 1),
    }),
  }
}

function branchSql(grouping: Grouping, { way, where, figures }: Branch): Statement<GroupRow> {
  const { book, names, read } = grouping
  const { from, reach, asked, plans } = begin(grouping)
  const met = wayFrom(reach, from, way)
  const inner = new Reach(book, names, met.end, reach.aliases)
  const wished = where ? ` AND ${conditionSql(inner, where)}` : ''
  const { selected, read: told } = groupColumns(plans)
  const keys = plans.flatMap((plan) => plan.keys)
  const values = figures.map((figure) => valuesOf(inner, met.end, figure))
  const [first, ...rest] = met.tables
  const source = `FROM ${names.quoted(read.table.id)} t${reach.joins}
JOIN ${first!} ON ${met.hangs}${rest.map((line) => `\n${line}`).join('')}${inner.joins}
WHERE ${asked}${wished}`
  const readRow: Statement<GroupRow>['read'] = (row) => ({
    ...told(row),
    count: undefined,
    figures: readFigures(figures, row, selected.length),
  })
  // Rows that hang on one record each are met once; what rows lead on to, by as many as there are.
  if (way.every((hop) => hop.to === 'rows')) {
    const columns = [...selected, ...figures.map((figure, at) => figureSql(book.look, figure, values[at]!))]
    const grouped = keys.length > 0 ? `\nGROUP BY ${keys.join(', ')}` : ''
    return {
      sql: `SELECT ${columns.map((sql, at) => `${sql} AS c${at}`).join(', ')}\n${source}${grouped}`,
      params: [],
      read: readRow,
    }
  }
  // Each of a group's records once: by its key, and not by what it is shown as.
  const ends = keyAt(names, met.end)
  const once = [...keys.map((sql, at) => `${sql} AS g${at}`), ...ends.map((sql, at) => `${sql} AS e${at}`)]
  const held = selected.map((sql, at) => `MIN(${sql}) AS c${at}`)
  const parts = values.flatMap((some, of) => some.map((sql, at) => `MIN(${sql}) AS v${of}_${at}`))
  const taken = figures.map((figure, of) =>
    figureSql(
      book.look,
      figure,
      values[of]!.map((_, at) => `d.v${of}_${at}`),
    ),
  )
  const columns = [...selected.map((_, at) => `MIN(d.c${at}) AS c${at}`), ...taken.map((sql, at) => `${sql} AS f${at}`)]
  const groupedBy = [...keys, ...ends]
  return {
    sql: `SELECT ${columns.join(', ')}
FROM (SELECT ${[...once, ...held, ...parts].join(', ')}
${source}
GROUP BY ${groupedBy.join(', ')}) d${keys.length > 0 ? `\nGROUP BY ${keys.map((_, at) => `d.g${at}`).join(', ')}` : ''}`,
    params: [],
    read: readRow,
  }
}

/** What a figure is taken of, at a record; several columns where it is a link. */
function valuesOf(reach: Reach, at: At, { of, name }: ReadFigure): string[] {
  if (!of || name === 'count') return []
  if (!('id' in of)) return [expressionSql(reach.book, reach.names, at.table.id, of, at.alias)]
  return of.kind === 'link' ? fieldAtAlias(reach.names, at, of.id) : [valueAt(reach.book, reach.names, at, of)]
}

const figureSql = (look: Look, { name, face }: ReadFigure, values: readonly string[]) =>
  aggregateSql(name, values, face, look)

function readFigures(figures: readonly ReadFigure[], row: StoredRow, from: number) {
  return Object.fromEntries(
    figures.map(({ column, face }, at): [string, Value] => {
      const stored = row[from + at] ?? null
      return [column.id, stored === null ? null : kindOf(face.kind).load(stored)]
    }),
  )
}
