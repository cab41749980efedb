import type { Readable } from 'node:stream'
import { readList } from '@/core/lists'
import { reportName, shownIn } from '@/core/reports'
import { ofOneMoment } from '../database'
import { xlsxOfReport } from '../live'
import type { Laying } from './lay-edition'
import { lettingGo } from './work'

/** A report as a spreadsheet; all of its records, too, are of one moment. */
export async function sheetOf(laying: Laying): Promise<{ name: string; file: Readable }> {
  const { reads, list, report, answers } = laying
  const found = readList(reads.live.book, list, answers)
  if (!('read' in found)) throw new Error('A report was asked of a list that cannot be read.')
  const { read } = found
  const name = reportName({ ...reads.live.book, lists: answers.lists ?? [] }, report, list)
  const file = await ofOneMoment(reads.db, (transaction) =>
    xlsxOfReport(
      {
        reads: { ...reads, transaction },
        list,
        answers,
        read,
        shown: shownIn(read, report),
        between: lettingGo(laying),
      },
      report,
      name,
    ),
  )
  return { name, file }
}
