import { after as afterwards } from 'next/server'
import { uncalled } from '@/core/lists'
import { sameJson } from '@/core/words'
import { noteRun } from '@/server/books'
import { askGroups, askList, askMissing, countList } from '@/server/live'
import { listRoute } from '../list-route'

/** A page of a list, kept or not, or its groups, or how many records it has: each asked apart, so that none waits for another. */
export const POST = listRoute(
  async (
    { db, catalogue, account, stored, live, lists },
    { list, given, moment, after, limit, count, by, path, missing },
  ) => {
    const reads = { db, live }
    const answers = { given, now: { moment }, lists }
    if (count) return Response.json(await countList(reads, list, answers))
    if (missing !== undefined) return Response.json(await askMissing(reads, list, answers, missing))
    if (by) return Response.json(await askGroups(reads, list, answers, { by, path }))
    const began = performance.now()
    const page = await askList(reads, list, answers, { after, limit, path })
    const kept = lists.find(({ id }) => id === list.id)
    if (kept && !after && !path && sameJson(uncalled(kept), uncalled(list))) {
      const took = performance.now() - began
      const use = { book: stored.id, account: account.id, list, given, month: moment.slice(0, 7), took }
      afterwards(() => noteRun(catalogue, use))
    }
    return Response.json(page)
  },
)
