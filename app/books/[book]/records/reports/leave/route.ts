import * as z from 'zod'
import { bookRoute, refused } from '@/app/door'
import { fail } from '@/core/words'
import { leaveView } from '@/server/reports'

const View = z.string().min(1).max(40)

/** Whoever looked at a report has gone: what is still being laid there is stopped, and nothing of it waits. */
export const POST = bookRoute<{ book: string }>('reader', async ({ account }, request) => {
  const view = View.safeParse(await request.text())
  if (!view.success) return refused(400, fail({ kind: 'unexpected' }))
  await leaveView(account.id, view.data)
  return Response.json({})
})
