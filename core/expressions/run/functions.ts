import { datePart, type DateUnit, divideRounded, powerOfTen, toWhole } from '../../kinds'
import { simpleLower, simpleUpper } from './text'
import type { Problem } from '../../words'
import { isNumber, type Type } from '../types'

/** A value while computing: numbers are bigints at their type's scale, measured ones plain numbers, the rest canonical text. */
export type Computed = bigint | number | string | boolean | null

/** Which argument doesn't fit, by its place, and what is wrong with it. */
interface Unfit {
  readonly at: number
  readonly problem: (name: string) => Problem
}

/**
 * One thing for each argument. How many there are is looked at before (`least`, `most`), so a function reads as many as
 * it takes at least without asking again; one that takes a single one leaves the second alone.
 */
export type Args<Each> = readonly [first: Each, second: Each, ...more: Each[]]

export interface FunctionKind {
  /** How it is written, for the help and for messages. */
  readonly form: string
  readonly says: string
  readonly least: number
  readonly most: number
  /** What it gives for arguments of such types, or what is wrong with one, by its place. */
  readonly type: (args: Args<Type>, literals: readonly (string | undefined)[]) => Type | Unfit
  /** Computes with values none of which is NULL; COALESCE and the like are no functions of this kind. */
  readonly evaluate: (args: Args<Exclude<Computed, null>>, types: Args<Type>, given: Type) => Computed
}

const wants = (at: number, wanted: string, found: Type): Unfit => ({
  at,
  problem: (name) => ({ kind: 'function-needs', name, wanted, found: found.is }),
})
const text: Type = { is: 'text' }
const count: Type = { is: 'exact', whole: 10, scale: 0 }

const ofText = (given: Type) => (args: readonly Type[]) => {
  const at = args.findIndex((type) => type.is !== 'text')
  return at >= 0 ? wants(at, 'text', args[at]!) : given
}

const isWhole = (type: Type) => type.is === 'exact' && type.scale === 0
const scaleOf = (type: Type | undefined) => (type?.is === 'exact' ? type.scale : 0)

const extract = (unit: DateUnit): FunctionKind => ({
  form: `EXTRACT(${unit} FROM a)`,
  says: `the ${unit.toLowerCase()} of a date or a time`,
  least: 1,
  most: 1,
  type: ([of]) => {
    const dated = of.is === 'date' || of.is === 'moment'
    const timed = of.is === 'time' || of.is === 'moment'
    if (['YEAR', 'MONTH', 'DAY'].includes(unit) ? !dated : !timed)
      return wants(0, ['YEAR', 'MONTH', 'DAY'].includes(unit) ? 'a date' : 'a time', of)
    return { is: 'exact', whole: 4, scale: 0 }
  },
  evaluate: ([of]) => BigInt(datePart(of as string, unit)),
})

const letters = (value: Computed) => [...(value as string)]

