import { tableOf } from '@/core/book'
import { plural } from '@/core/words'
import { csvOf } from '@/server/live'
import { refused } from '@/app/door'
import { tableRoute } from '../../records-route'
import { readListQuery } from '../../list-query'

/** The list as it is found and sorted, as a CSV file, sent as it is read. */
export const GET = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const wish = readListQuery(live, table, new URL(request.url).searchParams)
  if (!wish.ok) return refused(400, wish)
  const lines = csvOf({ db, live }, wish.value)
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const next = await lines.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(next.value))
    },
  })
  const name = encodeURIComponent(`${plural(tableOf(live.book, table).name)}.csv`)
  return new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename*=UTF-8''${name}`,
      'cache-control': 'no-store',
    },
  })
})
