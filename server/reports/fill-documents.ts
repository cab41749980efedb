import type { Column, Condition, List, Place, Table } from '@/core/book'
import { type Answers, type Cell, cellAt, inWords, type ReadColumn, type ReadFigure } from '@/core/lists'
import { type Filled, type FilledRows, parentColumn, type ReadRows, type ReadTemplate } from '@/core/reports'
import type { Cursor } from '@/core/records'
import { nth } from '@/core/words'
import { askGroups, askList, type ListLine, type Reads } from '../live'
import { NotLaid } from './work'

/** So many rows are put into documents of some records at the most. */
const mostRows = 20_000
const pageSize = 2000

interface Filling {
  readonly reads: Reads
  readonly answers: Answers
  readonly read: ReadTemplate
}

const cutShort = () => new Error('What a document takes could not be read to its end.')

/** What some records put into a document, in the order in which they are given; those that are gone are left out. */
export async function fillDocuments(filling: Filling, refs: readonly string[]): Promise<Filled[]> {
  const { read } = filling
  const known = knownBy(read.table)
  const list: List = { ...read.list, columns: [...read.list.columns, ...known] }
  const lines = await linesOf(filling, list, refs)
  const faces = new Map(known.map((column, at) => [column.id, nth(read.table.knownBy, at)]))
  // Of records that are gone, or never were, nothing more is asked.
  const there = lines.map(({ ref }) => ref)
  if (there.length === 0) return []
  const rows = new Map<string, Map<string, FilledRows>>()
  for (const [id, one] of read.rows) rows.set(id, await rowsOf(filling, one, there))
  const holds = new Map<string, ReadonlySet<string>>()
  for (const [id, asked] of read.only)
    holds.set(id, new Set((await linesOf(filling, asked, there)).map(({ ref }) => ref)))
  const byRef = new Map(lines.map((line) => [line.ref, line]))
  return refs.flatMap((ref) => {
    const line = byRef.get(ref)
    if (!line) return []
    return [
      {
        ref,
        label: labelOf(filling, line, faces) || ref,
        cells: line.cells,
        rows: Object.fromEntries([...rows].map(([id, found]) => [id, found.get(ref) ?? { rows: [] }])),
        holds: new Set([...holds].flatMap(([id, found]) => (found.has(ref) ? [id] : []))),
      },
    ]
  })
}

/** The columns of what records are known by. */
const knownBy = ({ knownBy: fields }: Table): Column[] =>
  fields.map((field, at) => ({ id: `-known-${at}`, shows: { kind: 'field', place: { way: [], field } } }))

function labelOf({ reads, read }: Filling, { cells }: ListLine, faces: ReadonlyMap<string, string>): string {
  return [...faces]
    .map(([id, fieldId]) => {
      const face = read.table.fields.find((field) => field.id === fieldId)
      return face ? inWords(reads.live.book, { face }, cells[id] ?? null) : ''
    })
    .filter(Boolean)
    .join(', ')
}

async function linesOf({ reads, answers }: Filling, list: List, refs: readonly string[]) {
  const page = await askList(reads, list, answers, { limit: Math.max(1, refs.length), refs })
  if ('faults' in page) throw cutShort()
  return page.lines
}

const ofThese = (place: Place, refs: readonly string[]): Condition => ({
  kind: 'compare',
  place,
  how: 'oneOf',
  with: refs.map((value) => ({ value })),
})

/** The rows of some records, by whose they are. */
async function rowsOf(
  { reads, answers }: Filling,
  { list, parent, columns, read }: ReadRows,
  refs: readonly string[],
): Promise<Map<string, FilledRows>> {
  const { book } = reads.live
  const where: Condition = { kind: 'all', of: [ofThese(parent, refs), ...(list.where ? [list.where] : [])] }
  const asked: List = { ...list, where }
  const found = new Map<string, { rows: string[][]; sums?: string[] }>()
  const byId = new Map(read.columns.map((column) => [column.id, column]))
  const wordsOf = (id: string, cell: Cell | readonly Cell[] | undefined) =>
    inWords(book, byId.get(id) ?? noColumn(), cell ?? null)
  let after: Cursor | undefined
  let count = 0
  do {
    const page = await askList(reads, asked, answers, { after, limit: pageSize })
    if ('faults' in page) throw cutShort()
    count += page.lines.length
    if (count > mostRows) throw new NotLaid({ kind: 'document-rows-many', most: mostRows, records: refs.length })
    for (const { cells } of page.lines) {
      const of = refOf(cells[parentColumn])
      if (of === undefined) continue
      const own = found.get(of) ?? { rows: [] }
      own.rows.push(columns.map(({ id }) => wordsOf(id, cells[id])))
      found.set(of, own)
    }
    after = page.next
  } while (after)
  if (read.figures.length === 0) return found
  const groups = await askGroups(reads, { ...asked, groups: [{ place: parent }] }, answers, {
    by: [0],
    most: refs.length,
  })
  if ('faults' in groups) throw cutShort()
  for (const line of groups.groups) {
    const own = found.get(cellAt(line).key ?? '')
    if (own) own.sums = columns.map(({ id }) => sayFigure(read.figures, id, line.figures[id]))
  }
  return found

  function sayFigure(figures: readonly ReadFigure[], id: string, value: Cell | undefined): string {
    const figure = figures.find(({ column }) => column.id === id)
    return figure ? inWords(book, figure, value ?? null) : ''
  }
}

const noColumn = (): ReadColumn => {
  throw new Error('Rows of a document show a column that they have not.')
}

const refOf = (cell: Cell | readonly Cell[] | undefined): string | undefined =>
  cell !== null && typeof cell === 'object' && 'ref' in cell ? cell.ref : undefined
