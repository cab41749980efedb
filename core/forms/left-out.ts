import { type Book, type Field, type FormLines, mustHold, tableOf } from '../book'
import { isTyped, kindOf } from '../kinds'
import { formLayout, type Inset } from '../records'
import { inSentence, plural } from '../words'
import { partsInOrder } from './place-part'

export interface LeftOut {
  readonly id: string
  readonly name: string
  readonly kind: 'field' | 'rows'
  /** What leaving it out costs, in a sentence. */
  readonly cost: string
  /** No new record can be saved so. */
  readonly stops: boolean
}

/** The fields and rows of a table that a form doesn't have, and what each of them costs. */
export function leftOut(book: Book, tableId: string, lines: FormLines): readonly LeftOut[] {
  const { rows, insets, foot } = formLayout(book, tableId)
  const there = onForm(lines)
  const fields = [...rows.flat().map(({ field }) => field), ...foot].filter(({ id }) => !there.has(id))
  return [
    ...fields.map((field) => ({
      id: field.id,
      name: field.name,
      kind: 'field' as const,
      ...fieldCost(book, tableId, field),
    })),
    ...insets
      .filter(({ link }) => !there.has(link.id))
      .map((inset) => ({
        id: inset.link.id,
        name: plural(inset.table.name),
        kind: 'rows' as const,
        ...rowsCost(book, inset),
      })),
  ]
}

/** What stands on a form: fields, also as sums, and the links of rows. */
export const onForm = (lines: FormLines): ReadonlySet<string> =>
  new Set(partsInOrder(lines).flatMap((part) => (part.kind === 'totals' ? part.fields : [part.id])))

function fieldCost(book: Book, tableId: string, field: Field): Pick<LeftOut, 'cost' | 'stops'> {
  const table = tableOf(book, tableId)
  if (!isTyped(field)) return { cost: `${field.name} isn’t seen.`, stops: false }
  const starts = field.startsAs !== undefined || kindOf(field.kind).control === 'tick'
  return mustHold(table, field) && !starts
    ? { cost: `No new ${inSentence(table.name)} can be saved: ${field.name} must be filled.`, stops: true }
    : { cost: `Staff can’t fill ${field.name}.`, stops: false }
}

function rowsCost(book: Book, { link, table }: Inset): Pick<LeftOut, 'cost' | 'stops'> {
  const one = inSentence(tableOf(book, link.one).name)
  return link.least === 1
    ? { cost: `No new ${one} can be saved: it needs at least one ${inSentence(table.name)}.`, stops: true }
    : { cost: `Staff can’t add ${inSentence(plural(table.name))} here.`, stops: false }
}
