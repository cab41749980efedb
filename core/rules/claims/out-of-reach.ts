import { type Book, type Field, type Rule, type Table } from '../../book'
import { nodesOf, readExpression, type Tree, writtenName } from '../../expressions'
import { ownRules } from '../own-rules'
import { factsIn, keyOf, plain } from './amounts'
import { allOf, type Branches, branchesOf, type Claim } from './branches'
import { knownOf } from './known'
import { isPossible } from './possible'

/** When a field is out of a person's reach: while any of these holds, or doesn't. */
export interface OutOfReach {
  readonly when: readonly Tree[]
  /** `false`: while one of them is not so, what can't be told included. */
  readonly so: boolean
}

/**
 * The rules that may refuse a record while one of its fields is out of reach and holds nothing but what it starts
 * with. What isn't understood is taken to be possible; a rule that warns can be passed, and is let be.
 */
export function rulesOutOfReach(book: Book, table: Table, field: Field, { when, so }: OutOfReach): readonly Rule[] {
  const read = readExpression(book, table, writtenName(field.name))
  if ('problem' in read) return []
  const fact = keyOf(plain(read.tree))
  const away: Branches = when.length === 0 ? [[]] : when.flatMap((tree) => (so ? branchesOf(tree, true) : notSo(tree)))
  return ownRules(book, table.id).flatMap(({ rule, compiled }) => {
    if (compiled?.kind !== 'holds' || rule.warns || !factsIn(compiled.tree).has(fact)) return []
    const known = knownOf(book, table, [...when, compiled.tree])
    const refused = allOf([away, asItStarts(field, fact), refusedBy(compiled.tree, fact)])
    return refused.some((claims) => isPossible(claims, known)) ? [rule] : []
  })
}

/** The ways in which a rule refuses for what is in a field; a record that it refuses in any case is mended elsewhere. */
function refusedBy(tree: Tree, fact: string): Branches {
  const refused = branchesOf(tree, false)
  const within = (kinds: readonly Tree['kind'][]) =>
    nodesOf(tree).some((node) => kinds.includes(node.kind) && factsIn(node).has(fact))
  // What such a part makes of a blank isn't seen in the claims.
  if (within(['call', 'case', 'like'])) return refused
  return refused.filter((claims) => claims.length === 0 || claims.some((claim) => speaksOf(claim, fact)))
}

/** What a claim speaks of is written out in it: a fact by itself, or in something larger. */
const speaksOf = (claim: Claim, fact: string): boolean =>
  (claim.kind === 'atMost' ? [claim.plus, claim.minus] : [claim.fact]).some((told) => told.includes(fact))

/** A condition is not so where it is plainly false, and where something that it asks for is blank. */
const notSo = (tree: Tree): Branches => [
  ...branchesOf(tree, false),
  ...[...factsIn(tree)].map((fact): Claim[] => [{ kind: 'blank', fact }]),
]

function asItStarts({ kind, startsAs }: Field, fact: string): Branches {
  const blank: Claim[] = [{ kind: 'blank', fact }]
  const is = (word: string): Claim[] => [{ kind: 'among', fact, words: [word.trimEnd().toLowerCase()] }]
  if (kind === 'tick') return [is(startsAs === '1' ? '1' : '0')]
  if (startsAs === undefined) return [blank]
  return [blank, kind === 'choice' || kind === 'line' || kind === 'code' ? is(startsAs) : [{ kind: 'filled', fact }]]
}
