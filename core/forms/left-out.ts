import { type Book, type Field, type Form, type FormLines, linkOf, mustHold, type Table, tableOf } from '../book'
import { isTyped, kindOf } from '../kinds'
import { formLayout, type Inset } from '../records'
import { inSentence, listed, plural } from '../words'
import { partsInOrder } from './place-part'
import { rowColumns } from './row-columns'

export interface LeftOut {
  readonly id: string
  readonly name: string
  readonly kind: 'field' | 'rows'
  /** What leaving it out costs, in a sentence. */
  readonly cost: string
  /** New records can't be saved so. */
  readonly stops: boolean
}

type Cost = Pick<LeftOut, 'cost' | 'stops'>
/** What a new record starts with on the form, beyond what its table says. */
type Starts = NonNullable<Form['starts']>

/** The fields and rows of a table that a form doesn't have, and what each of them costs. */
export function leftOut(book: Book, tableId: string, lines: FormLines, starts: Starts = {}): readonly LeftOut[] {
  const { rows, insets, foot } = formLayout(book, tableId)
  const there = onForm(lines)
  const fields = [...rows.flat().map(({ field }) => field), ...foot].filter(({ id }) => !there.has(id))
  return [
    ...fields.map((field) => ({
      ...{ id: field.id, name: field.name, kind: 'field' as const },
      ...fieldCost(book, tableOf(book, tableId), field, starts),
    })),
    ...insets
      .filter(({ link }) => !there.has(link.id))
      .map((inset) => ({
        ...{ id: inset.link.id, name: plural(inset.table.name), kind: 'rows' as const },
        ...rowsCost(book, inset),
      })),
  ]
}

/** What stands on a form: fields, also as sums, and the links of rows. */
export const onForm = (lines: FormLines): ReadonlySet<string> =>
  new Set(partsInOrder(lines).flatMap((part) => (part.kind === 'totals' ? part.fields : [part.id])))

/** Whether nobody can save a new record without filling a field. */
export const isWanted = (table: Table, field: Field): boolean =>
  isTyped(field) &&
  mustHold(table, field) &&
  field.startsAs === undefined &&
  !['tick', 'given'].includes(kindOf(field.kind).control)

function fieldCost(book: Book, table: Table, field: Field, starts: Starts): Cost {
  if (!isTyped(field)) return { cost: `${field.name} isn’t seen here.`, stops: false }
  if (!isWanted(table, field) || starts[field.id]?.trim())
    return { cost: `Staff can’t fill ${field.name} here.`, stops: false }
  const noun = inSentence(table.name)
  // Begun from the record that it is linked to, it has that link already.
  const who =
    field.kind === 'link'
      ? `A new ${noun} can be saved only where it is begun from its ${inSentence(tableOf(book, linkOf(book, field.id).one).name)}`
      : `No new ${noun} can be saved`
  return { cost: `${who}: ${field.name} must be filled.`, stops: true }
}

function rowsCost(book: Book, { link, table }: Inset): Cost {
  const one = inSentence(tableOf(book, link.one).name)
  return link.least === 1
    ? { cost: `No new ${one} can be saved: it needs at least one ${inSentence(table.name)}.`, stops: true }
    : { cost: `Staff can’t add ${inSentence(plural(table.name))} here.`, stops: false }
}

/** What it costs that rows don't show some of their columns: no new one can be saved without what must be filled. */
export function columnsCost(inset: Inset, part: Parameters<typeof rowColumns>[1]): string | undefined {
  const shown = rowColumns(inset, part)
  const missing = inset.fields.filter((field) => isWanted(inset.table, field) && !shown.includes(field))
  if (missing.length === 0) return undefined
  const names = listed(missing.map(({ name }) => name))
  return `No new ${inSentence(inset.table.name)} can be saved: ${names} must be filled.`
}
