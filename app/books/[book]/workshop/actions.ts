'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { AnyJson, type Edit, readEdit } from '@/core/book'
import { fail, ok, type Result } from '@/core/words'
import { editBook, goBackTo, redo, type Saved, type StoredBook, undo } from '@/server/books'
import type { Catalogue } from '@/server/catalogue'
import { type ChangeSince, changeSince } from './change-since'
import { readOnly } from '@/server/database'
import {
  type Violations,
  violationsOf,
  type TriedRecord,
  tryOnRecords,
  liveOf,
  openBook,
  openingSheet,
} from '@/server/live'

/** What the browser is told after a change: the new revision, and what changed where it can't know it. */
export interface EditReply {
  readonly revision: number
  readonly change?: ChangeSince
  readonly say?: string
}

const EditMessage = z.strictObject({
  edit: z.unknown(),
  seen: z.array(z.strictObject({ id: z.string(), key: z.string(), from: AnyJson })).max(3000),
  /** The revision the browser built on. */
  base: z.int(),
})

/** `knows` where the browser made the edit itself, and so needs telling only of others' edits before it. */
async function replyTo(
  { db, stored }: { readonly db: Catalogue; readonly stored: StoredBook },
  saved: Result<Saved & { say?: string }>,
  base: number,
  knows: boolean,
): Promise<Result<EditReply>> {
  if (!saved.ok) return saved
  const { revision, say } = saved.value
  return ok({
    revision,
    ...(say && { say }),
    ...(!(knows && revision === base + 1) && { change: await changeSince(db, stored.id, base, saved.value) }),
  })
}

export const saveEdit = bookAction('administrator', EditMessage, async ({ db, account, stored }, message) => {
  const edit: Result<Edit> = readEdit(message.edit)
  if (!edit.ok) return edit
  return replyTo(
    { db, stored },
    await editBook(db, stored.id, account.id, edit.value, message.seen),
    message.base,
    true,
  )
})

// What these leave behind depends on the history, which only the server has.
const Base = z.strictObject({ base: z.int() })

export const undoEdit = bookAction('administrator', Base, async ({ db, account, stored }, { base }) =>
  replyTo({ db, stored }, await undo(db, stored.id, account.id), base, false),
)

export const redoEdit = bookAction('administrator', Base, async ({ db, account, stored }, { base }) =>
  replyTo({ db, stored }, await redo(db, stored.id, account.id), base, false),
)

export const backTo = bookAction(
  'administrator',
  Base.extend({ revision: z.int().min(0) }),
  async ({ db, account, stored }, { base, revision }) =>
    replyTo({ db, stored }, await goBackTo(db, stored.id, account.id, revision), base, false),
)

export const askOpening = bookAction('administrator', z.null(), async ({ db, stored }) =>
  ok(await openingSheet(db, stored)),
)

/** Opens the book; what it may lose by that was agreed to. */
export const openNow = bookAction(
  'administrator',
  z.strictObject({
    agreed: z.array(z.strictObject({ id: z.string().max(200), most: z.int().min(0) })).max(2000),
  }),
  async ({ db, account, stored }, { agreed }) => openBook(db, stored.id, account.id, agreed),
)

/** The records of the open book that break a rule of the design. */
export const askBreakers = bookAction(
  'administrator',
  z.strictObject({ rule: z.string().max(40) }),
  async ({ db, stored }, { rule }): Promise<Result<Violations>> => {
    const live = liveOf(stored)
    if (!live.ok) return live
    const found = await violationsOf({ db: readOnly(db), live: live.value }, stored.book, rule)
    return found ? ok(found) : fail({ kind: 'in-own-words', words: 'Open the book first, then try it on records.' })
  },
)

/** What an expression of the design gives for the records that were changed last. */
export const tryExpression = bookAction(
  'administrator',
  z.strictObject({ table: z.string().max(40), tree: AnyJson }),
  async ({ db, stored }, { table, tree }): Promise<Result<readonly TriedRecord[]>> => {
    const live = liveOf(stored)
    if (!live.ok) return live
    const tried = await tryOnRecords({ db: readOnly(db), live: live.value }, table, tree)
    return tried ? ok(tried) : fail({ kind: 'in-own-words', words: 'Open the book first, then try it on records.' })
  },
)
