import type { List } from '@/core/book'
import { type Answers, type Cell, cellAt, type ReadColumn, type ReadGroup, type ReadList, sayGroup } from '@/core/lists'
import type { Cursor } from '@/core/records'
import type { Reads } from '../unit'
import { askGroups } from '../read/ask-groups'
import { askList, type ListLine } from '../read/ask-list'

const pageSize = 1000

/** So many groups of a level go into one file; far more than anybody reads. */
const mostGroups = 100_000

export interface Walk {
  readonly reads: Reads
  readonly list: List
  readonly answers: Answers
  readonly read: ReadList
  /** So many groups of a level at the most. */
  readonly most?: number | undefined
}

export interface WalkedPage {
  /** What the groups that these records are of are called, from the first on. */
  readonly groups: readonly string[]
  readonly lines: readonly ListLine[]
}

/** All records of a list in the order of its groups, a page at a time, so that no size is too large. */
export async function* walkList(walk: Walk): AsyncGenerator<WalkedPage> {
  const { reads, list, answers } = walk
  for await (const { path, words } of groupsIn(walk)) {
    let after: Cursor | undefined
    do {
      const page = await askList(reads, list, answers, { after, limit: pageSize, path })
      if ('faults' in page) throw cutShort()
      yield { groups: words, lines: page.lines }
      after = page.next
    } while (after)
  }
}

const cutShort = () => new Error('A list could not be read to its end.')

interface InGroup {
  readonly path: readonly (string | null)[]
  readonly words: readonly string[]
}

/** The innermost groups of a list in their order; one for all where it has none. */
async function* groupsIn(walk: Walk, within: InGroup = { path: [], words: [] }): AsyncGenerator<InGroup> {
  const { reads, list, answers, read, most = mostGroups } = walk
  const group: ReadGroup | undefined = read.groups[within.path.length]
  if (!group) return void (yield within)
  const found = await askGroups(reads, list, answers, { by: [within.path.length], path: within.path, most })
  // A file that lacks some of them must not look whole.
  if ('faults' in found || found.more) throw cutShort()
  for (const line of found.groups) {
    const cell = cellAt(line)
    const words = sayGroup(reads.live.book.look, group, cell)
    yield* groupsIn(walk, { path: [...within.path, cell.key], words: [...within.words, words] })
  }
}

/** The values of one line of a file, by column; what goes together in one place is one value for each. */
export type Spread = readonly (Cell | readonly Cell[])[]

/** The lines that one record takes: as many as the longest of what goes on lines. */
export function spread(columns: readonly ReadColumn[], { cells }: ListLine): Spread[] {
  const several = (column: ReadColumn) => (cells[column.id] ?? []) as readonly Cell[]
  const onLines = columns.filter((column) => column.kind === 'several' && column.as === 'lines')
  const lines = Math.max(1, ...onLines.map((column) => several(column).length))
  return Array.from({ length: lines }, (_, at) =>
    columns.map((column) => {
      if (column.kind === 'several' && column.as === 'lines') return several(column)[at] ?? null
      return at === 0 ? (cells[column.id] ?? null) : null
    }),
  )
}
