import {
  type Book,
  findField,
  type Form,
  type FormLines,
  type FormPart,
  linkOf,
  type PlainPart,
  tableOf,
} from '../book'
import { formLayout, type Inset, inRows } from '../records'
import { oncePerPart } from '../words'
import { changePart } from './change-part'
import { partsInOrder } from './place-part'
import { fieldPart, rowsPart, totalsPart, usualLines, usualTotals } from './usual-lines'

/**
 * The lines in which a record of a table is typed. Of a form that was arranged: what its table no longer has is out of
 * it, and what was added since stands on it where the program would put it.
 */
export const shownLines = (book: Book, tableId: string, form?: Form): FormLines =>
  form ? fittedLines(book, form) : usualLines(book, tableId)

const fittedLines: (book: Book, form: Form) => FormLines = oncePerPart((book: Book, form: Form) =>
  withNew(book, form, withoutGone(book, form)),
)

/** The field that a part shows of a linked record; undefined where one of them is gone. */
export function linkedField(book: Book, tableId: string, part: Extract<FormPart, { kind: 'linked' }>) {
  const link = tableOf(book, tableId).fields.find(({ id, kind }) => id === part.link && kind === 'link')
  const found = findField(book, part.field)
  return link && found?.table.id === linkOf(book, link.id).one ? { link, field: found.field } : undefined
}

function withoutGone(book: Book, form: Form): FormLines {
  const { rows, insets, foot } = formLayout(book, form.table)
  const boxes = new Set([...rows.flat().map(({ field }) => field.id), ...foot.map(({ id }) => id)])
  const stays = (part: PlainPart): PlainPart[] => {
    switch (part.kind) {
      case 'field':
        return boxes.has(part.id) ? [part] : []
      case 'rows': {
        const inset = insets.find(({ link }) => link.id === part.id)
        return inset ? [withRowsOf(part, inset)] : []
      }
      case 'totals': {
        const fields = part.fields.filter((id) => boxes.has(id))
        return fields.length > 0 ? [{ ...part, fields }] : []
      }
      case 'linked':
        return linkedField(book, form.table, part) ? [part] : []
      case 'words':
      case 'line':
        return [part]
    }
  }
  const filled = <Part>(lines: readonly (readonly Part[])[]) => lines.filter((line) => line.length > 0)
  return filled(
    form.lines.map((line) =>
      line.flatMap((part): FormPart[] =>
        part.kind === 'group'
          ? [{ ...part, lines: filled(part.lines.map((within) => within.flatMap(stays))) }]
          : stays(part),
      ),
    ),
  )
}

/** Rows with the columns and sums that their table still has; with all of them where none of those is left. */
function withRowsOf(part: Extract<FormPart, { kind: 'rows' }>, { fields }: Inset): typeof part {
  const { columns, sums, ...rest } = part
  const there = (ids: readonly string[] | undefined) => ids?.filter((id) => fields.some((field) => field.id === id))
  const [left, summed] = [there(columns), there(sums)]
  return { ...rest, ...(left?.length && { columns: left }), ...(summed?.length && { sums: summed }) }
}

function withNew(book: Book, form: Form, lines: FormLines): FormLines {
  const { rows, insets, foot } = formLayout(book, form.table)
  const said = new Set([
    ...form.without,
    ...partsInOrder(lines).flatMap((part) => (part.kind === 'totals' ? [part.id, ...part.fields] : [part.id])),
  ])
  const boxes = inRows(rows.flat().filter(({ field }) => !said.has(field.id))).map((row) => row.map(fieldPart))
  const inset = insets.filter(({ link }) => !said.has(link.id)).map(({ link }) => [rowsPart(link.id)])
  const sums = foot.map(({ id }) => id).filter((id) => !said.has(id))
  const firstOf = (...kinds: readonly FormPart['kind'][]) => {
    const at = lines.findIndex((line) => line.some(({ kind }) => kinds.includes(kind)))
    return at < 0 ? lines.length : at
  }
  const [toRows, toTotals] = [firstOf('rows', 'totals'), firstOf('totals')]
  const all = [
    ...lines.slice(0, toRows),
    ...boxes,
    ...lines.slice(toRows, toTotals),
    ...inset,
    ...lines.slice(toTotals),
  ]
  return sums.length > 0 ? withSums(all, sums) : all
}

/** Sums go to those that stand there already. */
function withSums(lines: FormLines, sums: readonly string[]): FormLines {
  const totals = partsInOrder(lines).find((part) => part.kind === 'totals')
  return totals?.kind === 'totals'
    ? changePart(lines, totals.id, { fields: [...totals.fields, ...sums] })
    : [...lines, [totalsPart(usualTotals, sums)]]
}
