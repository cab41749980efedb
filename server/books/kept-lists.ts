import { type Book, type Edit, findList, type List } from '@/core/book'
import { uncalled } from '@/core/lists'
import { fail, ok, type Result, sameJson } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { editBook, type Saved, type Seen } from './edit-book'
import { findBook } from './shelf'

/** The lists that somebody may see: everybody's, and their own. */
export const listsFor = (book: Book, accountId: string): readonly List[] =>
  book.lists.filter(({ owner }) => owner === undefined || owner === accountId)

/** A list as it is to be kept, and as it was when changing it began, where it was kept before. */
export interface Keeping {
  readonly list: List
  readonly before?: List | undefined
}

/** Keeps a list, new or changed; a change that somebody else made to it meanwhile is not written over. */
export async function keepList(
  db: Catalogue,
  bookId: string,
  accountId: string,
  { list, before }: Keeping,
): Promise<Result<Saved>> {
  if (list.owner !== undefined && list.owner !== accountId) return fail({ kind: 'not-allowed' })
  if (!before) return editBook(db, bookId, accountId, { kind: 'addList', ...list }, [])
  const kept = await visible(db, bookId, accountId, list.id)
  if (!kept.ok) return kept
  const edit: Edit = { kind: 'changeList', list: list.id, to: wholeChange(list) }
  // Whoever changes it may have seen records called otherwise than when it was kept: that is no change of it.
  const isSame = sameJson(uncalled(kept.value), uncalled(before))
  return editBook(db, bookId, accountId, edit, seenIn(isSame ? kept.value : before))
}

type Change = Extract<Edit, { kind: 'changeList' }>['to']

/** All of a list as a change of it: what it no longer has is taken out. */
const wholeChange = ({ columns, asks, order, ...list }: List): Change => ({
  columns,
  asks,
  order,
  ...wordsOf(list),
  ...partsOf(list),
})

const wordsOf = ({ name = '', describe = '', folder = '', pinned, ready }: Partial<List>) => ({
  name,
  describe,
  folder,
  pinned: pinned === true,
  ready: ready === true,
})

const partsOf = ({ owner, where, groups, figures, shown, first }: Partial<List>) => ({
  owner: owner ?? null,
  where: where ?? null,
  groups: groups ?? [],
  figures: figures ?? [],
  shown: shown ?? null,
  first: first ?? null,
})

export async function dropList(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<Saved>> {
  const kept = await visible(db, bookId, accountId, id)
  return kept.ok ? editBook(db, bookId, accountId, { kind: 'removeList', list: id }, []) : kept
}

/** Somebody else's own list looks as if it weren't there. */
async function visible(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<List>> {
  const stored = await findBook(db, bookId)
  const list = stored && findList(stored.book, id)
  const isThere = list && (list.owner === undefined || list.owner === accountId)
  return isThere ? ok(list) : fail({ kind: 'gone', what: 'list' })
}

const parts = [
  'name',
  'folder',
  'pinned',
  'ready',
  'describe',
  'owner',
  'columns',
  'where',
  'asks',
  'order',
  'groups',
  'figures',
  'shown',
  'first',
] as const

const seenIn = (before: List): Seen => parts.map((key) => ({ id: before.id, key, from: before[key] ?? null }))
