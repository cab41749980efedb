import { bookRoute } from '@/app/door'
import { historyOf } from '@/server/books'

export const GET = bookRoute('administrator', async ({ db, stored }, request) => {
  const before = Number(new URL(request.url).searchParams.get('before'))
  return Response.json(await historyOf(db, stored.id, Number.isInteger(before) && before > 0 ? before : undefined))
})
