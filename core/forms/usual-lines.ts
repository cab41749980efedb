import type { Book, FormLines, FormPart } from '../book'
import { formLayout, type PlacedField } from '../records'
import { oncePerPart } from '../words'
import { formColumns } from '../book'

/** What the sums at the foot of a form go by where the program lays it out. */
export const usualTotals = 'totals'

export const fieldPart = ({ field, span }: PlacedField): FormPart => ({ kind: 'field', id: field.id, span })
export const rowsPart = (link: string): FormPart => ({ kind: 'rows', id: link, span: formColumns })
export const totalsPart = (id: string, fields: readonly string[]): FormPart => ({
  kind: 'totals',
  id,
  span: 5,
  gap: 7,
  fields,
})

/** A table's form as the program lays it out: its boxes, then the rows in it, then what they come to. */
export const usualLines: (book: Book, tableId: string) => FormLines = oncePerPart((book: Book, tableId: string) => {
  const { rows, insets, foot } = formLayout(book, tableId)
  return [
    ...rows.map((row) => row.map(fieldPart)),
    ...insets.map(({ link }) => [rowsPart(link.id)]),
    ...(foot.length > 0
      ? [
          [
            totalsPart(
              usualTotals,
              foot.map(({ id }) => id),
            ),
          ],
        ]
      : []),
  ]
})
