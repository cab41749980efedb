'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { type Book, type Edit, readEdit } from '@/core/book'
import { fail, type Json, ok, type Result } from '@/core/words'
import { editBook, goBackTo, redo, type Saved, undo } from '@/server/books'
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

/** What the browser is told after a change: the new revision, and the book where it can't know it. */
export interface EditReply {
  readonly revision: number
  readonly book?: Book
  readonly say?: string
}

const Json: z.ZodType<Json> = z.json() as z.ZodType<Json>
const EditMessage = z.strictObject({
  edit: z.unknown(),
  seen: z.array(z.strictObject({ id: z.string(), key: z.string(), from: Json })).max(3000),
  /** The revision the browser built on. */
  base: z.int(),
})

const standing = (saved: Result<Saved & { say?: string }>, base: number): Result<EditReply> =>
  saved.ok
    ? ok({
        revision: saved.value.revision,
        ...(saved.value.say && { say: saved.value.say }),
        ...(saved.value.revision !== base + 1 && { book: saved.value.book }),
      })
    : saved

export const saveEdit = bookAction('administrator', EditMessage, async ({ db, account, stored }, message) => {
  const edit: Result<Edit> = readEdit(message.edit)
  if (!edit.ok) return edit
  return standing(await editBook(db, stored.id, account.id, edit.value, message.seen), message.base)
})

// What undo leaves behind depends on the history, which only the server has: the book comes back whole.
const whole = -2

export const undoEdit = bookAction('administrator', z.null(), async ({ db, account, stored }) =>
  standing(await undo(db, stored.id, account.id), whole),
)

export const redoEdit = bookAction('administrator', z.null(), async ({ db, account, stored }) =>
  standing(await redo(db, stored.id, account.id), whole),
)

export const backTo = bookAction(
  'administrator',
  z.strictObject({ revision: z.int().min(0) }),
  async ({ db, account, stored }, { revision }) => standing(await goBackTo(db, stored.id, account.id, revision), whole),
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
  z.strictObject({ table: z.string().max(40), tree: z.json() }),
  async ({ db, stored }, { table, tree }): Promise<Result<readonly TriedRecord[]>> => {
    const live = liveOf(stored)
    if (!live.ok) return live
    const tried = await tryOnRecords({ db: readOnly(db), live: live.value }, table, tree)
    return tried ? ok(tried) : fail({ kind: 'in-own-words', words: 'Open the book first, then try it on records.' })
  },
)
