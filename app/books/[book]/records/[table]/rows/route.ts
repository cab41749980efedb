import { countRows, readList } from '@/server/live'
import { refused } from '@/app/door'
import { tableRoute } from '../../records-route'
import { readListQuery } from '../../list-query'

const pageSize = 100

/** A page of a list; with `count` also how many records there are in all. */
export const GET = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const query = new URL(request.url).searchParams
  const limit = Math.min(pageSize, Math.max(1, Math.trunc(Number(query.get('limit'))) || pageSize))
  const wish = readListQuery(live, table, query)
  if (!wish.ok) return refused(400, wish)
  const page = await readList({ db, live }, { ...wish.value, limit })
  return Response.json({ ...page, ...(query.has('count') && { count: await countRows({ db, live }, table) }) })
})
