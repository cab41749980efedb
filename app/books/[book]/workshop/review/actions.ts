'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { ok } from '@/core/words'
import { makeDryRun, throwAway } from '@/server/dry-run'

export const fillDryRun = bookAction('administrator', z.null(), async ({ db, account, stored }) =>
  makeDryRun(db, account, stored.id),
)

/** Called for the book itself, or from Records of its dry run. */
export const throwDryRunAway = bookAction('administrator', z.null(), async ({ db, stored }) => {
  await throwAway(db, stored.dryOf ?? stored.id)
  return ok(null)
})
