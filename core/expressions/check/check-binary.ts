import { type Checking, castTo, fail, type Failure, fits, hint, isFailure, together, tooLong } from './check-help'
import { mostDigits, mostScale, quotientScale } from '../numbers'
import type { Syntax } from '../text/syntax'
import type { Tree } from '../tree'
import { isNumber, type Type, typeWords } from '../types'

type Binary = Extract<Syntax, { kind: 'binary' }>

/** What two parts give together, operator by operator. */
export function checkBinary(checker: Checking, syntax: Binary): Tree | Failure {
  const { operator } = syntax
  if ((operator === '+' || operator === '-') && (syntax.right.kind === 'interval' || syntax.left.kind === 'interval'))
    return shift(checker, syntax)
  const [left, right] = [checker.check(syntax.left), checker.check(syntax.right)]
  if (isFailure(left)) return left
  if (isFailure(right)) return right
  if (operator === 'AND' || operator === 'OR') return logic(syntax, left, right)
  if (operator === '||') return joinTexts(syntax, left, right)
  if (['+', '-', '*', '/'].includes(operator)) return arithmetic(syntax, left, right)
  return comparison(checker, syntax, left, right)
}

function logic(syntax: Binary, left: Tree, right: Tree): Tree | Failure {
  for (const [tree, at] of [
    [left, syntax.left],
    [right, syntax.right],
  ] as const)
    if (tree.type.is !== 'truth' && tree.type.is !== 'nothing')
      return fail(at, `${syntax.operator} joins what is true or not; this is ${typeWords[tree.type.is]}.`)
  return { kind: 'binary', operator: syntax.operator, left, right, type: { is: 'truth' } }
}

function joinTexts(syntax: Binary, left: Tree, right: Tree): Tree | Failure {
  for (const [tree, at] of [
    [left, syntax.left],
    [right, syntax.right],
  ] as const)
    if (tree.type.is === 'truth' || tree.type.is === 'measured')
      return fail(at, `|| joins texts; this is ${typeWords[tree.type.is]}.`)
  const text: Type = { is: 'text' }
  return { kind: 'binary', operator: '||', left: castTo(left, text), right: castTo(right, text), type: text }
}

function shift(checker: Checking, syntax: Binary): Tree | Failure {
  const backwards = syntax.left.kind === 'interval'
  const [base, interval] = backwards ? [syntax.right, syntax.left] : [syntax.left, syntax.right]
  if (interval.kind !== 'interval' || base.kind === 'interval' || (backwards && syntax.operator === '-'))
    return fail(syntax, 'An interval is added to a date or taken from one: "Lent on" + INTERVAL ’14’ DAY.')
  const of = checker.check(base)
  if (isFailure(of)) return of
  if (of.type.is !== 'date' && of.type.is !== 'moment')
    return fail(base, `An interval goes with a date; this is ${typeWords[of.type.is]}.`)
  if (of.type.is === 'date' && (interval.unit === 'HOUR' || interval.unit === 'MINUTE'))
    return fail(interval, 'A date has no hours. CAST it AS TIMESTAMP first, or count days.')
  const count = Number(interval.count) * (syntax.operator === '-' ? -1 : 1)
  return { kind: 'shift', of, count, unit: interval.unit, type: of.type }
}

function arithmetic(syntax: Binary, left: Tree, right: Tree): Tree | Failure {
  const { operator } = syntax
  if (left.type.is === 'date' && right.type.is === 'date' && operator === '-')
    return { kind: 'days', left, right, type: { is: 'exact', whole: 7, scale: 0 } }
  for (const [tree, at] of [
    [left, syntax.left],
    [right, syntax.right],
  ] as const)
    if (!isNumber(tree.type) && tree.type.is !== 'nothing')
      return fail(
        at,
        tree.type.is === 'date'
          ? 'To a date an interval is added: + INTERVAL ’14’ DAY.'
          : `${operator} calculates with numbers; this is ${typeWords[tree.type.is]}.${tree.type.is === 'text' && operator === '+' ? ' Texts are joined with ||.' : ''}`,
      )
  const [a, b] = [left.type, right.type]
  if (a.is === 'nothing' || b.is === 'nothing') return { kind: 'literal', value: null, type: { is: 'nothing' } }
  if (a.is !== 'exact' || b.is !== 'exact') {
    const measured: Type = { is: 'measured' }
    return { kind: 'binary', operator, left: castTo(left, measured), right: castTo(right, measured), type: measured }
  }
  const type = exactResult(operator, a, b)
  // MariaDB keeps ten more decimals while it divides.
  const room = operator === '/' ? a.whole + a.scale + b.scale + 10 : 0
  if (!fits(type) || type.scale > mostScale || room > mostDigits) return fail(syntax, tooLong)
  return { kind: 'binary', operator, left, right, type }
}

function exactResult(operator: string, a: Extract<Type, { is: 'exact' }>, b: Extract<Type, { is: 'exact' }>) {
  const is = 'exact' as const
  if (operator === '*') return { is, whole: a.whole + b.whole, scale: a.scale + b.scale }
  if (operator === '/') return { is, whole: a.whole + b.scale + 1, scale: Math.max(quotientScale, a.scale) }
  return { is, whole: Math.max(a.whole, b.whole) + 1, scale: Math.max(a.scale, b.scale) }
}

function comparison(checker: Checking, syntax: Binary, left: Tree, right: Tree): Tree | Failure {
  const { operator } = syntax
  const one = together([left, right], [syntax.left, syntax.right])
  if (isFailure(one)) {
    const slip = hint(left.type, right) || hint(right.type, left)
    return fail(
      syntax,
      `${typeWords[left.type.is]} can’t be compared with ${typeWords[right.type.is]}.${slip}`.replace(/^./, (letter) =>
        letter.toUpperCase(),
      ),
    )
  }
  if (operator !== '=' && operator !== '<>') {
    if (one.type.is === 'text')
      return fail(syntax, 'Texts can be the same or not, or look alike (LIKE), but none is greater than another.')
    if (one.type.is === 'truth') return fail(syntax, 'Yes and no can be the same or not, but neither is greater.')
  }
  const unlike =
    checker.choiceProblem(left, [syntax.right], [right]) ?? checker.choiceProblem(right, [syntax.left], [left])
  if (unlike) return unlike
  return {
    kind: 'binary',
    operator,
    left: castTo(left, one.type),
    right: castTo(right, one.type),
    type: { is: 'truth' },
  }
}
