/** Plain JSON, the only stuff a book and its steps are made of. */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json }

/** Tells whether two JSON values say the same, whatever the order of their keys. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) !== Array.isArray(b)) return false
  const left = definedEntries(a)
  const right = definedEntries(b)
  if (left.length !== right.length) return false
  const other = new Map(right)
  return left.every(([key, value]) => other.has(key) && sameJson(value, other.get(key)))
}

const definedEntries = (value: object) =>
  Object.entries(value).filter((entry) => entry[1] !== undefined) as [string, unknown][]
