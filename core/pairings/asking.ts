import type { Book, Table } from '../book'
import { distancesFrom } from './paths'
import { openPairs } from './ties'

export interface PairOfTables {
  readonly a: Table
  readonly b: Table
}

export interface Asking {
  /** The pairs worth a question, the most useful first. */
  readonly ask: readonly PairOfTables[]
  /** Pairs that are tied through others already and that no need speaks of: asked only when wanted. */
  readonly apart: readonly PairOfTables[]
}

/**
 * The order in which pairs are asked about: first those that the needs' words speak of, then tables that hang
 * on nothing yet, last those that come together through one other table. What is further apart is left alone.
 */
export function askingOrder(
  book: Book,
  spoken: readonly { readonly from: string; readonly to: string }[] = [],
): Asking {
  const named = new Set(spoken.flatMap(({ from, to }) => [pairName(from, to)]))
  // Rows that go with their record are part of it, and come together with others through it.
  const owned = new Set(book.links.flatMap((link) => (link.onRemove === 'remove' ? [link.many] : [])))
  const near = new Map(book.tables.map(({ id }) => [id, distancesFrom(book, id, 2)]))
  const group = groupsOf(book)
  const ranked = openPairs(book).map((pair) => {
    const said = named.size > 0 && named.has(pairName(pair.a.name, pair.b.name))
    const apart = group.get(pair.a.id) !== group.get(pair.b.id)
    const throughOne = near.get(pair.a.id)?.get(pair.b.id) === 2
    const part = owned.has(pair.a.id) || owned.has(pair.b.id)
    return { pair, rank: said ? 0 : part ? 3 : apart ? 1 : throughOne ? 2 : 3 }
  })
  const withRank = (wanted: number) => ranked.flatMap(({ pair, rank }) => (rank === wanted ? [pair] : []))
  return { ask: [0, 1, 2].flatMap(withRank), apart: withRank(3) }
}

/** For each table the first one of those that hang together with it. */
function groupsOf(book: Book): ReadonlyMap<string, string> {
  const group = new Map<string, string>()
  for (const { id } of book.tables)
    if (!group.has(id)) for (const one of distancesFrom(book, id).keys()) group.set(one, id)
  return group
}

const pairName = (a: string, b: string) => [a.toLowerCase(), b.toLowerCase()].sort().join('\n')
