import * as z from 'zod'
import { fail, ok } from '../../words'
import type { Book } from '../book'
import { putList, setKeys } from '../build-steps'
import { findList, findTable } from '../find'
import { limits } from '../limits'
import { Ask, Column, Condition, Figure, Group, List, Order, Shown } from '../list'
import { type EditKind, Id, orNothing } from './edit-kind'
import { dropLists, isTaken, tidied, typedName, typedWords } from './kept-parts'

const gone = fail({ kind: 'gone', what: 'list' })

/** Names must tell lists apart for whoever sees them: everybody's from everybody's, one's own from one's own too. */
function nameTaken(book: Book, id: string, owner: string | undefined, name: string | undefined) {
  const isSeen = (list: List) => list.owner === undefined || list.owner === owner
  return name !== undefined &&
    book.lists.some((list) => list.id !== id && isSeen(list) && list.name?.toLowerCase() === name.toLowerCase())
    ? fail({ kind: 'name-taken', what: 'list', name })
    : ok(null)
}

const AddList = z.strictObject({
  kind: z.literal('addList'),
  ...List.shape,
  id: Id,
  name: typedName.optional(),
  folder: typedName.optional(),
  describe: typedWords.optional(),
})

/** A list that is kept. What it asks for is looked at where it is run: a field may go and come back. */
export const addList: EditKind<z.infer<typeof AddList>> = {
  schema: AddList,
  steps(book, { kind: _kind, name: typed, folder: laid, describe: written, ...list }) {
    if (!findTable(book, list.table)) return fail({ kind: 'gone', what: 'table' })
    if (isTaken(book, list.id)) return fail({ kind: 'stale', what: 'This list' })
    if (book.lists.length >= limits.lists) return fail({ kind: 'too-many', what: 'list', limit: limits.lists })
    const name = tidied(typed, limits.nameLength)
    if (!name.ok) return name
    const describe = tidied(written, limits.describeLength)
    if (!describe.ok) return describe
    const folder = tidied(laid, limits.nameLength)
    if (!folder.ok) return folder
    const free = nameTaken(book, list.id, list.owner, name.value)
    if (!free.ok) return free
    const words = {
      ...(folder.value && { folder: folder.value }),
      ...(name.value && { name: name.value }),
      ...(describe.value && { describe: describe.value }),
    }
    return ok([putList({ ...list, ...words })])
  },
  say: (_book, { name }) => (name ? `Keep the list ${name}` : 'Keep a list'),
}

const ChangeList = z.strictObject({
  kind: z.literal('changeList'),
  list: Id,
  to: z.strictObject({
    name: typedName.optional(),
    /** Blank for none. */
    folder: typedName.optional(),
    pinned: z.boolean().optional(),
    ready: z.boolean().optional(),
    describe: typedWords.optional(),
    /** Null for everybody's. */
    owner: Id.nullable().optional(),
    columns: z.array(Column).min(1).max(limits.columns).readonly().optional(),
    /** Null for none. */
    where: Condition.nullable().optional(),
    asks: z.array(Ask).max(limits.asks).readonly().optional(),
    order: z.array(Order).max(limits.orders).readonly().optional(),
    /** Empty for none. */
    groups: z.array(Group).max(limits.groups).readonly().optional(),
    figures: z.array(Figure).max(limits.columns).readonly().optional(),
    /** Null for records under headings. */
    shown: Shown.nullable().optional(),
    /** Null for all of them. */
    first: z.int().min(1).max(limits.first).nullable().optional(),
  }),
})

const listName = (book: Book, id: string) => findList(book, id)?.name ?? 'without a name'

const someOf = <Part>(parts: readonly Part[] | undefined) => (parts?.length ? parts : undefined)

/** What a list asks after a change of it. */
function askedBy(list: List, to: z.infer<typeof ChangeList>['to']) {
  return {
    where: to.where === undefined ? list.where : (to.where ?? undefined),
    columns: to.columns ?? list.columns,
    asks: to.asks ?? list.asks,
    order: to.order ?? list.order,
    groups: someOf(to.groups ?? list.groups),
    figures: someOf(to.figures ?? list.figures),
    shown: to.shown === undefined ? list.shown : (to.shown ?? undefined),
    first: to.first === undefined ? list.first : (to.first ?? undefined),
  }
}

/** What isn't named stays as it is. */
export const changeList: EditKind<z.infer<typeof ChangeList>> = {
  schema: ChangeList,
  steps(book, { list: id, to }) {
    const list = findList(book, id)
    if (!list) return gone
    const name = tidied(to.name ?? list.name, limits.nameLength)
    if (!name.ok) return name
    const describe = tidied(to.describe ?? list.describe, limits.describeLength)
    if (!describe.ok) return describe
    const folder = tidied(to.folder ?? list.folder, limits.nameLength)
    if (!folder.ok) return folder
    const pinned = (to.pinned ?? list.pinned) ? true : undefined
    const ready = (to.ready ?? list.ready) ? true : undefined
    const owner = to.owner === undefined ? list.owner : (to.owner ?? undefined)
    const free = nameTaken(book, id, owner, name.value)
    if (!free.ok) return free
    const wished = {
      ...askedBy(list, to),
      name: name.value,
      describe: describe.value,
      folder: folder.value,
      pinned,
      ready,
      owner,
    }
    return orNothing(setKeys(list, id, wished))
  },
  say: (book, { list }) => `Change the list ${listName(book, list)}`,
}

const RemoveList = z.strictObject({ kind: z.literal('removeList'), list: Id })

export const removeList: EditKind<z.infer<typeof RemoveList>> = {
  schema: RemoveList,
  steps: (book, { list: id }) => (findList(book, id) ? ok(dropLists(book, (list) => list.id === id)) : gone),
  say: (book, { list }) => `Remove the list ${listName(book, list)}`,
}
