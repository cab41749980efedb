import type { Book } from '../../book'
import { isDerived } from '../../kinds'
import { oncePer } from '../../words'
import { storedTree } from '../check/stored-tree'
import { nodesOf } from '../tree'

/** Facts of the records that a link leads to, each as the way to it: links to follow, and the field at the end. */
export type Beyond = readonly (readonly string[])[]

/** Every fact that an expression of the book reads through a link field, of the record it leads to. */
export const factsBeyond = (book: Book, linkField: string): Beyond => allBeyond(book).get(linkField) ?? []

const allBeyond = oncePer((book: Book): ReadonlyMap<string, Beyond> => {
  const derived = book.tables.flatMap((table) => table.fields.filter(isDerived))
  const kept = [
    ...derived.flatMap((field) => [field.source, field.freezes]),
    ...book.rules.flatMap(({ says }) =>
      says.kind === 'holds' ? [says.tree] : says.kind === 'closed' ? [says.once] : [],
    ),
  ]
  const ways = new Map<string, Map<string, readonly string[]>>()
  for (const json of kept) {
    const tree = json === undefined ? undefined : storedTree(book, json)
    for (const node of tree ? nodesOf(tree) : []) {
      if (node.kind !== 'fact' || node.over.length === 0) continue
      const [first, ...rest] = node.over
      const way = [...rest, node.field]
      ways.set(first!, (ways.get(first!) ?? new Map()).set(way.join('/'), way))
    }
  }
  return new Map([...ways].map(([link, all]) => [link, [...all.values()]]))
})
