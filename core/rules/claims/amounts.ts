import { nodesOf, type Tree } from '../../expressions'
import { dayNumber, toExact } from '../../kinds'

/**
 * A number, a day or a moment as `plus − minus + more`: at most one fact that counts up and one that counts
 * down. What can't be seen through stands for itself, so that two rules that say the same of it still meet.
 * Days and moments are counted in days and minutes; `more` has 30 decimals.
 */
export interface Amount {
  readonly plus?: string
  readonly minus?: string
  readonly more: bigint
  /** The least that two such amounts can differ by where they differ at all; nought where that isn't known. */
  readonly step: bigint
}

const decimals = 30
const one = 10n ** BigInt(decimals)

/** A literal of any type that is counted, in units of 10⁻³⁰. */
export function counted(value: string, is: Tree['type']['is']): bigint {
  if (is === 'date') return BigInt(dayNumber(value)) * one
  const minutes = (time: string) => BigInt(Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5)))
  if (is === 'time') return minutes(value) * one
  if (is === 'moment') return (BigInt(dayNumber(value)) * 1440n + minutes(value.slice(11))) * one
  return toExact(value, decimals)
}

const stepOf = ({ type }: Tree) => {
  if (type.is === 'measured') return 0n
  return type.is === 'exact' ? 10n ** BigInt(Math.max(0, decimals - type.scale)) : one
}

/** The facts that an amount or a condition stands for are told apart by how they are kept. */
export const keyOf = (tree: Tree): string => JSON.stringify(plain(tree))

/** Without casts that nobody wrote: they change how a value is kept, not what it is. */
export const plain = (tree: Tree): Tree => (tree.kind === 'cast' && tree.quiet ? plain(tree.of) : tree)

const itself = (tree: Tree): Amount => ({ plus: keyOf(tree), more: 0n, step: stepOf(tree) })

/** How much something is; undefined for what isn't counted, such as texts. */
export function amountOf(written: Tree): Amount | undefined {
  const tree = plain(written)
  if (!['exact', 'date', 'time', 'moment', 'measured'].includes(tree.type.is)) return undefined
  switch (tree.kind) {
    case 'literal':
      return tree.value === null ? undefined : { more: counted(tree.value, tree.type.is), step: stepOf(tree) }
    case 'minus':
      return without({ more: 0n, step: stepOf(tree) }, amountOf(tree.of)) ?? itself(tree)
    case 'days':
      return without(amountOf(tree.left), amountOf(tree.right)) ?? itself(tree)
    case 'shift':
      return shifted(tree) ?? itself(tree)
    case 'binary': {
      const [a, b] = [amountOf(tree.left), amountOf(tree.right)]
      const both = tree.operator === '+' ? together(a, b) : tree.operator === '-' ? without(a, b) : undefined
      return both && tree.type.is === 'exact' ? both : itself(tree)
    }
    default:
      return itself(tree)
  }
}

/** So many days later is so much more; months and years are of no fixed length. */
function shifted(tree: Extract<Tree, { kind: 'shift' }>): Amount | undefined {
  const of = amountOf(tree.of)
  const units = tree.type.is === 'date' ? { DAY: 1 } : { DAY: 1440, HOUR: 60, MINUTE: 1 }
  const unit = (units as Partial<Record<string, number>>)[tree.unit]
  return of && unit ? { ...of, more: of.more + BigInt(tree.count * unit) * one } : undefined
}

const negative = ({ plus, minus, more, step }: Amount): Amount => ({
  ...(minus !== undefined && { plus: minus }),
  ...(plus !== undefined && { minus: plus }),
  more: -more,
  step,
})

export const without = (a: Amount | undefined, b: Amount | undefined) => together(a, b && negative(b))

/** Two amounts in one; undefined where that leaves more than one fact on a side. */
function together(a: Amount | undefined, b: Amount | undefined): Amount | undefined {
  if (!a || !b) return undefined
  let plus = [a.plus, b.plus].filter((fact) => fact !== undefined)
  let minus = [a.minus, b.minus].filter((fact) => fact !== undefined)
  for (const fact of [...plus])
    if (minus.includes(fact)) {
      plus = removed(plus, fact)
      minus = removed(minus, fact)
    }
  if (plus.length > 1 || minus.length > 1) return undefined
  return {
    ...(plus[0] !== undefined && { plus: plus[0] }),
    ...(minus[0] !== undefined && { minus: minus[0] }),
    more: a.more + b.more,
    step: a.step === 0n || b.step === 0n ? 0n : a.step < b.step ? a.step : b.step,
  }
}

const removed = (all: readonly string[], one: string) => all.filter((_, at) => at !== all.indexOf(one))

/** The facts that a tree reads, each as it would stand for itself. */
export const factsIn = (tree: Tree): ReadonlySet<string> =>
  new Set(nodesOf(tree).flatMap((node) => (node.kind === 'fact' || node.kind === 'aggregate' ? [keyOf(node)] : [])))
