import pluralize from 'pluralize'
import { irregularPlurals } from './irregular'

/** @example singular('premises') // => 'premises' @example singular('ponies') // => 'pony' */
export function singular(noun: string): string {
  const lower = noun.toLowerCase()
  const known = Object.hasOwn(irregularPlurals, lower) ? irregularPlurals[lower] : undefined
  if (known) return known
  if (lower.length < 4 || !lower.endsWith('s') || /(ss|us|is)$/.test(lower)) return lower
  return pluralize.singular(lower)
}

export const isPlural = (noun: string): boolean => {
  const lower = noun.toLowerCase()
  return singular(lower) !== lower
}
