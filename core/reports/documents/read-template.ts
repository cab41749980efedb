import {
  blocksIn,
  type Book,
  type Column,
  findTable,
  type Hop,
  type Inline,
  linkWith,
  linesIn,
  linesOfMail,
  type List,
  type Place,
  type RowsBlock,
  type Table,
  tableOf,
  type Template,
  type Way,
} from '../../book'
import { type Answers, endOf, type ListFault, readList, type ReadColumn, type ReadList } from '../../lists'
import type { Problem } from '../../words'
import { paperColumns } from '../columns'
import { measuresOf } from '../layout/measures'
import type { PaperColumn } from '../table'

/** The rows of a document, as a list of their own table. */
export interface ReadRows {
  readonly block: RowsBlock
  readonly list: List
  readonly read: ReadList
  readonly columns: readonly PaperColumn[]
  /** The field that leads from a row to the document's record. */
  readonly parent: Place
}

/** A document that can be written: everything that it speaks of is there. */
export interface ReadTemplate {
  readonly template: Template
  readonly table: Table
  /** What its text takes from each record, as a list. */
  readonly list: List
  readonly columns: ReadonlyMap<string, ReadColumn>
  readonly rows: ReadonlyMap<string, ReadRows>
  /** For what stands only under a condition, the list of the records that meet it. */
  readonly only: ReadonlyMap<string, List>
}

/** What is wrong in a document, and where: in a column of its text, in rows, in a condition. */
export interface TemplateFault {
  readonly at: string
  readonly part: 'column' | 'rows' | 'only' | 'document'
  readonly problem: Problem
}

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

