import type { Field, FormPart } from '../book'
import { kindOf } from '../kinds'
import type { Inset } from '../records'

/** The fields of inset rows that a form shows, in its order; all that people see where it names none. */
export function rowColumns(inset: Inset, { columns }: Extract<FormPart, { kind: 'rows' }>): readonly Field[] {
  const all = inset.fields.filter((field) => kindOf(field.kind).control !== 'given')
  if (!columns) return all
  const chosen = columns.flatMap((id) => all.filter((field) => field.id === id))
  return chosen.length > 0 ? chosen : all
}
