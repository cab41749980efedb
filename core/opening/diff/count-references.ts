import { type Book, type Link, fieldWith } from '../../book'
import { quoteName } from '../../names'
import type { Problem } from '../../words'
import { physicalNames } from '../../physical'
import type { LiveCheckQuestion } from '../steps'

/** Counts the records that lead somewhere through a link of the book as it was opened. */
export function countReferences(
  before: Book,
  link: Link,
  blocked: (table: string, field: string, count: number) => Problem,
): LiveCheckQuestion {
  const { table, field } = fieldWith(before, link.field)
  const names = physicalNames(before)
  const [column] = names.columns(link.many, link.field)
  return {
    sql: `SELECT COUNT(*) AS count FROM ${quoteName(names.table(link.many))} WHERE ${quoteName(column!.name)} IS NOT NULL`,
    blocked: (count) => blocked(table.name, field.name, count),
  }
}
