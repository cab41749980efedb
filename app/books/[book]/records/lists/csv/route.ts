import { nameOf } from '@/core/lists'
import { refused } from '@/app/door'
import { fail } from '@/core/words'
import { csvOfList } from '@/server/live'
import { listRoute } from '../list-route'

/** A list as a CSV file, sent as it is read. */
export const POST = listRoute(async ({ db, live }, { list, given, moment }) => {
  const lines = csvOfList({ db, live }, list, { given, now: { moment } })
  // What is wrong with a list is known before its first line.
  const first = await lines.next()
  if (first.done) return refused(409, fail({ kind: 'list-cannot-run' }))
  const encoder = new TextEncoder()
  let head: string | undefined = first.value
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      if (head !== undefined) {
        controller.enqueue(encoder.encode(head))
        head = undefined
        return
      }
      const next = await lines.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(next.value))
    },
  })
  return new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${nameOf(live.book, list).slice(0, 80)}.csv`)}`,
      'cache-control': 'no-store',
    },
  })
})
