import { askList, countList } from '@/server/live'
import { listRoute } from '../list-route'

/** A page of a list, kept or not, or how many records it has: two questions, so that the one waits not for the other. */
export const POST = listRoute(async ({ db, live }, { list, given, moment, after, limit, count }) => {
  const answers = { given, now: { moment } }
  return Response.json(
    count ? await countList({ db, live }, list, answers) : await askList({ db, live }, list, answers, { after, limit }),
  )
})
