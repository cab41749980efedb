import { bookRoute } from '@/app/door'
import { othersSince } from '@/server/books'

/** What changed since a revision: nothing, or the newest book and who did what. */
export const GET = bookRoute('administrator', async ({ db, account, stored }, request) => {
  const since = Number(new URL(request.url).searchParams.get('since'))
  if (!Number.isInteger(since) || stored.revision <= since)
    return Response.json({ revision: stored.revision, others: [] })
  const others = await othersSince(db, stored.id, since, account.id)
  return Response.json({ revision: stored.revision, book: stored.book, others })
})
