import { askGroups, askList, askMissing, countList } from '@/server/live'
import { listRoute } from '../list-route'

/** A page of a list, kept or not, or its groups, or how many records it has: each asked apart, so that none waits for another. */
export const POST = listRoute(
  async ({ db, live, lists }, { list, given, moment, after, limit, count, by, path, missing }) => {
    const reads = { db, live }
    const answers = { given, now: { moment }, lists }
    if (count) return Response.json(await countList(reads, list, answers))
    if (missing !== undefined) return Response.json(await askMissing(reads, list, answers, missing))
    if (by) return Response.json(await askGroups(reads, list, answers, { by, path }))
    return Response.json(await askList(reads, list, answers, { after, limit, path }))
  },
)
