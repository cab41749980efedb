import { bookRoute } from '@/app/door'
import { othersSince } from '@/server/books'
import { changeSince } from '../change-since'

/** What changed since a revision, and who did it: nothing, steps, or the whole book. */
export const GET = bookRoute('administrator', async ({ db, account, stored }, request) => {
  const since = Number(new URL(request.url).searchParams.get('since'))
  if (!Number.isInteger(since) || stored.revision <= since)
    return Response.json({ revision: stored.revision, others: [] })
  const change = await changeSince(db, stored.id, since, stored)
  const others = since < 0 ? [] : await othersSince(db, stored.id, since, account.id)
  return Response.json({ revision: stored.revision, change, others })
})
