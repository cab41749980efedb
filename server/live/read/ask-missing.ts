import type { List } from '@/core/book'
import { type Answers, type Gap, missableFields, missingSql, readList } from '@/core/lists'
import { namesOf } from '../live'
import type { Reads } from '../unit'
import { type Asked, run } from './ask-list'

/** So many gaps are told. */
const mostGaps = 500

/** What is missing among the values that a list's records have in a field; none where nothing can be. */
export async function askMissing(
  reads: Reads,
  list: List,
  answers: Answers,
  field: string,
): Promise<Asked<{ readonly gaps: readonly Gap[]; readonly more: boolean }>> {
  const { book } = reads.live
  const { faults, ...found } = readList(book, list, answers)
  if (!('read' in found)) return { faults }
  if (!missableFields(found.read.table).some(({ id }) => id === field)) return { gaps: [], more: false }
  const told = await run(reads, missingSql(book, found.read, field, mostGaps + 1, namesOf(reads.live)))
  const gaps = told.filter((gap) => gap !== undefined)
  return { gaps: gaps.slice(0, mostGaps), more: gaps.length > mostGaps }
}
