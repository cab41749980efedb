import type { Tree } from '../../expressions'
import { amountOf, keyOf, plain, without } from './amounts'

/** Something simple that is so. What isn't understood is left out, and so never stands in the way. */
export type Claim =
  /** `plus − minus ≤ most`; nought stands in for a fact that isn't there. */
  | { readonly kind: 'atMost'; readonly plus: string; readonly minus: string; readonly most: bigint }
  /** A text or a yes and no is one of some, in small letters, or none of them. */
  | { readonly kind: 'among' | 'notAmong'; readonly fact: string; readonly words: readonly string[] }
  | { readonly kind: 'blank' | 'filled'; readonly fact: string }

/** What could make a condition so: any one of the branches, each with all of its claims. */
export type Branches = readonly (readonly Claim[])[]

export const nought = ''
const mostBranches = 64
const nothingKnown: Branches = [[]]

/** The ways in which a condition is true, or plainly false. One that isn't understood may always be. */
export function branchesOf(written: Tree, so: boolean): Branches {
  const tree = plain(written)
  switch (tree.kind) {
    case 'not':
      return branchesOf(tree.of, !so)
    case 'literal':
      return tree.type.is === 'truth' && tree.value !== null && (tree.value === '1') !== so ? [] : nothingKnown
    case 'isNull':
      return [[{ kind: so ? 'blank' : 'filled', fact: keyOf(plain(tree.of)) }]]
    case 'in':
      return membership(tree, so)
    case 'fact':
      return [[{ kind: 'among', fact: keyOf(tree), words: [so ? '1' : '0'] }]]
    case 'binary':
      return ofBinary(tree, so)
    default:
      return nothingKnown
  }
}

function ofBinary(tree: Extract<Tree, { kind: 'binary' }>, so: boolean): Branches {
  const { operator, left, right } = tree
  if (operator === 'AND' || operator === 'OR') {
    const sides = [branchesOf(left, so), branchesOf(right, so)]
    return (operator === 'AND') === so ? allOf(sides) : sides.flat().slice(0, mostBranches + 1)
  }
  const amounts = without(amountOf(left), amountOf(right))
  if (amounts) return ordered(so ? operator : opposite[operator]!, amounts)
  const [fact, other] = plain(left).kind === 'literal' ? [right, left] : [left, right]
  const literal = plain(other)
  if (literal.kind !== 'literal' || literal.value === null || !['=', '<>'].includes(operator)) return nothingKnown
  return [
    [
      {
        kind: (operator === '=') === so ? 'among' : 'notAmong',
        fact: keyOf(plain(fact)),
        words: [word(literal.value)],
      },
    ],
  ]
}

const opposite: Record<string, string> = { '=': '<>', '<>': '=', '<': '>=', '<=': '>', '>': '<=', '>=': '<' }

const word = (text: string) => text.trimEnd().toLowerCase()

function ordered(
  operator: string,
  { plus = nought, minus = nought, more, step }: NonNullable<ReturnType<typeof without>>,
): Branches {
  const atMost = (strictly: boolean): Claim => ({ kind: 'atMost', plus, minus, most: -more - (strictly ? step : 0n) })
  const atLeast = (strictly: boolean): Claim => ({
    kind: 'atMost',
    plus: minus,
    minus: plus,
    most: more - (strictly ? step : 0n),
  })
  switch (operator) {
    case '<':
    case '<=':
      return [[atMost(operator === '<')]]
    case '>':
    case '>=':
      return [[atLeast(operator === '>')]]
    case '=':
      return [[atMost(false), atLeast(false)]]
    default:
      return [[atMost(true)], [atLeast(true)]]
  }
}

function membership(tree: Extract<Tree, { kind: 'in' }>, so: boolean): Branches {
  const among = tree.among.map(plain)
  const words = among.flatMap((one) => (one.kind === 'literal' && one.value !== null ? [word(one.value)] : []))
  if (words.length < among.length) return nothingKnown
  if (tree.of.type.is === 'text') return [[{ kind: so ? 'among' : 'notAmong', fact: keyOf(plain(tree.of)), words }]]
  const each = among.map((one) => {
    const amounts = without(amountOf(tree.of), amountOf(one))
    return amounts ? ordered(so ? '=' : '<>', amounts) : nothingKnown
  })
  return so ? each.flat().slice(0, mostBranches + 1) : allOf(each)
}

/** Each branch of one with each of the others; too many are given up as not understood. */
export function allOf(parts: readonly Branches[]): Branches {
  let all: Branches = nothingKnown
  for (const part of parts) {
    if (all.length * part.length > mostBranches) return nothingKnown
    all = all.flatMap((one) => part.map((other) => [...one, ...other]))
  }
  return all
}
