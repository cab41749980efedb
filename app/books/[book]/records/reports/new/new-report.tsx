'use client'

import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { findTable } from '@/core/book'
import { startReport } from '@/core/reports'
import { freshId } from '@/ui/ids'
import { Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../../records-context'
import { ReportSheet } from '../report-sheet'

/** A report that isn't kept yet, of the list that the address names. */
export function NewReport() {
  const { book } = useRecords()
  const of = useSearchParams().get('of')
  const list = book.lists.find(({ id }) => id === of)
  const [id] = useState(freshId)
  if (list && findTable(book, list.table))
    return <ReportSheet key={list.id} list={list} kept={undefined} start={startReport(book, list, id)} />
  return (
    <Room>
      <Empty head="There is no such list">Choose another for the report.</Empty>
    </Room>
  )
}
