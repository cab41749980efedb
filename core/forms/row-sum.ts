import type { Book, Field } from '../book'
import { displayOf } from '../expressions'
import { fromExact, mostScale, toExact, type Value } from '../kinds'

const summed: readonly string[] = ['whole', 'exact', 'money']

/** Whether the values of a field can be added up so that people who add them up get the same. */
export const canSum = (book: Book, field: Field): boolean => summed.includes(displayOf(book, field).kind)

/**
 * What values come to, exactly, with as many decimals as they have; blanks count for nothing. Undefined where one of
 * them isn't known yet: what the others come to would be taken for the whole.
 */
export function rowSum(values: readonly (Value | undefined)[]): string | undefined {
  if (values.includes(undefined)) return undefined
  const numbers = values.filter((value): value is string => typeof value === 'string' && value !== '')
  const decimals = Math.max(0, ...numbers.map((number) => number.split('.')[1]?.length ?? 0))
  const sum = numbers.reduce((so, number) => so + toExact(number, mostScale), 0n)
  return fromExact(sum / 10n ** BigInt(mostScale - decimals), decimals)
}
