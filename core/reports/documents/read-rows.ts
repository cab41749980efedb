import {
  type Book,
  type Column,
  type Condition,
  findTable,
  type Hop,
  linkOf,
  linkWith,
  type List,
  type Place,
  type RowsBlock,
  type Table,
  tableOf,
  type Template,
  type Way,
} from '../../book'
import { type Answers, endOf, isSeveral, type ListFault, readList, type ReadList } from '../../lists'
import { keyOfRef } from '../../records'
import { paperColumns } from '../columns'
import type { PaperColumn } from '../table'

/** The rows of a document, as a list of their own table. */
export interface ReadRows {
  readonly block: RowsBlock
  readonly list: List
  readonly read: ReadList
  readonly columns: readonly PaperColumn[]
  /** How it is known whose a row is. */
  readonly whose: Whose
}

/**
 * How it is known whose a row is: by its own field, or that of one record that it leads to; or, where it may be several
 * records', by a list of the document's table that has the keys of each record's rows.
 */
export type Whose =
  | { readonly by: 'field'; readonly place: Place }
  | { readonly by: 'keys'; readonly list: List; readonly keys: readonly string[] }

/** The column by which rows say whose they are; no column of theirs can be called so. */
export const parentColumn = '-of-'

/** From a row back to the record that it belongs to; undefined where the way leads through something else than rows. */
export function parentPlace(book: Book, way: Way): Place | undefined {
  const fields = way.map((hop) => (hop.to === 'rows' ? linkWith(book, hop.link).field : undefined))
  const [field, ...rest] = fields
  if (field === undefined || rest.some((one) => one === undefined)) return undefined
  return { way: rest.reverse().map((one): Hop => ({ to: 'one', field: one ?? '' })), field }
}

const keyColumn = (table: Table): Column => ({
  id: '-key-',
  shows: { kind: 'field', place: { way: [], field: table.key[0] ?? table.fields[0]?.id ?? '' } },
})

/** A list of a table for what documents ask of it. */
export const listOf = (id: string, table: Table, more: Partial<List>): List => ({
  id,
  table: table.id,
  columns: [keyColumn(table)],
  asks: [],
  order: [],
  ...more,
})

/** The list that rows are. */
export function rowsList(book: Book, tableId: string, block: RowsBlock): List | undefined {
  const end = endOf(book, tableId, block.way)
  const whose = end && whoseRows(book, tableId, block.way)
  if (!end || !whose) return undefined
  const { columns, where, order, figures } = block
  const of: Column[] =
    whose.by === 'field' ? [{ id: parentColumn, shows: { kind: 'field', place: whose.place } }] : [keyColumn(end)]
  return listOf(block.id, end, {
    columns: [...columns, ...of],
    order,
    ...(where && { where }),
    ...(figures && { figures }),
  })
}

function whoseRows(book: Book, tableId: string, way: Way): Whose | undefined {
  const place = parentPlace(book, way)
  if (place) return { by: 'field', place }
  const table = findTable(book, tableId)
  const end = endOf(book, tableId, way)
  // Told of one record by its key, which is one field.
  if (!table || !end || !hasPlainKey(table) || !isSeveral(book, way)) return undefined
  const columns = end.key.map((field, at): Column => ({
    id: `-key-${at}`,
    shows: { kind: 'several', place: { way, field }, as: 'lines' },
  }))
  return { by: 'keys', list: listOf('-rows-', table, { columns }), keys: columns.map(({ id }) => id) }
}

const hasPlainKey = ({ key, fields }: Table): boolean =>
  key.length === 1 && fields.some(({ id, kind }) => id === key[0] && kind !== 'link')

/** The way back: from the end of a way to where it begins. */
const wayBack = (book: Book, way: Way): Way =>
  way
    .toReversed()
    .map((hop): Hop =>
      hop.to === 'rows'
        ? { to: 'one', field: linkWith(book, hop.link).field }
        : { to: 'rows', link: linkOf(book, hop.field).id },
    )

/** The list of one record's rows alone, where they may be several records'. */
export function rowsOfOne(book: Book, table: Table, { list, block }: ReadRows, ref: string): List {
  const [value = ref] = keyOfRef(ref, 1) ?? []
  const own: Condition = {
    kind: 'has',
    way: wayBack(book, block.way),
    least: 1,
    where: { kind: 'compare', place: { way: [], field: table.key[0] ?? '' }, how: 'is', with: [{ value }] },
  }
  return { ...list, where: list.where ? { kind: 'all', of: [own, list.where] } : own }
}

export function readRows(
  book: Book,
  { table }: Template,
  block: RowsBlock,
  answers: Answers,
): ReadRows | { readonly faults: readonly ListFault[] } {
  const list = rowsList(book, table, block)
  const whose = list && whoseRows(book, table, block.way)
  if (!list || !whose) return { faults: [{ at: { part: 'column', id: '' }, problem: { kind: 'document-rows-way' } }] }
  const alongs = block.columns.filter(({ shows }) => shows.kind === 'along')
  if (alongs.length > 0) return { faults: alongs.map(({ id, heading }) => alongFault(id, heading)) }
  const found = readList(book, list, answers)
  if (!('read' in found)) return { faults: found.faults }
  const own = new Set(block.columns.map(({ id }) => id))
  const shown = found.read.columns.flatMap(({ id }, at) => (own.has(id) ? [at] : []))
  return { block, list, read: found.read, columns: paperColumns(book, found.read, shown), whose }
}

/** Among all others nothing can be told where there is one. */
export const alongFault = (id: string, heading: string | undefined): ListFault => ({
  at: { part: 'column', id },
  problem: { kind: 'document-along', column: heading ?? 'A column' },
})

interface RowWay {
  readonly way: Way
  readonly end: Table
}

/**
 * What rows a record has, the nearest first: links that lead to several, and what hangs on those in turn; then what
 * hangs on a single record that it leads to, or that one of its rows leads to.
 */
export function rowWays(book: Book, tableId: string): readonly RowWay[] {
  const rowsFrom = (table: string): RowWay[] =>
    book.links
      .filter(({ one, many }) => one === table && many !== table)
      .map((link) => ({ way: [{ to: 'rows' as const, link: link.id }], end: tableOf(book, link.many) }))
  const onesFrom = (table: string): RowWay[] =>
    book.links
      .filter(({ one, many }) => many === table && one !== table)
      .map(({ one, field }) => ({ way: [{ to: 'one' as const, field }], end: tableOf(book, one) }))
  const then = (some: readonly RowWay[], further: (table: string) => RowWay[]): RowWay[] =>
    some.flatMap((first) => further(first.end.id).map(({ way, end }) => ({ way: [...first.way, ...way], end })))
  const own = rowsFrom(tableId)
  const table = findTable(book, tableId)
  const direct = own.flatMap((first) => [first, ...then([first], rowsFrom)])
  if (!table || !hasPlainKey(table)) return direct
  // Back by the very link that it came is the same record again.
  const isBack = ({ way }: RowWay) =>
    way.some((hop, at) => {
      const next = way[at + 1]
      return next !== undefined && hop.to !== next.to && linkIn(book, hop) === linkIn(book, next) && hop.to === 'rows'
    })
  const beyond = [...then(onesFrom(tableId), rowsFrom), ...then(then(own, onesFrom), rowsFrom)]
  return [...direct, ...beyond.filter((one) => !isBack(one) && isSeveral(book, one.way))]
}

const linkIn = (book: Book, hop: Hop): string => (hop.to === 'rows' ? hop.link : linkOf(book, hop.field).id)
