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
  const distances = new Map<string, ReadonlyMap<string, number>>()
  const distance = (a: string, b: string) => {
    const known = distances.get(a) ?? distancesFrom(book, a)
    distances.set(a, known)
    return known.get(b)
  }
  const ranked = openPairs(book).map((pair) => {
    const said = named.has(pairName(pair.a.name, pair.b.name))
    const far = distance(pair.a.id, pair.b.id)
    const part = owned.has(pair.a.id) || owned.has(pair.b.id)
    return { pair, rank: said ? 0 : part ? 3 : far === undefined ? 1 : far === 2 ? 2 : 3 }
  })
  const order = ranked.filter(({ rank }) => rank < 3).sort((first, second) => first.rank - second.rank)
  return { ask: order.map(({ pair }) => pair), apart: ranked.filter(({ rank }) => rank === 3).map(({ pair }) => pair) }
}

const pairName = (a: string, b: string) => [a.toLowerCase(), b.toLowerCase()].sort().join('\n')
