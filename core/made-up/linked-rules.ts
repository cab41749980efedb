import { type Book, findField, linkOf, type Table } from '../book'
import { allNodesOf, derivedOf, evaluate, type Facts, type Tree } from '../expressions'
import { isDerived } from '../kinds'
import type { Values } from '../records'
import { checkRules } from '../rules'

/** The records that were made up so far, by table and by what they go by. */
export type MadeSoFar = ReadonlyMap<string, ReadonlyMap<string, Values>>

// Rules that are always asked don't speak of today.
const never = { moment: '0001-01-01T00:00' }

/** The words of a rule that a made-up row breaks together with the records it is linked to; undefined where it keeps them. */
export function brokenOverLinks(book: Book, table: Table, values: Values, made: MadeSoFar): string | undefined {
  const facts = factsOf(book, values, made)
  const [broken] = checkRules(book, table.id, { facts, now: never, knows: (tree) => isKnown(book, tree) }).filter(
    ({ rule }) => !rule.warns && !rule.onlyNew,
  )
  return broken?.rule.words
}

/** Whether all that a tree asks for is in the rows that were made up: nothing that is gathered or kept from another time. */
const isKnown = (book: Book, tree: Tree): boolean =>
  allNodesOf(book, tree).every((node) => {
    if (node.kind === 'aggregate') return false
    const field = node.kind === 'fact' ? findField(book, node.field)?.field : undefined
    return !field || !isDerived(field) || (field.kind !== 'copied' && field.freezes === undefined)
  })

function factsOf(book: Book, values: Values, made: MadeSoFar): Facts {
  const facts: Facts = {
    value(id) {
      if (id in values) return values[id]!
      const field = findField(book, id)?.field
      const derived = field && isDerived(field) ? derivedOf(book, id) : undefined
      return derived && 'tree' in derived ? evaluate(derived.tree, facts, never) : null
    },
    linked(id) {
      const ref = values[id] ?? null
      const linked = ref === null ? undefined : made.get(linkOf(book, id).one)?.get(ref)
      return linked && factsOf(book, linked, made)
    },
    rows: () => [],
  }
  return facts
}
