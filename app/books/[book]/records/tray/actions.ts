'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { ok } from '@/core/words'
import { editionForms } from '@/server/reports'
import { putInTray, takeOut } from '@/server/tray'

/** Has pages written to a file that waits in the tray, though whoever looks at them leaves. */
export const putInto = bookAction(
  'reader',
  z.strictObject({ edition: z.string().min(1).max(40), form: z.enum(editionForms) }),
  async ({ db, account, stored }, { edition, form }) => {
    const found = await putInTray(db, { book: stored.id, account: account.id, author: account.name, edition, form })
    return found.ok ? ok(found.value.id) : found
  },
)

/** Takes a file out of the tray; one that is being made is stopped. */
export const takeFrom = bookAction('reader', z.string().min(1).max(40), async ({ db, account, stored }, id) => {
  await takeOut(db, { book: stored.id, account: account.id }, id)
  return ok(null)
})
