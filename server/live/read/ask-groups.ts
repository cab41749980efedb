import type { List } from '@/core/book'
import {
  type Answers,
  groupAt,
  type GroupLine,
  groupLines,
  groupsSql,
  readList,
  type ReadList,
  withinGroup,
} from '@/core/lists'
import { namesOf } from '../live'
import type { Reads } from '../unit'
import { type Asked, type AskedPart, run } from './ask-list'

/** So many groups are shown at a time; where two are crossed, so many cells. */
const mostGroups = 2000
const mostCells = 25_000
const mostSorted = 100_000

export interface AskedBy {
  readonly by: readonly number[]
  readonly path?: AskedPart['path']
  readonly most?: number
}

export interface AskedGroups {
  readonly groups: readonly GroupLine[]
  /** That there are more of them than are told. */
  readonly more: boolean
  /** How many come after the first of them, where only those are asked for. */
  readonly left: number
}

/**
 * The groups of a list by some of what it is grouped by, told by their places in it; by none, all its records as one.
 * `path` asks for those within one group.
 */
export async function askGroups(
  reads: Reads,
  list: List,
  answers: Answers,
  { by, path = [], most = by.length > 1 ? mostCells : mostGroups }: AskedBy,
): Promise<Asked<AskedGroups>> {
  const { faults, ...found } = readList(reads.live.book, list, answers)
  if (!('read' in found)) return { faults }
  const read = withinGroup(reads.live.book, found.read, path)
  if (!read || by.some((at) => !read.groups[at])) return { groups: [], more: false, left: 0 }
  // In another order than the database's own all of them are needed to know the first.
  const isSorted = by.some((at) => groupAt(read, at).by !== undefined)
  const asked = isSorted ? mostSorted : most
  const told = []
  for (const statement of groupsSql(reads.live.book, read, by, asked + 1, namesOf(reads.live)))
    told.push(await run(reads, statement))
  const count = told[0]?.length ?? 0
  if (isSorted && count > asked)
    return { faults: [{ at: { part: 'group', at: 0 }, problem: { kind: 'list-too-many-groups', most: asked } }] }
  return firstOf(read, by, groupLines(read, by, told).slice(0, most), count > most)
}

/** Within one group, or as rows or columns of their own, only the first may be asked for. */
function firstOf(read: ReadList, by: readonly number[], groups: readonly GroupLine[], more: boolean): AskedGroups {
  const first = by.length === 1 ? groupAt(read, by[0] ?? 0).first : undefined
  if (first === undefined) return { groups, more, left: 0 }
  return { groups: groups.slice(0, first), more, left: Math.max(0, groups.length - first) }
}
