import type { Book } from '../../book'
import { factTree } from './fact-tree'
import type { ReadGroup, ReadList } from './read-list'
import { isRefFor, isValue } from './could-be'
import { daysWritten } from './spans'

/** Whether a text could be the key of a group; what isn't is never put into a statement. */
function isGroupKey(book: Book, { field, face, step }: ReadGroup, key: string): boolean {
  if (field.kind === 'link') return isRefFor(book, field, key)
  if (typeof step === 'string' && step !== 'letter') return key.length === 10 && daysWritten(key) !== undefined
  const type = factTree(book, field)?.type.is
  if (type === 'exact' || type === 'measured') return /^-?\d{1,30}(\.\d{1,10})?$/.test(key)
  return step === 'letter' || isValue(face.kind, key)
}

const isKey = (book: Book, group: ReadGroup, key: string | null) => key === null || isGroupKey(book, group, key)

/** Narrows a list to one group, by its first few keys; nothing where one of them could not be one. */
export function withinGroup(book: Book, read: ReadList, path: readonly (string | null)[]): ReadList | undefined {
  const groups = path.map((_, at) => read.groups[at])
  if (groups.some((group, at) => !group || !isKey(book, group, path[at] ?? null))) return undefined
  if (path.length === 0) return read
  const inGroup = path.map((key, at) => ({ kind: 'inGroup', group: groups[at]!, key }) as const)
  return { ...read, where: { kind: 'all', of: [...(read.where ? [read.where] : []), ...inGroup] } }
}
