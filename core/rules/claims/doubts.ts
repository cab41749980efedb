import type { Book, Rule, Table } from '../../book'
import { nodesOf, type Tree } from '../../expressions'
import { type OwnRule, ownRules } from '../own-rules'
import { factsIn } from './amounts'
import { allOf, type Branches, branchesOf } from './branches'
import { type KnownOf, knownOf } from './known'
import { isPossible } from './possible'
import { oncePerPart } from '../../words'

export type RuleDoubt =
  /** Nothing that can be entered breaks it, by itself or because of others that refuse the same. */
  | { readonly kind: 'never'; readonly rule: Rule; readonly because: readonly Rule[] }
  /** Nothing that is filled in can meet all of them; one rule may do that alone. */
  | { readonly kind: 'against'; readonly rules: readonly Rule[] }

interface Held {
  readonly rule: Rule
  readonly tree: Tree
  readonly facts: ReadonlySet<string>
}

/** A table has few rules that speak of the same facts; beyond these nobody waits for an answer. */
const mostTogether = 24

/**
 * Rules of a table that refuse nothing, and such as no filled-in record can meet. Simple comparisons, choices and
 * what is blank are understood, and how they are joined; whatever isn't is taken to be possible, so that what is
 * said here is certain.
 */
export const ruleDoubts: (book: Book, table: Table) => readonly RuleDoubt[] = oncePerPart(findDoubts)

function findDoubts(book: Book, table: Table): RuleDoubt[] {
  const held = ownRules(book, table.id).flatMap(({ rule, compiled }: OwnRule): Held[] =>
    compiled?.kind === 'holds' ? [{ rule, tree: compiled.tree, facts: factsIn(compiled.tree) }] : [],
  )
  const known = knownOf(
    book,
    table,
    held.map(({ tree }) => tree),
  )
  const against = contradictions(held.filter(({ rule }) => !rule.warns).slice(0, mostTogether), known)
  const tangled = new Set(against.flatMap((doubt) => (doubt.kind === 'against' ? doubt.rules : [])))
  const idle = held.filter(({ rule }) => !tangled.has(rule)).slice(0, mostTogether)
  return [...against, ...idle.flatMap((one, at) => neverRefuses(one, idle.slice(0, at), known))]
}

const canBe = (branches: Branches, known: KnownOf) => branches.some((claims) => isPossible(claims, known))

function neverRefuses(one: Held, before: readonly Held[], known: KnownOf): RuleDoubt[] {
  const refused = branchesOf(one.tree, false)
  if (!canBe(refused, known)) return [{ kind: 'never', rule: one.rule, because: [] }]
  const same = before.filter(
    ({ rule, facts }) => isAsked(rule, one.rule) && [...facts].every((fact) => one.facts.has(fact)),
  )
  for (const other of same)
    if (!canBe(refusedBeside(refused, [other]), known))
      return [{ kind: 'never', rule: one.rule, because: [other.rule] }]
  return same.length > 1 && !canBe(refusedBeside(refused, same), known)
    ? [{ kind: 'never', rule: one.rule, because: same.map(({ rule }) => rule) }]
    : []
}

/** Whether one rule refuses wherever another would be asked. */
const isAsked = (rule: Rule, beside: Rule) => !rule.warns && (!rule.onlyNew || Boolean(beside.onlyNew))

/** What would be refused although other rules let it through; a rule lets through what it can't tell, too. */
function refusedBeside(refused: Branches, others: readonly Held[]): Branches {
  return refused.flatMap((claims) => {
    const filled = new Set(
      claims.flatMap((claim) =>
        claim.kind === 'atMost' ? [claim.plus, claim.minus] : claim.kind === 'blank' ? [] : [claim.fact],
      ),
    )
    const sure = others.filter(({ facts }) => [...facts].every((fact) => filled.has(fact)))
    return allOf([[claims], ...sure.map(({ tree }) => branchesOf(tree, true))])
  })
}

/** The smallest sets of rules that can't all hold where what they speak of is filled in. */
function contradictions(held: readonly Held[], known: KnownOf): RuleDoubt[] {
  const found: RuleDoubt[] = []
  let left = held.filter(({ tree }) => understood(tree))
  for (;;) {
    if (holdTogether(left, known)) return found
    let core = left
    for (const one of left) {
      const fewer = core.filter((other) => other !== one)
      if (!holdTogether(fewer, known)) core = fewer
    }
    found.push({ kind: 'against', rules: core.map(({ rule }) => rule) })
    left = left.filter((one) => one !== core.at(-1))
  }
}

/** One that asks whether something is blank means records in which it is; it is no contradiction with what is filled. */
const understood = (tree: Tree) =>
  nodesOf(tree).every(({ kind }) => kind !== 'isNull') && branchesOf(tree, true).every((claims) => claims.length > 0)

function holdTogether(held: readonly Held[], known: KnownOf): boolean {
  const facts = new Set(held.flatMap((one) => [...one.facts]))
  const filled: Branches = [[...facts].map((fact) => ({ kind: 'filled', fact }) as const)]
  return canBe(allOf([filled, ...held.map(({ tree }) => branchesOf(tree, true))]), known)
}
