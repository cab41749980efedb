import { type DateUnit, mostDigits, mostScale, quotientScale } from '../../kinds'
import type { Book } from '../../book'
import type { Problem } from '../../words'
import { checkChoice } from './check-facts'
import {
  castTo,
  fail,
  fits,
  isFailure,
  type Outcome,
  type Part,
  slipOf,
  together,
  tooLong,
  unlikeOf,
} from './check-help'
import { nothing } from './check-literals'
import type { BinaryOperator, Span } from '../text/syntax'
import { isNumber, type Type } from '../types'

/** What two parts give together, operator by operator. */
export function checkBinary(book: Book, operator: BinaryOperator, left: Part, right: Part, at: Span): Outcome {
  switch (operator) {
    case 'AND':
    case 'OR':
      return logic(operator, left, right)
    case '||':
      return joinTexts(left, right)
    case '+':
    case '-':
    case '*':
    case '/':
      return arithmetic(operator, left, right, at)
    default:
      return comparison(book, operator, left, right, at)
  }
}

function logic(operator: 'AND' | 'OR', left: Part, right: Part): Outcome {
  const unlike = unlikeOf([left, right], 'truth')
  if (unlike) return fail(unlike.at, { kind: 'joins-truths', operator, found: unlike.tree.type.is })
  return { kind: 'binary', operator, left: left.tree, right: right.tree, type: { is: 'truth' } }
}

function joinTexts(left: Part, right: Part): Outcome {
  const unlike = [left, right].find(({ tree: { type } }) => type.is === 'truth' || type.is === 'measured')
  if (unlike) return fail(unlike.at, { kind: 'joins-texts', found: unlike.tree.type.is })
  const text: Type = { is: 'text' }
  return { kind: 'binary', operator: '||', left: castTo(left.tree, text), right: castTo(right.tree, text), type: text }
}

/** A date or a moment so many units later, or earlier where the count is negative; `unitAt` is where the interval stands. */
export function checkShift({ tree: of, at }: Part, count: number, unit: DateUnit, unitAt: Span): Outcome {
  if (of.type.is !== 'date' && of.type.is !== 'moment') return fail(at, { kind: 'shifts-no-date', found: of.type.is })
  if (of.type.is === 'date' && (unit === 'HOUR' || unit === 'MINUTE'))
    return fail(unitAt, { kind: 'date-has-no-hours' })
  return { kind: 'shift', of, count, unit, type: of.type }
}

function arithmetic(operator: '+' | '-' | '*' | '/', a: Part, b: Part, at: Span): Outcome {
  const [left, right] = [a.tree, b.tree]
  if (left.type.is === 'date' && right.type.is === 'date' && operator === '-')
    return { kind: 'days', left, right, type: { is: 'exact', whole: 7, scale: 0 } }
  const unlike = [a, b].find(({ tree: { type } }) => !isNumber(type) && type.is !== 'nothing')
  if (unlike) return fail(unlike.at, noNumber(operator, unlike.tree.type))
  if (left.type.is === 'nothing' || right.type.is === 'nothing') return nothing
  if (left.type.is !== 'exact' || right.type.is !== 'exact') {
    const measured: Type = { is: 'measured' }
    return { kind: 'binary', operator, left: castTo(left, measured), right: castTo(right, measured), type: measured }
  }
  const type = exactResult(operator, left.type, right.type)
  // MariaDB keeps ten more decimals while it divides.
  const room = operator === '/' ? left.type.whole + left.type.scale + right.type.scale + 10 : 0
  if (!fits(type) || type.scale > mostScale || room > mostDigits) return fail(at, tooLong)
  return { kind: 'binary', operator, left, right, type }
}

const noNumber = (operator: string, type: Type): Problem =>
  type.is === 'date' ? { kind: 'date-takes-interval' } : { kind: 'calculates-with-numbers', operator, found: type.is }

function exactResult(operator: string, a: Extract<Type, { is: 'exact' }>, b: Extract<Type, { is: 'exact' }>) {
  const is = 'exact' as const
  if (operator === '*') return { is, whole: a.whole + b.whole, scale: a.scale + b.scale }
  if (operator === '/') return { is, whole: a.whole + b.scale + 1, scale: Math.max(quotientScale, a.scale) }
  return { is, whole: Math.max(a.whole, b.whole) + 1, scale: Math.max(a.scale, b.scale) }
}

function comparison(book: Book, operator: BinaryOperator, left: Part, right: Part, at: Span): Outcome {
  const one = together([left, right])
  if (isFailure(one)) {
    const slip = slipOf(left.tree.type, right.tree) ?? slipOf(right.tree.type, left.tree)
    return fail(at, { kind: 'not-comparable', left: left.tree.type.is, right: right.tree.type.is, slip })
  }
  if (operator !== '=' && operator !== '<>') {
    if (one.type.is === 'text') return fail(at, { kind: 'no-greater-text' })
    if (one.type.is === 'truth') return fail(at, { kind: 'no-greater-truth' })
  }
  const unlike = checkChoice(book, left, [right]) ?? checkChoice(book, right, [left])
  if (unlike) return unlike
  return {
    kind: 'binary',
    operator,
    left: castTo(left.tree, one.type),
    right: castTo(right.tree, one.type),
    type: { is: 'truth' },
  }
}
