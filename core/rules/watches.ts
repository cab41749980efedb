import { type Book, linkOf, type Table, tableOf, fieldWith, linkWith } from '../book'
import { derivedOf, isStored, partsOf, type Tree } from '../expressions'
import { isDerived } from '../kinds'
import { fieldsOf, treesOf } from './own-rules'
import type { CompiledRule } from './compiled-rule'

/** One step from a record: to the one record that a link field leads to, or to the rows that hang on it by a link. */
export type Hop = { readonly to: 'one'; readonly field: string } | { readonly to: 'rows'; readonly link: string }

/** Records whose change may make a rule's record break it: where they stand from it, and which of their facts matter. */
export interface Watch {
  readonly hops: readonly Hop[]
  readonly table: Table
  readonly fields: ReadonlySet<string>
}

/** All that a rule over one table's records looks at, place by place; the record itself comes first. */
export function watchesOf(book: Book, table: Table, compiled: CompiledRule): Watch[] {
  const places = new Map<string, { hops: readonly Hop[]; table: Table; fields: Set<string> }>()
  const at = (hops: readonly Hop[], here: Table) => {
    const name = JSON.stringify(hops)
    const found = places.get(name) ?? { hops, table: here, fields: new Set<string>() }
    places.set(name, found)
    return found.fields
  }
  const lookAt = (id: string, hops: readonly Hop[], here: Table) => {
    const { field } = fieldWith(book, id)
    if (!isDerived(field) || isStored(field)) at(hops, here).add(id)
    const made = isDerived(field) ? derivedOf(book, id) : undefined
    if (!made || 'problem' in made) return
    // A copy changes with its link.
    if (field.kind === 'copied') return void (made.tree.kind === 'fact' && at(hops, here).add(made.tree.over[0]!))
    walk(made.tree, hops, here)
    if (made.freezes) walk(made.freezes, hops, here)
  }
  const walk = (tree: Tree, hops: readonly Hop[], here: Table): void => {
    if (tree.kind === 'fact') {
      let [way, table]: [readonly Hop[], Table] = [hops, here]
      for (const link of tree.over) {
        at(way, table).add(link)
        way = [...way, { to: 'one', field: link }]
        table = tableOf(book, linkOf(book, link).one)
      }
      return lookAt(tree.field, way, table)
    }
    if (tree.kind === 'aggregate') {
      const link = linkWith(book, tree.link)
      const [way, rows] = [[...hops, { to: 'rows', link: link.id } as const], tableOf(book, link.many)]
      at(way, rows).add(link.field)
      for (const part of [tree.of, tree.where]) if (part) walk(part, way, rows)
      return
    }
    for (const part of partsOf(tree)) walk(part, hops, here)
  }
  at([], table)
  for (const { id } of fieldsOf(compiled)) lookAt(id, [], table)
  for (const tree of treesOf(compiled)) walk(tree, [], table)
  return [...places.values()]
}
