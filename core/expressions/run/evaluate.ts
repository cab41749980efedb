import {
  dayNumber,
  divideRounded,
  fromExact,
  type Now,
  powerOfTen,
  rescale,
  shifted,
  toExact,
  type Value,
} from '../../kinds'
import type { Facts, Evaluator } from './facts'
import { type Args, type Computed, functions } from './functions'
import { gather } from './gather'
import { alike, isLike } from './text'
import type { Tree } from '../tree'
import type { Type } from '../types'
import { oncePer } from '../../words'

/** Computes an expression to a value that a field could hold. */
export function evaluate(tree: Tree, facts: Facts, now: Now): Value {
  return toValue(compiled(tree)(facts, now), tree.type)
}

const compiled = oncePer(compile)

/** A computed value as a field would hold it. */
function toValue(value: Computed, type: Type): Value {
  if (value === null) return null
  if (typeof value === 'bigint') return fromExact(value, type.is === 'exact' ? type.scale : 0)
  return typeof value === 'boolean' ? (value ? '1' : '0') : String(value)
}

function fromValue(value: Value, type: Type): Computed {
  if (value === null) return null
  if (type.is === 'exact') return toExact(value, type.scale)
  if (type.is === 'measured') return Number(value)
  return type.is === 'truth' ? value === '1' : value
}

/** A function that computes a tree; everything that needs no record is settled beforehand. */
export function compile(tree: Tree): Evaluator {
  switch (tree.kind) {
    case 'literal': {
      const value = fromValue(tree.value, tree.type)
      return () => value
    }
    case 'fact':
      return fact(tree)
    case 'not': {
      const of = compile(tree.of)
      return (facts, now) => {
        const value = of(facts, now)
        return value === null ? null : !(value as boolean)
      }
    }
    case 'minus': {
      const of = compile(tree.of)
      return (facts, now) => {
        const value = of(facts, now)
        return value === null ? null : -(value as number)
      }
    }
    case 'binary':
      return binary(tree)
    case 'shift': {
      const of = compile(tree.of)
      return (facts, now) => {
        const value = of(facts, now)
        return value === null ? null : shifted(value as string, tree.count, tree.unit)
      }
    }
    case 'days':
      return both(tree.left, tree.right, (a, b) => BigInt(dayNumber(a as string) - dayNumber(b as string)))
    case 'in':
      return among(tree)
    case 'like':
      return both(tree.of, tree.pattern, (a, b) => isLike(a as string, b as string, tree.escape))
    case 'isNull': {
      const of = compile(tree.of)
      return (facts, now) => of(facts, now) === null
    }
    case 'case':
      return cases(tree)
    case 'call':
      return call(tree)
    case 'cast':
      return cast(tree)
    case 'aggregate':
      return gather(tree, compile)
  }
}

function fact({ over, field, type }: Extract<Tree, { kind: 'fact' }>): Evaluator {
  if (over.length === 0) return (facts) => fromValue(facts.value(field), type)
  return (facts) => {
    let here: Facts | undefined = facts
    for (const link of over) here = here?.linked(link)
    return here ? fromValue(here.value(field), type) : null
  }
}

/** NULL where either is. */
function both(
  left: Tree,
  right: Tree,
  compute: (a: Exclude<Computed, null>, b: Exclude<Computed, null>) => Computed,
): Evaluator {
  const [a, b] = [compile(left), compile(right)]
  return (facts, now) => {
    const one = a(facts, now)
    if (one === null) return null
    const other = b(facts, now)
    return other === null ? null : compute(one, other)
  }
}

function binary(tree: Extract<Tree, { kind: 'binary' }>): Evaluator {
  const { operator, left, right } = tree
  switch (operator) {
    case 'AND':
    case 'OR':
      return logic(operator === 'OR', compile(left), compile(right))
    case '||':
      return both(left, right, (a, b) => (a as string) + (b as string))
    case '=':
      return both(left, right, sameBy(left.type))
    case '<>': {
      const same = sameBy(left.type)
      return both(left, right, (a, b) => !same(a, b))
    }
    case '<':
      return both(left, right, (a, b) => a < b)
    case '<=':
      return both(left, right, (a, b) => a <= b)
    case '>':
      return both(left, right, (a, b) => a > b)
    case '>=':
      return both(left, right, (a, b) => a >= b)
    default:
      return tree.type.is === 'exact' ? exact(tree) : measured(tree)
  }
}

/** Kleene's logic: one that decides settles it, whatever isn't known of the other. */
const logic =
  (decides: boolean, a: Evaluator, b: Evaluator): Evaluator =>
  (facts, now) => {
    const one = a(facts, now)
    if (one === decides) return decides
    const other = b(facts, now)
    if (other === decides) return decides
    return one === null || other === null ? null : !decides
  }

