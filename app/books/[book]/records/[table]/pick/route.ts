import { findToPick } from '@/server/live'
import { tableRoute } from '../../records-route'

const mostRecords = 20
const longest = 200

/** The records that a link's box may mean by the letters typed into it, likeliest first. */
export const GET = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const find = (new URL(request.url).searchParams.get('find') ?? '').slice(0, longest)
  return Response.json({ rows: await findToPick({ db, live }, table, find, mostRecords) })
})
