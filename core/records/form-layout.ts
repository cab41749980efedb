import { type Book, type Field, fieldOf, type Link, linksFrom, linksTo, type Table, tableOf } from '../book'
import { allNodesOf, derivedOf, displayOf } from '../expressions'
import { isDerived, kindOf } from '../kinds'
import { isPartOf } from '../rules'
import { oncePerPart } from '../words'

/** Inset rows beyond these are not shown in a form; a list shows them all. */
export const insetLimit = 300

export interface PlacedField {
  readonly field: Field
  /** Of twelve columns. */
  readonly span: number
}

export interface Inset {
  readonly link: Link
  readonly table: Table
  /** The fields shown as columns: all but the link back. */
  readonly fields: readonly Field[]
  /** One row at most. */
  readonly single: boolean
}

export interface FormLayout {
  readonly rows: readonly (readonly PlacedField[])[]
  readonly insets: readonly Inset[]
  /** Below the insets, as on a bill: what is gathered from rows, and what is worked out from that. */
  readonly foot: readonly Field[]
  /** Links whose rows stand elsewhere and are only counted here. */
  readonly elsewhere: readonly Link[]
}

/** Lays a form out by itself: short fields side by side, passages wide, what belongs to the record inset. */
export const formLayout: (book: Book, tableId: string) => FormLayout = oncePerPart(layOut)

function layOut(book: Book, tableId: string): FormLayout {
  const table = tableOf(book, tableId)
  const shown = table.fields.filter((field) => kindOf(field.kind).control !== 'given')
  const links = linksTo(book, tableId).filter((link) => link.many !== tableId)
  const placed = (field: Field): PlacedField => ({ field, span: spanOf(displayOf(book, field)) })
  // What a record can't be without is entered with it, wherever else it has a page.
  const isInset = (link: Link) => isPartOf(book, link) || link.least === 1
  return {
    rows: inRows(shown.filter((field) => !isSum(book, field)).map(placed)),
    foot: shown.filter((field) => isSum(book, field)),
    insets: links.filter(isInset).map((link) => insetFor(book, link)),
    elsewhere: links.filter((link) => !isInset(link)),
  }
}

/** Whether a field tells of the rows that hang on the record. */
function isSum(book: Book, field: Field): boolean {
  const made = isDerived(field) ? derivedOf(book, field.id) : undefined
  return made !== undefined && 'tree' in made && allNodesOf(book, made.tree).some((node) => node.kind === 'aggregate')
}

const spanOf = (face: Field) => kindOf(face.kind).span(face)

function insetFor(book: Book, link: Link): Inset {
  const table = tableOf(book, link.many)
  return {
    link,
    table,
    fields: table.fields.filter((field) => field.id !== link.field),
    single: fieldOf(table, link.field).unique === true,
  }
}

/** Fills rows of twelve columns in order; what is left over in a row goes to the fields that can use it. */
export function inRows<Placed extends { readonly span: number }>(fields: readonly Placed[]): Placed[][] {
  const rows: Placed[][] = []
  let room = 0
  for (const placed of fields) {
    if (placed.span > room) {
      rows.push([])
      room = 12
    }
    rows.at(-1)!.push(placed)
    room -= placed.span
  }
  return rows.map(stretched)
}

/** A little room left over is shared out; a lone field, or a row half empty, keeps its own size. */
function stretched<Placed extends { readonly span: number }>(row: Placed[]): Placed[] {
  const spare = 12 - row.reduce((sum, placed) => sum + placed.span, 0)
  if (spare === 0 || spare > 3 || row.length === 1) return row
  const widest = row.reduce((best, placed) => (placed.span > best.span ? placed : best))
  if (widest.span >= 6)
    return row.map((placed) => (placed === widest ? { ...placed, span: placed.span + spare } : placed))
  return row.map((placed, at) => ({
    ...placed,
    span: placed.span + Math.floor(spare / row.length) + (at < spare % row.length ? 1 : 0),
  }))
}

const isPart = (book: Book, table: Table) => linksFrom(book, table.id).some((link) => isPartOf(book, link))

/**
 * Tables that staff go to by themselves: all but joining tables and those only ever seen inset. A part that others are
 * linked to is looked for by itself too.
 */
export function shownTables(book: Book): { readonly main: Table[]; readonly lists: Table[] } {
  return {
    main: book.tables.filter(
      (table) => table.role === undefined && (!isPart(book, table) || linksTo(book, table.id).length > 0),
    ),
    lists: book.tables.filter((table) => table.role === 'word-list'),
  }
}
