import { type Book, type Edit, findList, type List } from '@/core/book'
import { fail, type Result } from '@/core/words'
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
  const {
    id,
    name,
    folder,
    pinned,
    ready,
    describe,
    owner,
    columns,
    where,
    asks,
    order,
    groups,
    figures,
    shown,
    first,
  } = list
  const to = {
    name: name ?? '',
    folder: folder ?? '',
    pinned: pinned ?? false,
    ready: ready ?? false,
    describe: describe ?? '',
    owner: owner ?? null,
    where: where ?? null,
    columns,
    asks,
    order,
    groups: groups ?? [],
    figures: figures ?? [],
    shown: shown ?? null,
    first: first ?? null,
  }
  const edit: Edit = { kind: 'changeList', list: id, to }
  return editBook(db, bookId, accountId, edit, seenIn(before))
}

export async function dropList(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<Saved>> {
  const kept = await visible(db, bookId, accountId, id)
  return kept.ok ? editBook(db, bookId, accountId, { kind: 'removeList', list: id }, []) : kept
}

/** Somebody else's own list looks as if it weren't there. */
async function visible(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<null>> {
  const stored = await findBook(db, bookId)
  const list = stored && findList(stored.book, id)
  const isThere = list && (list.owner === undefined || list.owner === accountId)
  return isThere ? { ok: true, value: null } : fail({ kind: 'gone', what: 'list' })
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
