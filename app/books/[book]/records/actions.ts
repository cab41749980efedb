'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { findTable } from '@/core/book'
import { fail, ok } from '@/core/words'
import { liveOf, openedBook, removalSheet, removeRecord, saveRecord, SaveRequest } from '@/server/live'

export const save = bookAction('staff', SaveRequest, async ({ db, account, stored }, request) => {
  // Not waited for here: who saves is told that it waits.
  const live = liveOf(stored)
  return live.ok ? ok(await saveRecord(db, live.value, account.name, request)) : live
})

const One = z.strictObject({ table: z.string().max(40), ref: z.string().max(4000), rev: z.int() })

export const askRemoval = bookAction('staff', One, async ({ db, stored }, { table, ref }) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  if (!findTable(live.value.book, table)) return fail({ kind: 'gone', what: 'table' })
  return ok(await removalSheet(db, live.value, table, ref))
})

export const remove = bookAction('staff', One, async ({ db, stored }, { table, ref, rev }) => {
  const live = await openedBook(db, stored)
  if (!live.ok) return live
  if (!findTable(live.value.book, table)) return fail({ kind: 'gone', what: 'table' })
  return removeRecord(db, live.value, table, ref, rev)
})
