import { kindOf } from '../kinds'
import type { Book, Field, Table } from './book'
import { findTable } from './find'

/** Why a field can't be part of its table's key, or nothing where it can. Completes "… because". */
export function keyHindrance(book: Book, table: Table, field: Field): string | undefined {
  const control = kindOf(field.kind).control
  if (control === 'derived') return 'it comes from other fields and changes with them'
  if (control === 'passage' || control === 'file' || control === 'tick' || field.kind === 'measured') {
    return `${kindOf(field.kind).title.toLowerCase()} can’t be the key of a record for good`
  }
  if (control !== 'link') return undefined
  const target = book.links.find((link) => link.field === field.id)?.one
  if (target && keyReaches(book, target, table.id)) return 'its own key would then depend on itself'
  return undefined
}

/** Whether the key of `from` leads, through link fields in keys, to `to`. */
function keyReaches(book: Book, from: string, to: string, seen = new Set<string>()): boolean {
  if (from === to) return true
  if (seen.has(from)) return false
  seen.add(from)
  const key = findTable(book, from)?.key ?? []
  return book.links.some((link) => key.includes(link.field) && keyReaches(book, link.one, to, seen))
}

/** Whether a field must hold something: because it is marked so, or is part of the key. */
export const mustHold = (table: Table, field: Field) => field.must === true || table.key.includes(field.id)

/** Whether a field's values are unique by themselves. */
export const isUnique = (table: Table, field: Field) =>
  field.unique === true || (table.key.length === 1 && table.key[0] === field.id)
