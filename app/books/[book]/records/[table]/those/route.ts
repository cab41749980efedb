import * as z from 'zod'
import { refused } from '@/app/door'
import { keyOfRef } from '@/core/records'
import { fail } from '@/core/words'
import { readList } from '@/server/live'
import { tableRoute } from '../../records-route'

/** As many as a page of a list has. */
const most = 500

const Asked = z.strictObject({ refs: z.array(z.string().max(4000)).min(1).max(most) })

/** The records that go by some references, with all their fields, in the order in which they were asked for. */
export const POST = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const asked = Asked.safeParse(await request.json().catch(() => undefined))
  if (!asked.success) return refused(400, fail({ kind: 'unexpected' }))
  const { refs } = asked.data
  const keys = refs.flatMap((ref) => {
    const key = keyOfRef(ref, ref.split('~').length)
    return key ? [key] : []
  })
  const { rows } = await readList({ db, live }, { table, keys, limit: most })
  const found = new Map(rows.map((row) => [row.ref, row]))
  return Response.json({ rows: refs.flatMap((ref) => found.get(ref) ?? []) })
})
