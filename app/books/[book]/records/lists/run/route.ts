import { askList, countList } from '@/server/live'
import { listRoute } from '../list-route'

/** A page of a list, kept or not; with the first one how many records there are in all. */
export const POST = listRoute(async ({ db, live }, { list, given, moment, after, limit }) => {
  const answers = { given, now: { moment } }
  const page = await askList({ db, live }, list, answers, { after, limit })
  if ('faults' in page) return Response.json(page)
  const counted = after ? {} : await countList({ db, live }, list, answers)
  return Response.json({ ...page, ...counted })
})