const sameBy = (type: Type) =>
  type.is === 'text'
    ? (a: Computed, b: Computed) => alike(a as string, b as string)
    : (a: Computed, b: Computed) => a === b

const scaleOf = (type: Type) => (type.is === 'exact' ? type.scale : 0)

function exact({ operator, left, right, type }: Extract<Tree, { kind: 'binary' }>): Evaluator {
  const [a, b, scale] = [scaleOf(left.type), scaleOf(right.type), scaleOf(type)]
  const [growA, growB] = [powerOfTen(Math.max(0, scale - a)), powerOfTen(Math.max(0, scale - b))]
  if (operator === '*') return both(left, right, (x, y) => (x as bigint) * (y as bigint))
  if (operator === '/') {
    const grow = powerOfTen(scale - a + b)
    return both(left, right, (x, y) => (y === 0n ? null : divideRounded((x as bigint) * grow, y as bigint)))
  }
  return operator === '+'
    ? both(left, right, (x, y) => (x as bigint) * growA + (y as bigint) * growB)
    : both(left, right, (x, y) => (x as bigint) * growA - (y as bigint) * growB)
}

function measured({ operator, left, right }: Extract<Tree, { kind: 'binary' }>): Evaluator {
  const finite = (value: number) => (Number.isFinite(value) ? value + 0 : null)
  if (operator === '+') return both(left, right, (x, y) => finite((x as number) + (y as number)))
  if (operator === '-') return both(left, right, (x, y) => finite((x as number) - (y as number)))
  if (operator === '*') return both(left, right, (x, y) => finite((x as number) * (y as number)))
  return both(left, right, (x, y) => (y === 0 ? null : finite((x as number) / (y as number))))
}

function among({ of, among: others }: Extract<Tree, { kind: 'in' }>): Evaluator {
  const [subject, all, same] = [compile(of), others.map(compile), sameBy(of.type)]
  return (facts, now) => {
    const value = subject(facts, now)
    if (value === null) return null
    let unknown = false
    for (const other of all) {
      const one = other(facts, now)
      if (one === null) unknown = true
      else if (same(value, one)) return true
    }
    return unknown ? null : false
  }
}

function cases({ whens, other }: Extract<Tree, { kind: 'case' }>): Evaluator {
  const all = whens.map(([test, value]) => [compile(test), compile(value)] as const)
  const rest = other && compile(other)
  return (facts, now) => {
    for (const [test, value] of all) if (test(facts, now) === true) return value(facts, now)
    return rest ? rest(facts, now) : null
  }
}

function call({ name, args, type }: Extract<Tree, { kind: 'call' }>): Evaluator {
  const parts = args.map(compile)
  if (name === 'CURRENT_DATE') return (_facts, now) => now.moment.slice(0, 10)
  if (name === 'CURRENT_TIMESTAMP') return (_facts, now) => now.moment.slice(0, 16)
  if (name === 'COALESCE')
    return (facts, now) => {
      for (const part of parts) {
        const value = part(facts, now)
        if (value !== null) return value
      }
      return null
    }
  if (name === 'NULLIF') {
    const same = sameBy(type)
    return (facts, now) => {
      const [a, b] = [parts[0]!(facts, now), parts[1]!(facts, now)]
      return a !== null && b !== null && same(a, b) ? null : a
    }
  }
  const kind = functions[name]!
  const types = args.map((arg) => arg.type) as unknown as Args<Type>
  return (facts, now) => {
    const values: Exclude<Computed, null>[] = []
    for (const part of parts) {
      const value = part(facts, now)
      if (value === null) return null
      values.push(value)
    }
    return kind.evaluate(values as unknown as Args<Exclude<Computed, null>>, types, type)
  }
}

function cast({ of, type }: Extract<Tree, { kind: 'cast' }>): Evaluator {
  const inner = compile(of)
  const change = changeOf(of.type, type)
  return (facts, now) => {
    const value = inner(facts, now)
    return value === null ? null : change(value)
  }
}

function changeOf(from: Type, to: Type): (value: Exclude<Computed, null>) => Computed {
  if (to.is === 'exact') return (value) => rescale(value as bigint, scaleOf(from), to.scale)
  if (to.is === 'measured') return (value) => Number(fromExact(value as bigint, scaleOf(from)))
  if (to.is === 'text')
    return from.is === 'moment' ? (value) => (value as string).replace('T', ' ') : (value) => toValue(value, from)
  return to.is === 'date'
    ? (value) => (value as string).slice(0, 10)
    : (value) => `${(value as string).slice(0, 10)}T${(value as string).slice(11) || '00:00'}`
}
