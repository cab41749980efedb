import type { List } from '@/core/book'
import {
  type Answers,
  type Cell,
  cellAt,
  csvCell,
  guardFormula,
  type ReadColumn,
  type ReadGroup,
  readList,
  sayGroup,
} from '@/core/lists'
import type { Cursor } from '@/core/records'
import type { Live } from '../live'
import type { Reads } from '../unit'
import { askGroups } from './ask-groups'
import { askList, type ListLine } from './ask-list'
import { csvHead, csvLines } from './csv'

const pageSize = 1000

/** So many groups of a level go into one file; far more than anybody reads. */
const mostGroups = 100_000

/**
 * A list as CSV (RFC 4180, UTF-8 with a byte-order mark), a page at a time, so that no size is too large. What goes on
 * lines each takes as many as there are; what the list is grouped by stands first, in every line. Nothing at all comes
 * of a list that can't be run.
 */
export async function* csvOfList(
  reads: Reads,
  list: List,
  answers: Answers,
  most = mostGroups,
): AsyncGenerator<string> {
  const { live } = reads
  const found = readList(live.book, list, answers)
  if (!('read' in found)) return
  const { columns, groups } = found.read
  yield csvHead([...groups.map(({ heading }) => heading), ...columns.map(({ heading }) => heading)])
  for await (const { path, words } of groupsIn({ reads, list, answers, groups, most })) {
    let after: Cursor | undefined
    do {
      const page = await askList(reads, list, answers, { after, limit: pageSize, path })
      if ('faults' in page) throw cutShort()
      const rows = page.lines.flatMap((line) => rowsOf(live, columns, line).map((row) => [...words, ...row]))
      if (rows.length > 0) yield csvLines(rows)
      after = page.next
    } while (after)
  }
}

const cutShort = () => new Error('A list could not be read to its end.')

interface InGroup {
  readonly path: readonly (string | null)[]
  /** What its groups are called, from the first on. */
  readonly words: readonly string[]
}

/** The innermost groups of a list in their order; one for all where it has none. */
async function* groupsIn(
  walk: {
    readonly reads: Reads
    readonly list: List
    readonly answers: Answers
    readonly groups: readonly ReadGroup[]
    readonly most: number
  },
  within: InGroup = { path: [], words: [] },
): AsyncGenerator<InGroup> {
  const { reads, list, answers, groups, most } = walk
  const group = groups[within.path.length]
  if (!group) return void (yield within)
  const found = await askGroups(reads, list, answers, { by: [within.path.length], path: within.path, most })
  // A file that lacks some of them must not look whole.
  if ('faults' in found || found.more) throw cutShort()
  for (const line of found.groups) {
    const cell = cellAt(line)
    const words = guardFormula(sayGroup(reads.live.book.look, group, cell))
    yield* groupsIn(walk, { path: [...within.path, cell.key], words: [...within.words, words] })
  }
}

/** The lines that one record takes: as many as the longest of what goes on lines. */
function rowsOf(live: Live, columns: readonly ReadColumn[], { cells }: ListLine): string[][] {
  const several = (column: ReadColumn) => (cells[column.id] ?? []) as readonly Cell[]
  const onLines = columns.filter((column) => column.kind === 'several' && column.as === 'lines')
  const lines = Math.max(1, ...onLines.map((column) => several(column).length))
  return Array.from({ length: lines }, (_, at) =>
    columns.map((column) => {
      if (column.kind !== 'several') return at === 0 ? written(live, column, cells[column.id] as Cell) : ''
      if (column.as === 'lines') return written(live, column, several(column)[at] ?? null)
      if (at > 0) return ''
      return guardFormula(
        several(column)
          .map((cell) => written(live, column, cell))
          .filter(Boolean)
          .join(', '),
      )
    }),
  )
}

const written = (live: Live, { face }: ReadColumn, cell: Cell): string =>
  cell !== null && typeof cell === 'object' ? guardFormula(cell.label) : csvCell(live.book, face, cell)
