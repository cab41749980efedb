'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { findList, List } from '@/core/book'
import { fail, ok } from '@/core/words'
import { dropList, keepList } from '@/server/books'

/** A list as it is typed: what is too long in its words is told by the edit, in words. */
const Typed = List.extend({
  name: z.string().max(20_000).optional(),
  folder: z.string().max(20_000).optional(),
  describe: z.string().max(100_000).optional(),
})

/** Keeps a list for oneself or for everybody; `before` is what it was when changing it began. */
export const keep = bookAction(
  'staff',
  z.strictObject({ list: Typed, mine: z.boolean(), before: List.optional() }),
  async ({ db, account, stored }, { list: { owner: _owner, ...list }, mine, before }) => {
    const kept = { ...list, ...(mine && { owner: account.id }) }
    const saved = await keepList(db, stored.id, account.id, { list: kept, before })
    if (!saved.ok) return saved
    // As it was kept, its words tidied.
    const now = findList(saved.value.book, list.id)
    return now ? ok(now) : fail({ kind: 'gone', what: 'list' })
  },
)

export const drop = bookAction('staff', z.strictObject({ list: z.string().max(40) }), async (at, { list }) => {
  const saved = await dropList(at.db, at.stored.id, at.account.id, list)
  return saved.ok ? ok(null) : saved
})
