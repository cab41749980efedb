import { type Book, type Edit, applyEdit, sayEdit } from '@/core/book'

/** What a row of edits will do, each told of the book as the ones before it leave it. */
export function sayEdits(book: Book, edits: readonly Edit[]): string[] {
  let current = book
  return edits.map((edit) => {
    const words = sayEdit(current, edit)
    const made = applyEdit(current, edit)
    if (made.ok) current = made.value.book
    return words
  })
}
