import { type Book, findField, fieldWith } from '../../book'
import { isDerived, type Now, type Value } from '../../kinds'
import { allNodesOf, derivedOf } from '../derived/derived'
import { evaluate } from './evaluate'
import type { Facts } from './facts'
import type { Tree } from '../tree'

/** A record by its own values alone, what is worked out from them included; it leads nowhere and nothing hangs on it. */
export function ownFacts(book: Book, values: Readonly<Record<string, Value>>, now: Now): Facts {
  const facts: Facts = {
    value(id) {
      if (id in values) return values[id]!
      const field = findField(book, id)?.field
      const made = field && isDerived(field) && field.kind !== 'copied' ? derivedOf(book, id) : undefined
      return made && 'tree' in made ? evaluate(made.tree, facts, now) : null
    },
    linked: () => undefined,
    rows: () => [],
  }
  return facts
}

/** The fields that must be known for a tree to be computed from a record's own values; nothing where that isn't enough. */
export function ownNeeds(book: Book, tree: Tree): readonly string[] | undefined {
  const needs: string[] = []
  for (const node of allNodesOf(book, tree)) {
    if (node.kind === 'aggregate' || (node.kind === 'fact' && node.over.length > 0)) return undefined
    if (node.kind !== 'fact') continue
    const { field } = fieldWith(book, node.field)
    if (!isDerived(field) || field.kind === 'copied') needs.push(field.id)
    else if (field.freezes !== undefined) return undefined
  }
  return needs
}
