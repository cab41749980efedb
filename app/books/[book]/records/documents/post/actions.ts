'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { fail } from '@/core/words'
import { setPostOffice } from '@/server/post'

/** Who e-mails are from, and by which post office they go. */
export const setPost = bookAction(
  'administrator',
  z.strictObject({
    senderName: z.string().trim().max(60),
    senderAddress: z.string().trim().max(254),
    real: z
      .strictObject({
        host: z.string().trim().min(1).max(254),
        port: z.int().min(1).max(65535),
        safety: z.enum(['tls', 'agreed', 'none']),
        user: z.string().trim().min(1).max(254).optional(),
      })
      .optional(),
    /** None where it stays as it is. */
    password: z.string().min(1).max(500).optional(),
  }),
  async ({ db, stored }, { password, real, ...sender }) => {
    // What is tried out has made-up addresses, and writes to nobody.
    if (stored.dryOf !== undefined) return fail({ kind: 'not-allowed' })
    const set = real && { ...real, user: real.user }
    return setPostOffice(db, stored.id, { ...sender, real: set }, password)
  },
)
