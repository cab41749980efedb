'use client'

import { findTable, type Report } from '@/core/book'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { ReportSheet } from '../report-sheet'

interface Props {
  readonly report: Report
  /** What was answered last to what its list asks. */
  readonly answered: Readonly<Record<string, string>>
}

/** A report that is kept, as it is today. */
export function KeptReport({ report, answered }: Props) {
  const { book } = useRecords()
  const list = book.lists.find(({ id }) => id === report.list)
  if (list && findTable(book, list.table))
    return <ReportSheet list={list} kept={report} start={report} answered={answered} />
  return (
    <Room>
      <Empty head="This report can’t be laid yet">The table of its list comes with the next opening of the book.</Empty>
    </Room>
  )
}
