import type { Type } from '../types'
import { mostScale } from '../../kinds'
import type { Problem } from '../../words'
import { castTo, fail, isFailure, type Outcome, type Part, together } from './check-help'
import { nothing } from './check-literals'
import { type Args, functions } from '../run/functions'
import { nearNames } from './names'
import type { CastTarget, Span } from '../text/syntax'

/** A function with its arguments; COALESCE and NULLIF take what has a type in common. */
export function checkCall(name: string, parts: readonly Part[], at: Span): Outcome {
  const args = parts.map(({ tree }) => tree)
  if (name === 'CURRENT_DATE' || name === 'CURRENT_TIMESTAMP')
    return { kind: 'call', name, args: [], type: { is: name === 'CURRENT_DATE' ? 'date' : 'moment' } }
  if (name === 'COALESCE' || name === 'NULLIF') {
    if (name === 'NULLIF' ? args.length !== 2 : args.length < 2)
      return fail(at, { kind: name === 'NULLIF' ? 'two-values' : 'two-values-or-more' })
    const one = together(parts)
    if (isFailure(one)) return one
    return { kind: 'call', name, args: args.map((arg) => castTo(arg, one.type)), type: one.type }
  }
  const called = name === 'CEIL' ? 'CEILING' : name === 'CHARACTER_LENGTH' ? 'CHAR_LENGTH' : name
  // A stored tree may hold any name: not what every object has besides.
  const kind = Object.hasOwn(functions, called) ? functions[called] : undefined
  if (!kind) {
    const near = nearNames(name, [
      ...Object.keys(functions).filter((one) => !one.includes(' ')),
      'COALESCE',
      'NULLIF',
      'COUNT',
      'SUM',
      'AVG',
      'MIN',
      'MAX',
    ])
    return fail(at, { kind: 'no-such-function', name, near })
  }
  const own = Object.entries(functions).find(([, one]) => one === kind)![0]
  if (args.length < kind.least || args.length > kind.most) return fail(at, { kind: 'function-form', form: kind.form })
  if (args.some((arg) => arg.type.is === 'nothing')) return nothing
  const literals = args.map((arg) => (arg.kind === 'literal' && arg.value !== null ? arg.value : undefined))
  const type = kind.type(args.map((arg) => arg.type) as unknown as Args<Type>, literals)
  if ('problem' in type) return fail(parts[type.at]!.at, type.problem(own.split(' ')[0]!))
  return { kind: 'call', name: own, args, type }
}

/** Whether MariaDB has decimals of such sizes; a stored tree may hold anything there. */
const isDecimal = (digits: number, scale: number) =>
  Number.isInteger(digits) && Number.isInteger(scale) && scale <= digits && digits <= 65 && scale <= mostScale

/** Only what loses nothing but decimals: text never becomes a number by itself. */
export function checkCast({ tree: of }: Part, { name, sizes }: CastTarget, at: Span): Outcome {
  if (of.type.is === 'nothing') return of
  const from = of.type
  const no = (problem: Problem) => fail(at, problem)
  if (name === 'DECIMAL' || name === 'INTEGER') {
    const [digits = 18, scale = 0] = name === 'INTEGER' ? [18, 0] : sizes
    if (from.is !== 'exact') return no({ kind: 'casts-numbers', to: name, found: from.is })
    if (!isDecimal(digits, scale)) return no({ kind: 'decimal-sizes', most: mostScale })
    if (digits - scale < from.whole + (scale < from.scale ? 1 : 0))
      return no({
        kind: 'decimal-too-small',
        whole: from.whole,
        write: `DECIMAL(${Math.min(65, from.whole + 1 + scale)},${scale})`,
      })
    return { kind: 'cast', of, type: { is: 'exact', whole: digits - scale, scale } }
  }
  if (name === 'VARCHAR') {
    if (!['text', 'exact', 'date', 'time', 'moment'].includes(from.is))
      return no({ kind: 'casts-no-text', found: from.is })
    return { kind: 'cast', of, type: { is: 'text' } }
  }
  const to = { is: name === 'DATE' ? 'date' : 'moment' } as const
  if (from.is !== 'date' && from.is !== 'moment') return no({ kind: 'casts-dates', to: name, found: from.is })
  return { kind: 'cast', of, type: to }
}