const all = {
  UPPER: {
    form: 'UPPER(a)',
    says: 'a in capital letters',
    least: 1,
    most: 1,
    type: ofText(text),
    evaluate: ([a]) => simpleUpper(a as string),
  },
  LOWER: {
    form: 'LOWER(a)',
    says: 'a in small letters',
    least: 1,
    most: 1,
    type: ofText(text),
    evaluate: ([a]) => simpleLower(a as string),
  },
  TRIM: {
    form: 'TRIM(a)',
    says: 'a without spaces before and behind it',
    least: 1,
    most: 1,
    type: ofText(text),
    evaluate: ([a]) => (a as string).replace(/^ +| +$/g, ''),
  },
  CHAR_LENGTH: {
    form: 'CHAR_LENGTH(a)',
    says: 'how many characters a has',
    least: 1,
    most: 1,
    type: ofText(count),
    evaluate: ([a]) => BigInt(letters(a).length),
  },
  POSITION: {
    form: 'POSITION(a IN b)',
    says: 'where a first stands in b, counted from 1; 0 where it doesn’t',
    least: 2,
    most: 2,
    type: ofText(count),
    evaluate: ([a, b]) => {
      const at = (b as string).indexOf(a as string)
      return at < 0 ? 0n : BigInt([...(b as string).slice(0, at)].length + 1)
    },
  },
  SUBSTRING: {
    form: 'SUBSTRING(a FROM n FOR m)',
    says: 'the m characters of a from the n-th on; all that follow without FOR',
    least: 2,
    most: 3,
    type: (args) => {
      if (args[0].is !== 'text') return wants(0, 'text', args[0])
      const at = args.findIndex((type, place) => place > 0 && !isWhole(type))
      return at > 0 ? wants(at, 'a whole number', args[at]!) : text
    },
    evaluate: ([a, from, many]) => {
      const start = from as bigint
      const end = many === undefined ? undefined : start + (many as bigint)
      const first = start < 1n ? 1n : start
      if (end !== undefined && end <= first) return ''
      const all = letters(a)
      const clip = (at: bigint) => Number(at > BigInt(all.length + 1) ? all.length + 1 : at)
      return all.slice(clip(first) - 1, end === undefined ? undefined : clip(end) - 1).join('')
    },
  },
  ABS: {
    form: 'ABS(a)',
    says: 'a without its sign',
    least: 1,
    most: 1,
    type: ([a]) => (isNumber(a) ? a : wants(0, 'a number', a)),
    evaluate: ([a]) => (typeof a === 'bigint' ? (a < 0n ? -a : a) : Math.abs(a as number)),
  },
  MOD: {
    form: 'MOD(a, b)',
    says: 'what is left of a after taking b away as often as it goes; with the sign of a',
    least: 2,
    most: 2,
    type: (args) => {
      const at = args.findIndex((type) => type.is !== 'exact')
      if (at >= 0) return wants(at, 'a number that isn’t measured', args[at]!)
      const [a, b] = args as [Extract<Type, { is: 'exact' }>, Extract<Type, { is: 'exact' }>]
      return { is: 'exact', whole: Math.max(a.whole, b.whole), scale: Math.max(a.scale, b.scale) }
    },
    evaluate: ([a, b], [ta, tb], given) => {
      const scale = scaleOf(given)
      const divisor = (b as bigint) * powerOfTen(scale - scaleOf(tb))
      return divisor === 0n ? null : ((a as bigint) * powerOfTen(scale - scaleOf(ta))) % divisor
    },
  },
  ROUND: {
    form: 'ROUND(a, n)',
    says: 'a rounded to n decimals, or to a whole number; halves go away from nought',
    least: 1,
    most: 2,
    type: (args, [, literal]) => {
      const [a] = args
      const n = args.length > 1 ? args[1] : undefined
      if (a.is !== 'exact') return wants(0, 'a number that isn’t measured', a)
      if (n && (!isWhole(n) || literal === undefined))
        return { at: 1, problem: (name) => ({ kind: 'places-written-out', name }) }
      const scale = Math.min(Math.max(0, Number(literal ?? 0)), a.scale)
      return { is: 'exact', whole: a.whole + 1, scale }
    },
    evaluate: ([a], [ta], given) => divideRounded(a as bigint, powerOfTen(scaleOf(ta) - scaleOf(given))),
  },
  CEILING: wholeTowards('CEILING', 1, 'the next whole number above a'),
  FLOOR: wholeTowards('FLOOR', -1, 'the next whole number below a'),
  'EXTRACT YEAR': extract('YEAR'),
  'EXTRACT MONTH': extract('MONTH'),
  'EXTRACT DAY': extract('DAY'),
  'EXTRACT HOUR': extract('HOUR'),
  'EXTRACT MINUTE': extract('MINUTE'),
} satisfies Record<string, FunctionKind>

export type FunctionName = keyof typeof all

/** Every function by its name. Each gives NULL where an argument is NULL. */
export const functions: Readonly<Record<string, FunctionKind>> = all

function wholeTowards(name: string, towards: -1 | 1, says: string): FunctionKind {
  return {
    form: `${name}(a)`,
    says,
    least: 1,
    most: 1,
    type: ([a]) =>
      a.is === 'exact' ? { is: 'exact', whole: a.whole + 1, scale: 0 } : wants(0, 'a number that isn’t measured', a),
    evaluate: ([a], [ta]) => toWhole(a as bigint, scaleOf(ta), towards),
  }
}
