import type { Field } from '../book'
import { kindOf, type Look } from '../kinds'
import type { Exact } from './numbers'

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

export type TypeName = Type['is']

/** "a number", for sentences about what is wanted or found. */
export const typeWords: Record<TypeName, string> = {
  exact: 'a number',
  measured: 'a measured number',
  text: 'text',
  date: 'a date',
  time: 'a time',
  moment: 'a date with time',
  truth: 'yes or no',
  nothing: 'nothing',
}

/** The type of a field's values, or nothing where it has none to reckon with. */
export function typeOfField(field: Field, look: Look): Type | undefined {
  const sql = kindOf(field.kind).sqlType(field, look)
  const sizes = /DECIMAL\((\d+),(\d+)\)/.exec(sql)
  if (sizes) return { is: 'exact', whole: Number(sizes[1]) - Number(sizes[2]), scale: Number(sizes[2]) }
  if (field.kind === 'tick') return { is: 'truth' }
  if (sql.startsWith('TINYINT')) return { is: 'exact', whole: 3, scale: 0 }
  if (sql.startsWith('BIGINT')) return { is: 'exact', whole: 20, scale: 0 }
  if (sql.startsWith('INT')) return { is: 'exact', whole: 10, scale: 0 }
  if (sql.startsWith('DOUBLE')) return { is: 'measured' }
  if (field.kind === 'date') return { is: 'date' }
  if (field.kind === 'time') return { is: 'time' }
  if (field.kind === 'dateTime') return { is: 'moment' }
  if (sql.startsWith('VARCHAR') || sql.includes('TEXT')) return { is: 'text' }
  return undefined
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
