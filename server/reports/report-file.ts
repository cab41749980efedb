import type { Readable } from 'node:stream'
import { readList } from '@/core/lists'
import { reportName, shownIn } from '@/core/reports'
import { nth } from '@/core/words'
import { ofOneMoment } from '../database'
import { csvOfList, htmlOfReport, type ReportWalk, textFile, xlsxOfReport } from '../live'
import { type Laying, wordsOf } from './lay-edition'
import { lettingGo } from './work'

/** What a report comes as, besides its pages. */
export const reportFileKinds = ['xlsx', 'csv', 'html'] as const
export type ReportFileKind = (typeof reportFileKinds)[number]

/** A report as a file without pages; all of its records, too, are of one moment. */
export async function reportFile(laying: Laying, as: ReportFileKind): Promise<{ name: string; file: Readable }> {
  const { reads, list, report, answers } = laying
  const found = readList(reads.live.book, list, answers)
  if (!('read' in found)) throw new Error('A report was asked of a list that cannot be read.')
  const { read } = found
  const name = reportName({ ...reads.live.book, lists: answers.lists ?? [] }, report, list)
  const shown = shownIn(read, report)
  const file = await ofOneMoment(reads.db, (transaction) => {
    const walk = { reads: { ...reads, transaction }, list, answers, read, shown, between: lettingGo(laying) }
    return writers[as](walk, laying, name)
  })
  return { name, file }
}

const writers: Readonly<Record<ReportFileKind, (walk: ReportWalk, laying: Laying, name: string) => Promise<Readable>>> =
  {
    xlsx: (walk, { report }, name) => xlsxOfReport(walk, report, name),
    csv: (walk) => {
      const columns = walk.shown.map((place) => nth(walk.read.columns, place))
      return textFile(csvOfList({ ...walk, read: { ...walk.read, columns } }))
    },
    html(walk, laying) {
      const { title, asked, opening, closing, book, day, who, letterhead, none } = wordsOf(laying)
      return textFile(
        htmlOfReport(walk, {
          ...{
            title,
            opening,
            closing,
            none,
            foot: [`${book} · ${day}`, who, letterhead?.foot].filter(Boolean).join('\n'),
          },
          asked: laying.report.plain ? [] : asked,
          colours: letterhead?.colours,
          office: letterhead?.name,
          letterhead: letterhead?.lines ?? [],
        }),
      )
    },
  }
