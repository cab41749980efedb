import { type Book, type Link, tableOf } from '../book'
import { oncePer } from '../words'

/** A way from one table to another through links, each table met once. */
export interface Path {
  readonly tables: readonly string[]
  readonly links: readonly string[]
}

export interface PathLimits {
  /** How many links longer than the shortest way a way may be. */
  readonly detour: number
  readonly atMost: number
}

interface Way {
  readonly link: Link
  readonly to: string
}

/** Links by the tables they touch. */
const waysIn = oncePer((book: Book): Map<string, Way[]> => {
  const ways = new Map<string, Way[]>(book.tables.map((table) => [table.id, []]))
  for (const link of book.links) {
    if (link.one === link.many) continue
    ways.get(link.one)?.push({ link, to: link.many })
    ways.get(link.many)?.push({ link, to: link.one })
  }
  return ways
})

/** How many links each table is away from one; tables that can't be reached, or not in so many, are left out. */
export function distancesFrom(book: Book, table: string, atMost = Infinity): ReadonlyMap<string, number> {
  const ways = waysIn(book)
  const distances = new Map([[table, 0]])
  const queue = [table]
  for (const here of queue) {
    if (distances.get(here)! >= atMost) break
    for (const { to } of ways.get(here) ?? []) {
      if (distances.has(to)) continue
      distances.set(to, distances.get(here)! + 1)
      queue.push(to)
    }
  }
  return distances
}

/**
 * The simple ways between two tables, shortest first. A search in depth that never goes where the rest of
 * the way would be too long, for one length after the other.
 */
export function pathsBetween(
  book: Book,
  from: string,
  to: string,
  { detour, atMost }: PathLimits = { detour: 2, atMost: 12 },
): Path[] {
  const distances = distancesFrom(book, to)
  const shortest = distances.get(from)
  if (shortest === undefined || from === to) return []
  const ways = waysIn(book)
  const found: Path[] = []
  const walk = (here: string, tables: readonly string[], links: readonly string[], length: number): void => {
    if (found.length >= atMost) return
    if (here === to) {
      if (links.length === length) found.push({ tables, links })
      return
    }
    for (const { link, to: next } of ways.get(here) ?? []) {
      const rest = distances.get(next)
      if (rest === undefined || links.length + 1 + rest > length || tables.includes(next)) continue
      walk(next, [...tables, next], [...links, link.id], length)
    }
  }
  for (let length = shortest; length <= shortest + detour && found.length < atMost; length++)
    walk(from, [from], [], length)
  return found
}

/** "Visit → Visit appliance → Appliance" */
export const sayPath = (book: Book, path: Path): string => path.tables.map((id) => tableOf(book, id).name).join(' → ')
