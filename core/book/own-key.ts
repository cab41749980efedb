import type { Book, Table } from './book'
import { type Edit } from './edits'
import { freeName, numberName } from './edits/edit-kind'
import { linksFrom, linksTo, tableOf } from './find'

/** The edits that give a table a running number and make it the key. */
export function numberAsKey(table: Table, freshId: () => string): Edit[] {
  const id = freshId()
  const name = freeName(numberName(table.name), table.fields)
  return [
    { kind: 'addField', table: table.id, id, name, holds: 'running', before: table.fields[0]?.id ?? null },
    { kind: 'setKey', table: table.id, fields: [id] },
  ]
}

/**
 * The edits that make the two links of a table its key in place of the number it was given; undefined
 * where it hasn't two, or where something leads to it by that number.
 */
export function pairAsKey(book: Book, table: Table): Edit[] | undefined {
  const number = table.key.length === 1 ? table.fields.find((field) => field.id === table.key[0]) : undefined
  const links = linksFrom(book, table.id).filter(
    (link) => link.one !== table.id && tableOf(book, link.one).role !== 'word-list',
  )
  if (number?.kind !== 'running' || links.length !== 2 || linksTo(book, table.id).length > 0) return undefined
  return [
    { kind: 'setKey', table: table.id, fields: links.map((link) => link.field) },
    { kind: 'removeField', field: number.id },
  ]
}
