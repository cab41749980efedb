import { type Book, type Field, type Form, tableOf } from '../book'
import type { Now } from '../kinds'
import { readTyped } from '../records'
import type { Problem } from '../words'

/** What a form's new records start with that can't be read, field by field. */
export function startFaults(
  book: Book,
  { table: id, starts = {} }: Pick<Form, 'table' | 'starts'>,
  now: Now,
): readonly { readonly field: Field; readonly problem: Problem }[] {
  const table = tableOf(book, id)
  return table.fields.flatMap((field) => {
    // A blank one only says that there is nothing to start with.
    const typed = starts[field.id]?.trim()
    const read = typed ? readTyped(book, table, field, typed, now) : undefined
    return read && !read.ok ? [{ field, problem: read.problem }] : []
  })
}
