import type { Field } from '../../book'
import { capital, listed } from '../../words'
import { rowsOf } from '../mends'
import type { TablePiece } from '../piece'

const baseOf = (field: Field) =>
  field.name
    .replace(/[ _-]?\d{1,2}$/, '')
    .trim()
    .toLowerCase()

const numbered = /\d$/

/** Phone 1, Phone 2, Phone 3: there is always a fourth, and no search finds all. */
export const repeatingGroup: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const groups = new Map<string, Field[]>()
    for (const field of table.fields) {
      const base = numbered.test(field.name) && /^(.*\D)[ _-]?\d{1,2}$/.exec(field.name)?.[1]?.trim().toLowerCase()
      if (!base) continue
      const group = groups.get(base)
      if (group) group.push(field)
      else groups.set(base, [field])
    }
    return [...groups.values()]
      .map((fields) => [...fields, ...table.fields.filter((field) => field.name.toLowerCase() === baseOf(fields[0]!))])
      .filter(
        (fields) =>
          fields.length > 1 && fields.every((field) => field.kind === fields[0]!.kind && field.kind !== 'link'),
      )
      .map((fields) => ({
        about: fields[0]!.id,
        head: `${table.name} repeats ${listed(fields.map((field) => field.name))}`,
        text: 'There is always one more than there are boxes, and no search finds them all. Rows of their own have no end.',
        mends: [
          {
            say: 'Give them rows of their own',
            edits: (freshId: () => string) =>
              rowsOf(table, { ...fields[0]!, name: capital(baseOf(fields[0]!)) }, freshId, fields),
          },
        ],
      }))
  },
}
