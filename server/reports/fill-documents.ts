import type { Book, Column, Condition, List, Place, Table } from '@/core/book'
import { type Answers, type Cell, cellAt, type GroupLine, inWords, ShownSums } from '@/core/lists'
import { type Filled, parentColumn, type ReadRows, type ReadTemplate, rowsOfOne, type Whose } from '@/core/reports'
import { type Cursor, keyOfRef, refOf as refFrom } from '@/core/records'
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
  const rows = new Map<string, Found>()
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
        rows: Object.fromEntries([...rows].map(([id, found]) => [id, found.get(ref)?.filled ?? { rows: [] }])),
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

interface RowsFound {
  readonly filled: { readonly rows: string[][]; sums?: string[]; notes?: string[] }
  readonly shown: ShownSums
}
type Found = Map<string, RowsFound>

/** The rows of some records, by whose they are, and what they come to. */
async function rowsOf(filling: Filling, rows: ReadRows, refs: readonly string[]): Promise<Found> {
  const { read, whose } = rows
  const found: Found = new Map()
  const ids = new Set(rows.columns.map(({ id }) => id))
  const add = (of: string, line: ListLine) => {
    const own = found.get(of) ?? { filled: { rows: [] }, shown: new ShownSums(filling.reads.live.book, read, ids) }
    own.filled.rows.push(wordsOf(filling, rows, line))
    own.shown.row(line.cells)
    found.set(of, own)
  }
  if (whose.by === 'field') {
    await rowsByField(filling, rows, whose.place, refs, add)
    if (read.figures.length > 0) await sumsByField(filling, rows, whose.place, refs, found)
  } else {
    await rowsByKeys(filling, rows, whose, refs, add)
    if (read.figures.length > 0) await sumsOneByOne(filling, rows, found)
  }
  return found
}

function wordsOf({ reads }: Filling, { columns, read }: ReadRows, { cells }: ListLine): string[] {
  return columns.map(({ id }) => {
    const column = read.columns.find((one) => one.id === id)
    return column ? inWords(reads.live.book, column, cells[id] ?? null) : ''
  })
}

const tooMany = (records: number) => new NotLaid({ kind: 'document-rows-many', most: mostRows, records })

async function rowsByField(
  { reads, answers }: Filling,
  { list }: ReadRows,
  parent: Place,
  refs: readonly string[],
  add: (of: string, line: ListLine) => void,
): Promise<void> {
  const asked = { ...list, where: both(ofThese(parent, refs), list.where) }
  let after: Cursor | undefined
  let count = 0
  do {
    const page = await askList(reads, asked, answers, { after, limit: pageSize })
    if ('faults' in page) throw cutShort()
    count += page.lines.length
    if (count > mostRows) throw tooMany(refs.length)
    for (const line of page.lines) {
      const of = refOf(line.cells[parentColumn])
      if (of !== undefined) add(of, line)
    }
    after = page.next
  } while (after)
}

const both = (own: Condition, where: Condition | undefined): Condition => ({
  kind: 'all',
  of: [own, ...(where ? [where] : [])],
})

/** A row may be several records': first which each has, then the rows themselves, all of a record's at a time. */
async function rowsByKeys(
  filling: Filling,
  { list }: ReadRows,
  { list: keysList, keys }: Extract<Whose, { by: 'keys' }>,
  refs: readonly string[],
  add: (of: string, line: ListLine) => void,
): Promise<void> {
  const { reads, answers } = filling
  const owners = new Map<string, string[]>()
  let count = 0
  for (const { ref, cells } of await linesOf(filling, keysList, refs)) {
    const parts = keys.map((id) => cells[id] as readonly Cell[])
    const own = (parts[0] ?? []).map((_, at) => keyAsRef(parts.map((part) => part[at] ?? null)))
    count += own.length
    if (count > mostRows) throw tooMany(refs.length)
    for (const key of own) owners.set(key, [...(owners.get(key) ?? []), ref])
  }
  // All at once: pages of them would each be in order, but not one after the other.
  const wanted = [...owners.keys()]
  if (wanted.length === 0) return
  const page = await askList(reads, list, answers, { limit: wanted.length, refs: wanted })
  if ('faults' in page) throw cutShort()
  for (const line of page.lines) for (const of of owners.get(line.ref) ?? []) add(of, line)
}

/** The reference of a record by the cells of its key; those of a link are references themselves. */
const keyAsRef = (cells: readonly Cell[]): string =>
  refFrom(
    cells.flatMap((cell) =>
      cell !== null && typeof cell === 'object' ? (keyOfRef(cell.ref, cell.ref.split('~').length) ?? []) : [cell ?? ''],
    ),
  )

async function sumsByField(
  { reads, answers }: Filling,
  rows: ReadRows,
  parent: Place,
  refs: readonly string[],
  found: Found,
): Promise<void> {
  const { list } = rows
  const asked: List = { ...list, where: both(ofThese(parent, refs), list.where), groups: [{ place: parent }] }
  const groups = await askGroups(reads, asked, answers, { by: [0], most: refs.length })
  if ('faults' in groups) throw cutShort()
  for (const line of groups.groups) {
    const own = found.get(cellAt(line).key ?? '')
    if (own) comeTo(reads.live.book, rows, own, line)
  }
}

/** What rows come to that may be several records': no group is only one's, so each record's are asked by themselves. */
async function sumsOneByOne({ reads, answers, read: { table } }: Filling, rows: ReadRows, found: Found): Promise<void> {
  for (const [ref, own] of found) {
    const one = rowsOfOne(reads.live.book, table, rows, ref)
    const groups = await askGroups(reads, one, answers, { by: [] })
    if ('faults' in groups) throw cutShort()
    const [line] = groups.groups
    if (line) comeTo(reads.live.book, rows, own, line)
  }
}

/** What rows come to, and whether that is what they add up to. */
function comeTo(book: Book, rows: ReadRows, own: RowsFound, line: GroupLine): void {
  const notes = own.shown.end(line)
  own.filled.sums = sumWords(book, rows, line.figures)
  if (notes.length > 0) own.filled.notes = notes
}

const sumWords = (book: Book, { columns, read }: ReadRows, figures: GroupLine['figures']): string[] =>
  columns.map(({ id }) => {
    const figure = read.figures.find(({ column }) => column.id === id)
    return figure ? inWords(book, figure, figures[id] ?? null) : ''
  })

const refOf = (cell: Cell | readonly Cell[] | undefined): string | undefined =>
  cell !== null && typeof cell === 'object' && 'ref' in cell ? cell.ref : undefined
