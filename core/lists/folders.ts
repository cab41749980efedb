import type { List } from '../book'

/** Folders are told apart as people do: not by capitals. */
const sameFolder = (a: string, b: string) => a.localeCompare(b, undefined, { sensitivity: 'accent' }) === 0

/** The folders that lists lie in, each once, in the order of their names. */
export function foldersOf(lists: readonly List[]): string[] {
  const found: string[] = []
  for (const { folder } of lists) if (folder && !found.some((one) => sameFolder(one, folder))) found.push(folder)
  return found.sort((a, b) => a.localeCompare(b))
}

/** The lists of a folder; of none, those that lie in none. */
export const inFolder = (lists: readonly List[], folder: string | undefined): List[] =>
  lists.filter((list) => (folder ? list.folder !== undefined && sameFolder(list.folder, folder) : !list.folder))
