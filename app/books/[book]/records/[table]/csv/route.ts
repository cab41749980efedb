import { tableOf } from '@/core/book'
import { plural } from '@/core/words'
import { csvOf } from '@/server/live'
import { refused } from '@/app/door'
import { textAnswer } from '@/app/text-answer'
import { tableRoute } from '../../records-route'
import { readListQuery } from '../../list-query'

/** The list as it is found and sorted, as a CSV file, sent as it is read. */
export const GET = tableRoute('reader', async ({ db, live }, request, { table }) => {
  const wish = readListQuery(live, table, new URL(request.url).searchParams)
  if (!wish.ok) return refused(400, wish)
  return textAnswer(csvOf({ db, live }, wish.value), plural(tableOf(live.book, table).name), 'csv')
})
