import { type Book, type Field, findTable, type Table, type Template } from '../../book'
import { derivedOf, nodesOf } from '../../expressions'
import type { Now } from '../../kinds'
import type { Problem } from '../../words'

/** The fields in which it can be noted when a record was handed out: the days that are typed into it. */
export const notable = ({ fields }: Pick<Table, 'fields'>): Field[] =>
  fields.filter(({ kind }) => kind === 'date' || kind === 'dateTime')

/** Where it is noted when a document is handed out, what is wrong with that, or neither where it isn't. */
export function notedIn(
  book: Book,
  { table: id, handed }: Pick<Template, 'table' | 'handed'>,
): { readonly field?: Field; readonly problem?: Problem } {
  const table = findTable(book, id)
  if (!table || handed?.notes === undefined) return {}
  const field = notable(table).find((one) => one.id === handed.notes)
  return field ? { field } : { problem: { kind: 'document-notes-gone', table: table.name } }
}

/** The moment of handing out, as the field holds it. */
export const notedAs = ({ kind }: Pick<Field, 'kind'>, { moment }: Now): string =>
  kind === 'date' ? moment.slice(0, 10) : moment.slice(0, 16)

/** The values of a record that freeze by what is filled into one of its fields. */
export const frozenBy = (book: Book, { fields }: Pick<Table, 'fields'>, fieldId: string): Field[] =>
  fields.filter((field) => {
    const made = field.freezes === undefined ? undefined : derivedOf(book, field.id)
    return (
      made !== undefined &&
      'tree' in made &&
      made.freezes !== undefined &&
      nodesOf(made.freezes).some((node) => node.kind === 'fact' && node.field === fieldId)
    )
  })
