import { Readable } from 'node:stream'
import { fileHeaders, textAnswer } from '@/app/text-answer'
import { refused } from '@/app/door'
import { nameOf, readList } from '@/core/lists'
import { fail } from '@/core/words'
import { csvOfList, jsonOfList, sqlOfList, tabsOfList, xlsxOfList } from '@/server/live'
import { listRoute } from '../list-route'

const xlsx = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** A list taken out whole: as a file that is sent as it is read, as text for the clipboard, or the statement it becomes. */
export const POST = listRoute(async ({ db, live, lists }, { list, given, moment, as }) => {
  const answers = { given, now: { moment }, lists }
  // What is wrong with a list is known before its first line.
  const found = readList(live.book, list, answers)
  if (!('read' in found)) return refused(409, fail({ kind: 'list-cannot-run' }))
  const walk = { reads: { db, live }, list, answers, read: found.read }
  const name = nameOf({ ...live.book, lists }, list).slice(0, 80)
  switch (as) {
    case 'json':
      return textAnswer(jsonOfList(walk), name, 'json')
    case 'tabs':
      return textAnswer(tabsOfList(walk), name, 'txt')
    case 'sql':
      return Response.json({ sql: sqlOfList(walk) })
    case 'xlsx': {
      const file = Readable.toWeb(await xlsxOfList(walk)) as ReadableStream
      return new Response(file, { headers: fileHeaders(xlsx, `${name}.xlsx`) })
    }
    default:
      return textAnswer(csvOfList(walk), name, 'csv')
  }
})
