import type { Book, Field, Link, Need, Table } from './book'
import type { Form } from './form'
import type { List } from './list'
import type { Report } from './report'
import type { Template } from './template'
import { oncePer } from '../words'

const tablesById = oncePer((tables: Book['tables']) => new Map(tables.map((table) => [table.id, table])))

export const findTable = (book: Book, id: string): Table | undefined => tablesById(book.tables).get(id)

export function tableOf(book: Book, id: string): Table {
  const table = findTable(book, id)
  if (!table) throw new Error(`Expected a table ${id} in the book.`)
  return table
}

export const findNeed = (book: Book, id: string): Need | undefined => book.needs.find((need) => need.id === id)
export const findReport = (book: Book, id: string): Report | undefined =>
  book.reports.find((report) => report.id === id)
export const findTemplate = (book: Book, id: string): Template | undefined =>
  book.templates.find((template) => template.id === id)
export const findForm = (book: Book, id: string): Form | undefined => book.forms.find((form) => form.id === id)
export const findList = (book: Book, id: string): List | undefined => book.lists.find((list) => list.id === id)
export const findLink = (book: Book, id: string): Link | undefined => book.links.find((link) => link.id === id)

export function linkWith(book: Book, id: string): Link {
  const link = findLink(book, id)
  if (!link) throw new Error(`Expected a link ${id} in the book.`)
  return link
}

interface FoundField {
  readonly table: Table
  readonly field: Field
}

const fieldsById = oncePer(
  (book: Book) =>
    new Map(
      book.tables.flatMap((table) => table.fields.map((field): [string, FoundField] => [field.id, { table, field }])),
    ),
)

export const findField = (book: Book, id: string): FoundField | undefined => fieldsById(book).get(id)

/** A field that is known to be there, with its table. */
export function fieldWith(book: Book, id: string): FoundField {
  const found = findField(book, id)
  if (!found) throw new Error(`Expected a field ${id} in the book.`)
  return found
}

export function fieldOf(table: Table, id: string): Field {
  const field = table.fields.find((candidate) => candidate.id === id)
  if (!field) throw new Error(`Expected a field ${id} in ${table.name}.`)
  return field
}

/** The link that a link field carries. */
export function linkOf(book: Book, fieldId: string): Link {
  const link = book.links.find((candidate) => candidate.field === fieldId)
  if (!link) throw new Error(`Expected a link behind the field ${fieldId}.`)
  return link
}

/** Links whose rows hang on this table's records. */
export const linksTo = (book: Book, tableId: string) => book.links.filter((link) => link.one === tableId)
/** Links that this table's own fields carry. */
export const linksFrom = (book: Book, tableId: string) => book.links.filter((link) => link.many === tableId)

/** All links between two tables, whichever way; a joining table's two links don't count as one. */
export const linksBetween = (book: Book, a: string, b: string) =>
  book.links.filter((link) => (link.one === a && link.many === b) || (link.one === b && link.many === a))

/** Joining tables that tie the two. */
export const joiningBetween = (book: Book, a: string, b: string) =>
  book.tables.filter((table) => {
    const ends = joinedBy(book, table)
    return ends !== undefined && ends.includes(a) && ends.includes(b) && (a !== b || ends[0] === ends[1])
  })

/** The two tables that a joining table ties; undefined for any other. */
export function joinedBy(book: Book, table: Table): readonly [string, string] | undefined {
  if (table.role !== 'joining') return undefined
  const [one, other, ...more] = table.key.map((id) => book.links.find((link) => link.field === id)?.one)
  return one !== undefined && other !== undefined && more.length === 0 ? [one, other] : undefined
}

export const findRule = (book: Book, id: string) => book.rules.find((rule) => rule.id === id)

/** "Visit" or "Visit → Booked for", for sentences about a part. */
export function partName(book: Book, id: string): string {
  const table = findTable(book, id)
  if (table) return table.name
  const found = findField(book, id)
  if (found) return `${found.table.name} → ${found.field.name}`
  const link = findLink(book, id)
  if (link) return `${tableOf(book, link.one).name} and ${tableOf(book, link.many).name}`
  const rule = findRule(book, id)
  return rule ? `The rule “${rule.words}”` : 'something removed'
}
