import type { Book, Form } from '../book'

/** The forms of a table that somebody of a role uses, in their order; none where the program lays it out. */
export const formsFor = (book: Book, tableId: string, role: NonNullable<Form['for']>[number]): readonly Form[] =>
  book.forms.filter((form) => form.table === tableId && (form.for === undefined || form.for.includes(role)))
