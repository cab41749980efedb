import { csvAnswer } from '@/app/csv-answer'
import { refused } from '@/app/door'
import { nameOf, readList } from '@/core/lists'
import { fail } from '@/core/words'
import { csvOfList } from '@/server/live'
import { listRoute } from '../list-route'

/** A list as a CSV file, sent as it is read. */
export const POST = listRoute(async ({ db, live }, { list, given, moment }) => {
  const answers = { given, now: { moment } }
  // What is wrong with a list is known before its first line.
  if (readList(live.book, list, answers).faults.length > 0) return refused(409, fail({ kind: 'list-cannot-run' }))
  return csvAnswer(csvOfList({ db, live }, list, answers), nameOf(live.book, list).slice(0, 80))
})
