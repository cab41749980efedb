import * as z from 'zod'
import { refused } from '@/app/door'
import { mostRows } from '@/core/grid'
import { fail } from '@/core/words'
import { namedRecords } from '@/server/live'
import { tableRoute } from '../../records-route'

const Asked = z.strictObject({ names: z.array(z.string().max(2000)).min(1).max(mostRows) })

/** Which record each of many names is the name of, where it is the name of one. */
export const POST = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const asked = Asked.safeParse(await request.json().catch(() => undefined))
  if (!asked.success) return refused(400, fail({ kind: 'unexpected' }))
  return Response.json({ named: Object.fromEntries(await namedRecords({ db, live }, table, asked.data.names)) })
})
