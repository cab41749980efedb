import { carriedFigures, type PaperPart } from '@/core/reports'
import { inWords, cellAt, type GroupLine, type ReadColumn, type ReadFigure, sayGroup, ShownSums } from '@/core/lists'
import { counted, inSentence } from '@/core/words'
import { askGroups } from '../read/ask-groups'
import { askList, type ListLine } from '../read/ask-list'
import { spread, type Walk } from './walk-list'
import type { Cursor } from '@/core/records'

const pageSize = 500
const mostGroups = 100_000

export interface ReportWalk extends Walk {
  /** Which of the list's columns are shown, by their places. */
  readonly shown: readonly number[]
  /** Called between two questions: what it throws ends the walk. */
  readonly between?: () => Promise<void>
}

const cutShort = () => new Error('A list could not be read to its end.')

/** What a report has, as the database gives it. */
export type ReportPiece =
  | { readonly kind: 'group'; readonly level: number; readonly words: string }
  | { readonly kind: 'lines'; readonly lines: readonly ListLine[] }
  /** What a group comes to, or all records where it has no level. */
  | {
      readonly kind: 'sum'
      readonly level?: number
      readonly words: string
      readonly of: GroupLine
      /** Where it isn't what the rows above it add up to: why, and to what. */
      readonly notes: readonly string[]
    }

/**
 * A list in the order in which a report is read: the headings of its groups, its records, and what groups and all of them
 * come to, as the database adds it up.
 */
export async function* reportPieces(walk: ReportWalk): AsyncGenerator<ReportPiece> {
  const { reads, list, answers, read, shown } = walk
  const sums = new ShownSums(reads.live.book, read, new Set(shown.map((place) => columnAt(read, place).id)))
  yield* within(walk, sums, [])
  const found = await askGroups(reads, list, answers, { by: [] })
  const all = 'faults' in found ? undefined : found.groups[0]
  if (!all || all.count === 0) return
  yield {
    kind: 'sum',
    words: `All, ${counted(all.count, inSentence(read.table.name))}`,
    of: all,
    notes: sums.end(all),
  }
}

async function* within(
  walk: ReportWalk,
  sums: ShownSums,
  path: readonly (string | null)[],
): AsyncGenerator<ReportPiece> {
  const { reads, list, answers, read } = walk
  const level = path.length
  const group = read.groups[level]
  if (!group) return void (yield* linesOf(walk, sums, path))
  const found = await askGroups(reads, list, answers, { by: [level], path, most: mostGroups })
  // Paper that lacks some of them must not look whole.
  if ('faults' in found || found.more) throw cutShort()
  for (const line of found.groups) {
    const cell = cellAt(line)
    const words = sayGroup(reads.live.book.look, group, cell)
    yield { kind: 'group', level, words }
    sums.begin()
    yield* within(walk, sums, [...path, cell.key])
    const noun = counted(line.count, inSentence(read.table.name))
    yield { kind: 'sum', level, words: `${words}, ${noun}`, of: line, notes: sums.end(line) }
  }
}

async function* linesOf(
  walk: ReportWalk,
  sums: ShownSums,
  path: readonly (string | null)[],
): AsyncGenerator<ReportPiece> {
  const { reads, list, answers } = walk
  let after: Cursor | undefined
  do {
    const page = await askList(reads, list, answers, { after, limit: pageSize, path })
    if ('faults' in page) throw cutShort()
    for (const { cells } of page.lines) sums.row(cells)
    yield { kind: 'lines', lines: page.lines }
    await walk.between?.()
    after = page.next
  } while (after)
}

/** The same in words, as it stands on pages. */
export async function* reportParts(walk: ReportWalk): AsyncGenerator<readonly PaperPart[]> {
  const carried = carriedFigures(walk.reads.live.book, walk.read, walk.shown).map(({ column }) => column)
  for await (const piece of reportPieces(walk)) {
    if (piece.kind === 'group') yield [piece]
    else if (piece.kind === 'lines') yield piece.lines.flatMap((line) => rowsOfLine(walk, carried, line))
    else {
      const { of, ...sum } = piece
      yield [{ ...sum, cells: figureCells(walk, of) }]
    }
  }
}

/** The rows that one record takes: several where some of it goes on lines. */
function rowsOfLine(
  { reads, read, shown }: ReportWalk,
  carried: readonly { id: string }[],
  line: ListLine,
): PaperPart[] {
  const { book } = reads.live
  return spread(read.columns, line).map((cells, at) => ({
    kind: 'row',
    cells: shown.map((place) => inWords(book, columnAt(read, place), cells[place] ?? null)),
    ...(at > 0 ? { goesOn: true } : carried.length > 0 && { adds: carried.map(({ id }) => plainOf(line.cells[id])) }),
  }))
}

const plainOf = (cell: ListLine['cells'][string] | undefined): string | null => (typeof cell === 'string' ? cell : null)

function columnAt({ columns }: Walk['read'], place: number): ReadColumn {
  const column = columns[place]
  if (!column) throw new Error('A report shows a column that its list has not.')
  return column
}

/** What some records come to, under the columns that it stands beneath. */
function figureCells({ reads, read, shown }: ReportWalk, line: GroupLine): string[] {
  return shown.map((place) => {
    const { id } = columnAt(read, place)
    const figure: ReadFigure | undefined = read.figures.find((one) => one.column.id === id)
    return figure ? inWords(reads.live.book, figure, line.figures[id] ?? null) : ''
  })
}

/** The longest that numbers of each column can be, as far as the database tells: the least, the greatest, and the sum. */
export async function longestNumbers(walk: ReportWalk): Promise<readonly (readonly string[])[]> {
  const { reads, list, answers, read } = walk
  const rows: string[][] = []
  const found = await askGroups(reads, list, answers, { by: [] })
  const all = 'faults' in found ? undefined : found.groups[0]
  if (all) rows.push(figureCells(walk, all))
  for (const name of ['least', 'greatest'] as const) {
    const figures = read.columns.flatMap((column) =>
      column.kind === 'field' && ['whole', 'exact', 'money', 'measured'].includes(column.face.kind)
        ? [{ column: column.id, name }]
        : [],
    )
    if (figures.length === 0) continue
    const bare = { ...list, figures, shown: undefined, groups: undefined }
    const ends = await askGroups(reads, bare, answers, { by: [] })
    const line = 'faults' in ends ? undefined : ends.groups[0]
    if (line)
      rows.push(
        walk.shown.map((place) => {
          const column = columnAt(read, place)
          return inWords(reads.live.book, column, line.figures[column.id] ?? null)
        }),
      )
  }
  return rows
}
