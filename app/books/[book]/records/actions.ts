'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { findTable } from '@/core/book'
import { fail, ok } from '@/core/words'
import {
  countRemoval,
  countRemovals,
  liveOf,
  mostTogether,
  openedBook,
  removeRecord,
  saveRecord,
  SaveRequest,
  saveTogether,
  TogetherRequest,
} from '@/server/live'

export const save = bookAction('staff', SaveRequest, async ({ db, account, stored }, request) => {
  // Not waited for here: who saves is told that it waits.
  const live = liveOf(stored)
  return live.ok ? ok(await saveRecord({ db, live: live.value, who: account.name }, request)) : live
})

/** Several records as one: all are changed or removed, or none. */
export const together = bookAction('staff', TogetherRequest, async ({ db, account, stored }, request) => {
  const live = liveOf(stored)
  return live.ok ? ok(await saveTogether({ db, live: live.value, who: account.name }, request)) : live
})

const One = z.strictObject({ table: z.string().max(40), ref: z.string().max(4000), rev: z.int() })

export const askRemoval = bookAction('staff', One, async ({ db, stored }, { table, ref }) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  if (!findTable(live.value.book, table)) return fail({ kind: 'gone', what: 'table' })
  return ok(await countRemoval({ db, live: live.value }, table, ref))
})

export const remove = bookAction('staff', One, async ({ db, account, stored }, { table, ref, rev }) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  if (!findTable(live.value.book, table)) return fail({ kind: 'gone', what: 'table' })
  return removeRecord({ db, live: live.value, who: account.name }, { table, ref, rev })
})

const Several = z.strictObject({
  table: z.string().max(40),
  refs: z.array(z.string().max(4000)).min(1).max(mostTogether),
})

/** What removing several records would take with them. */
export const askRemovals = bookAction('staff', Several, async ({ db, stored }, { table, refs }) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  if (!findTable(live.value.book, table)) return fail({ kind: 'gone', what: 'table' })
  return ok(await countRemovals({ db, live: live.value }, table, refs))
})
