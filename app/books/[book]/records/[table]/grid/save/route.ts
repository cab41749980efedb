import { bookRoute, refused } from '@/app/door'
import { fail, type Result } from '@/core/words'
import { log } from '@/server/log'
import { liveOf, type RowsOutcome, RowsRequest, saveRows } from '@/server/live'

/**
 * Saves the rows of a grid. Answers in lines of JSON: while they are written so many, `{"done":400}`, and at last
 * `{"ok":true,"value":OUTCOME}`, or why there is none.
 */
export const POST = bookRoute<{ book: string; table: string }>(
  'staff',
  async ({ db, account, stored }, request, { table }) => {
    const live = liveOf(stored)
    if (!live.ok) return refused(409, live)
    const asked = RowsRequest.safeParse(await request.json().catch(() => undefined))
    if (!asked.success || asked.data.table !== table) return refused(400, fail({ kind: 'unexpected' }))
    const writer = { db, live: live.value, who: account.name }
    const lines = new ReadableStream<Uint8Array>({
      async start(controller) {
        const tell = (line: object) => {
          try {
            controller.enqueue(new TextEncoder().encode(`${JSON.stringify(line)}\n`))
          } catch {
            // Whoever asked has gone; what was asked is done all the same.
          }
        }
        const result = await saveRows(writer, asked.data, (done) => tell({ done })).then(
          (value): Result<RowsOutcome> => ({ ok: true, value }),
          (cause: unknown) => {
            log.error({ cause }, 'rows could not be saved')
            return fail({ kind: 'unexpected' })
          },
        )
        tell(result)
        try {
          controller.close()
        } catch {
          // It is closed already.
        }
      },
    })
    return new Response(lines, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } })
  },
)
