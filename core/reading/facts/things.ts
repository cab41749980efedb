import { attributeHeads } from '../knowledge/attributes'
import type { Fact } from './facts'

/** So much must speak for a noun before it is taken for a thing of its own. */
const enough = 2

/** The nouns that are things with facts and ties of their own, and the other names they go by. */
export function thingsIn(facts: readonly Fact[]): { things: Set<string>; names: Map<string, string> } {
  const weights = new Map<string, number>()
  const sure = new Set<string>()
  for (const fact of facts) {
    if (fact.kind !== 'thing') continue
    weights.set(fact.name, (weights.get(fact.name) ?? 0) + fact.weight)
    if (fact.sure) sure.add(fact.name)
  }
  const names = new Map(facts.flatMap((fact) => (fact.kind === 'same' ? [[fact.name, fact.as] as const] : [])))
  const things = new Set<string>()
  for (const [name, weight] of weights) {
    const attribute = attributeHeads.has(name.split(' ').at(-1)!)
    if (weight >= enough && (!attribute || sure.has(name)) && !names.has(name)) things.add(name)
  }
  for (const [name, as] of names) if (weights.has(name) || weights.has(as)) things.add(as)
  return { things, names }
}
