import { irregularPlurals } from './irregular'

/** @example singular('premises') // => 'premises' @example singular('ponies') // => 'pony' */
export function singular(noun: string): string {
  const lower = noun.toLowerCase()
  const known = Object.hasOwn(irregularPlurals, lower) ? irregularPlurals[lower] : undefined
  if (known) return known
  if (lower.length < 4 || !lower.endsWith('s') || /(ss|us|is)$/.test(lower)) return lower
  if (/[^aeiou]ies$/.test(lower)) return `${lower.slice(0, -3)}y`
  if (/(x|ch|sh|ss|zz)es$/.test(lower)) return lower.slice(0, -2)
  return lower.slice(0, -1)
}

export const isPlural = (noun: string): boolean => {
  const lower = noun.toLowerCase()
  return singular(lower) !== lower
}
