'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { List } from '@/core/book'
import { ok } from '@/core/words'
import { dropList, keepList } from '@/server/books'

/** Keeps a list for oneself or for everybody; `before` is what it was when changing it began. */
export const keep = bookAction(
  'staff',
  z.strictObject({ list: List, mine: z.boolean(), before: List.optional() }),
  async ({ db, account, stored }, { list: { owner: _owner, ...list }, mine, before }) => {
    const kept = { ...list, ...(mine && { owner: account.id }) }
    const saved = await keepList(db, stored.id, account.id, { list: kept, before })
    return saved.ok ? ok(kept) : saved
  },
)

export const drop = bookAction('staff', z.strictObject({ list: z.string().max(40) }), async (at, { list }) => {
  const saved = await dropList(at.db, at.stored.id, at.account.id, list)
  return saved.ok ? ok(null) : saved
})
