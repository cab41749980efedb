import type { List } from '@/core/book'
import {
  type Answers,
  type AskedRow,
  branchesOf,
  branchSql,
  type Cell,
  countSql,
  keyText,
  type ListFault,
  readList,
  type ReadList,
  rowsSql,
  type Statement,
  type StoredRow,
  withinGroup,
} from '@/core/lists'
import type { Cursor } from '@/core/records'
import { namesOf } from '../live'
import { type Reads, selectRowsIn } from '../unit'
import { keyParams } from './rows'

/** One record of a list; what may be several has one value for each of them, in the same order in all its columns. */
export interface ListLine {
  readonly ref: string
  readonly rev: number
  readonly cells: Readonly<Record<string, Cell | readonly Cell[]>>
}

export interface AskedPage {
  readonly lines: readonly ListLine[]
  /** Where the next page begins; none after the last. */
  readonly next?: Cursor
}

/** What a list gives, or all that is wrong with it. */
export type Asked<T> = T | { readonly faults: readonly ListFault[] }

export const run = async <Row>(reads: Reads, { sql, params, read }: Statement<Row>): Promise<Row[]> =>
  (await selectRowsIn<StoredRow>(reads, sql, params)).map(read)

export interface AskedPart {
  readonly after?: Cursor | undefined
  readonly limit: number
  /** Of one group alone: by the keys of what the list is grouped by, from the first on. */
  readonly path?: readonly (string | null)[] | undefined
  /** Only these records of it, by their references. */
  readonly refs?: readonly string[] | undefined
}

/** A page of a list's records, with what may be several beside each. */
export async function askList(
  reads: Reads,
  list: List,
  answers: Answers,
  { after, limit, path = [], refs }: AskedPart,
): Promise<Asked<AskedPage>> {
  const { faults, ...found } = readList(reads.live.book, list, answers)
  if (!('read' in found)) return { faults }
  const read = withinGroup(reads.live.book, found.read, path)
  if (!read) return { lines: [] }
  const names = namesOf(reads.live)
  // Of some, the first alone are asked for: they are one page.
  const most = read.first ?? limit
  const rows = await run(
    reads,
    rowsSql(reads.live.book, read, { after, limit: most + 1, keys: refs && keysOf(reads, read, refs) }, names),
  )
  const page = rows.slice(0, most)
  const last = page.at(-1)
  return {
    lines: await withBranches(reads, read, page),
    ...(read.first === undefined && rows.length > limit && last && { next: last.cursor }),
  }
}

/** Keys of references; what can't be one of the table is left out. */
const keysOf = ({ live }: Reads, { table }: ReadList, refs: readonly string[]) =>
  refs.flatMap((ref) => {
    const key = keyParams(live, table.id, ref)
    return key ? [key] : []
  })

/** How many records a list has. */
export async function countList(
  reads: Reads,
  list: List,
  answers: Answers,
): Promise<Asked<{ readonly count: number }>> {
  const { faults, ...found } = readList(reads.live.book, list, answers)
  if (!('read' in found)) return { faults }
  const [count = 0] = await run(reads, countSql(reads.live.book, found.read, namesOf(reads.live)))
  const { first, groups } = found.read
  return { count: first !== undefined && groups.length === 0 ? Math.min(count, first) : count }
}

async function withBranches(reads: Reads, read: ReadList, page: readonly AskedRow[]): Promise<ListLine[]> {
  const several = new Map<string, Record<string, Cell[]>>()
  const keys = page.map(({ key }) => key)
  for (const branch of keys.length > 0 ? branchesOf(read) : []) {
    const ids = branch.columns.map(({ id }) => id)
    for (const key of keys) {
      const cells = several.get(keyText(key)) ?? {}
      for (const id of ids) cells[id] = []
      several.set(keyText(key), cells)
    }
    for (const { of, cells } of await run(reads, branchSql(reads.live.book, read, branch, keys, namesOf(reads.live))))
      for (const id of ids) several.get(of)?.[id]?.push(cells[id] ?? null)
  }
  return page.map(({ ref, rev, cells, key }) => ({ ref, rev, cells: { ...cells, ...several.get(keyText(key)) } }))
}
