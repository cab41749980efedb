import type { Condition } from './list'

/** Walks all conditions of a tree, each before those in it. */
export function conditionsIn(condition: Condition): readonly Condition[] {
  switch (condition.kind) {
    case 'all':
    case 'any':
      return [condition, ...condition.of.flatMap(conditionsIn)]
    case 'not':
      return [condition, ...conditionsIn(condition.of)]
    case 'has':
      return [condition, ...(condition.where ? conditionsIn(condition.where) : [])]
    default:
      return [condition]
  }
}