const listOf = (id: string, table: Table, more: Partial<List>): List => ({
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
  const parent = end && block.way.length > 0 ? parentPlace(book, block.way) : undefined
  if (!end || !parent) return undefined
  const of: Column = { id: parentColumn, shows: { kind: 'field', place: parent } }
  const { columns, where, order, figures } = block
  return listOf(block.id, end, {
    columns: [...columns, of],
    order,
    ...(where && { where }),
    ...(figures && { figures }),
  })
}

/** The columns that a document's text uses, and its e-mail. */
const usedIn = ({ blocks, mail }: Template): ReadonlySet<string> =>
  new Set([
    ...blocksIn(blocks).flatMap((block) =>
      block.kind === 'fields' ? block.columns : block.kind === 'code' ? [block.column] : chipsIn(linesIn(block)),
    ),
    ...(mail ? [mail.to, ...chipsIn(linesOfMail(mail))] : []),
  ])

const chipsIn = (lines: readonly (readonly Inline[])[]): string[] =>
  lines.flatMap((line) => line.flatMap((part) => (part.kind === 'field' ? [part.column] : [])))

/** Reads a document against a book: what it speaks of may have gone by now. */
export function readTemplate(
  book: Book,
  template: Template,
  answers: Answers,
): { readonly read: ReadTemplate; readonly faults: readonly [] } | { readonly faults: readonly TemplateFault[] } {
  const table = findTable(book, template.table)
  if (!table) return { faults: [{ at: template.id, part: 'document', problem: { kind: 'gone', what: 'table' } }] }
  const faults: TemplateFault[] = []
  const note: Note = (part, at, found) => void faults.push(...found.map(({ problem }) => ({ at, part, problem })))
  const used = usedIn(template)
  const own = template.columns.filter(({ id }) => used.has(id))
  const list = listOf(template.id, table, own.length > 0 ? { columns: own } : {})
  const found = readList(book, list, answers)
  for (const fault of found.faults) note('column', 'id' in fault.at ? fault.at.id : '', [fault])
  for (const { id, shows, heading } of own) if (shows.kind === 'along') note('column', id, [alongFault(id, heading)])
  const lying = labelProblem(template)
  if (lying) faults.push({ at: template.id, part: 'document', problem: lying })
  const known = new Set(template.columns.map(({ id }) => id))
  for (const id of used)
    if (!known.has(id)) faults.push({ at: id, part: 'column', problem: { kind: 'list-field-gone', table: table.name } })
  const { rows, only } = readBlocks(book, template, table, answers, note)
  if (!('read' in found) || faults.length > 0) return { faults }
  const columns = new Map(found.read.columns.map((column) => [column.id, column]))
  return { read: { template, table, list, columns, rows, only }, faults: [] }
}

type Note = (part: TemplateFault['part'], at: string, found: readonly ListFault[]) => void

/** The rows and conditions of a document; what is wrong with one is noted. */
function readBlocks(book: Book, template: Template, table: Table, answers: Answers, note: Note) {
  const rows = new Map<string, ReadRows>()
  const only = new Map<string, List>()
  for (const block of blocksIn(template.blocks)) {
    if (block.kind === 'only') {
      const asked = listOf(block.id, table, { where: block.when })
      note('only', block.id, readList(book, asked, answers).faults)
      only.set(block.id, asked)
    }
    if (block.kind === 'rows') {
      const one = readRows(book, template, block, answers)
      if ('faults' in one) note('rows', block.id, one.faults)
      else rows.set(block.id, one)
    }
  }
  return { rows, only }
}

function readRows(
  book: Book,
  { table }: Template,
  block: RowsBlock,
  answers: Answers,
): ReadRows | { readonly faults: readonly ListFault[] } {
  const list = hasWay(book, table, block.way) ? rowsList(book, table, block) : undefined
  const parent = list && parentPlace(book, block.way)
  if (!list || !parent) return { faults: [{ at: { part: 'column', id: '' }, problem: { kind: 'document-rows-way' } }] }
  const alongs = block.columns.filter(({ shows }) => shows.kind === 'along')
  if (alongs.length > 0) return { faults: alongs.map(({ id, heading }) => alongFault(id, heading)) }
  const found = readList(book, list, answers)
  if (!('read' in found)) return { faults: found.faults }
  const shown = found.read.columns.flatMap(({ id }, at) => (id === parentColumn ? [] : [at]))
  return { block, list, read: found.read, columns: paperColumns(book, found.read, shown), parent }
}

const hasWay = (book: Book, table: string, way: Way): boolean => endOf(book, table, way) !== undefined

/** Among all others nothing can be told where there is one. */
const alongFault = (id: string, heading: string | undefined): ListFault => ({
  at: { part: 'column', id },
  problem: { kind: 'document-along', column: heading ?? 'A column' },
})

/** So much further a sheet may reach than is measured, in millimetres. */
const slack = 1

/** What is wrong with how labels lie on their paper. */
function labelProblem({ labels, paper, letters }: Template): Problem | undefined {
  if (!labels) return undefined
  const { across, down, width, height, left, top, stepAcross, stepDown } = labels
  const { page } = measuresOf({ paper, letters, room: 'usual' })
  const millimetres = (points: number) => (points * 25.4) / 72
  const right = left + (across - 1) * stepAcross + width
  const foot = top + (down - 1) * stepDown + height
  if (right > millimetres(page.width) + slack || foot > millimetres(page.height) + slack)
    return { kind: 'document-labels', what: 'beyond' }
  const isOver = (across > 1 && stepAcross < width) || (down > 1 && stepDown < height)
  return isOver ? { kind: 'document-labels', what: 'over' } : undefined
}

/** What rows a record has: links that lead to several, and what hangs on those in turn. */
export function rowWays(book: Book, tableId: string): { readonly way: Way; readonly end: Table }[] {
  const from = (table: string) =>
    book.links
      .filter(({ one, many }) => one === table && many !== table)
      .map((link) => ({ way: [{ to: 'rows' as const, link: link.id }], end: tableOf(book, link.many) }))
  return from(tableId).flatMap((first) => [
    first,
    ...from(first.end.id).map(({ way, end }) => ({ way: [...first.way, ...way], end })),
  ])
}
