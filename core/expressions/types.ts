import type { Field } from '../book'
import { type ColumnType, type Exact, kindOf, type Look } from '../kinds'

/** What an expression gives. Every type may be NULL; `nothing` is NULL alone. */
export type Type =
  | ({ readonly is: 'exact' } & Exact)
  | { readonly is: 'measured' }
  | { readonly is: 'text' }
  | { readonly is: 'date' }
  | { readonly is: 'time' }
  | { readonly is: 'moment' }
  | { readonly is: 'truth' }
  | { readonly is: 'nothing' }

/** The type of a field's values, or nothing where it has none to compute with. */
export function typeOfField(field: Field, look: Look): Type | undefined {
  const column = kindOf(field.kind).columnType(field, look)
  return column && typeOfColumn(column)
}

const digitsOf = { 1: 3, 4: 10, 8: 20 } as const

function typeOfColumn(column: ColumnType): Type | undefined {
  switch (column.is) {
    case 'text':
    case 'longText':
      return { is: 'text' }
    case 'whole':
      return { is: 'exact', whole: digitsOf[column.bytes], scale: 0 }
    case 'fileHash':
      return undefined
    case 'exact':
    case 'measured':
    case 'truth':
    case 'date':
    case 'time':
    case 'moment':
      return column
  }
}

/** The one type that both fit, or nothing where there is none. */
export function joined(a: Type, b: Type): Type | undefined {
  if (a.is === 'nothing') return b
  if (b.is === 'nothing') return a
  if (a.is === 'exact' && b.is === 'exact')
    return { is: 'exact', whole: Math.max(a.whole, b.whole), scale: Math.max(a.scale, b.scale) }
  if (isNumber(a) && isNumber(b)) return { is: 'measured' }
  return a.is === b.is ? a : undefined
}

export const isNumber = (type: Type) => type.is === 'exact' || type.is === 'measured'
