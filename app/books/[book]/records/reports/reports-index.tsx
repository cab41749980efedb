'use client'

import { Plus } from 'lucide-react'
import Link from 'next/link'
import { nameOf, sayList } from '@/core/lists'
import { reportName, sayPaper } from '@/core/reports'
import { Button, Empty, Menu, MenuLink, buttonLook } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useRecords } from '../records-context'

/** All reports that somebody may see, and the way to a new one. */
export function ReportsIndex() {
  const { book, base } = useRecords()
  const listOf = (id: string) => book.lists.find((list) => list.id === id)
  const reports = book.reports
    .flatMap((report) => {
      const list = listOf(report.list)
      return list ? [{ report, list, name: reportName(book, report, list) }] : []
    })
    .sort((a, b) => a.name.localeCompare(b.name))
  return (
    <Room>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[22px] leading-tight">Reports</h1>
        {book.lists.length > 0 && <NewReport />}
      </div>
      {reports.length === 0 && (
        <Empty
          head="No report is kept yet"
          action={
            book.lists.length > 0 ? (
              <NewReport />
            ) : (
              <Link href={`${base}/lists`} className={buttonLook()}>
                To the lists
              </Link>
            )
          }
        >
          A report is a list on paper: laid on pages by itself, so that every column fits and nothing is cut off.{' '}
          {book.lists.length > 0
            ? 'Choose the list that it is of.'
            : 'Keep a list first, and its report is one press away.'}
        </Empty>
      )}
      {reports.length > 0 && (
        <ul className="border-t border-ash-3">
          {reports.map(({ report, list, name }) => (
            <li key={report.id} className="border-b border-ash-3">
              <Link href={`${base}/reports/${report.id}`} className="block px-2 py-2.5 hover:bg-ash-1">
                <span className="block font-semibold">{name}</span>
                <span className="block text-[13px]">{sayPaper(report.paper)}</span>
                <span className="block text-[13px] text-ash-6">{sayList(book, list)}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </Room>
  )
}

/** Of which list the new report is. */
function NewReport() {
  const { book, base } = useRecords()
  const lists = [...book.lists].sort((a, b) => nameOf(book, a).localeCompare(nameOf(book, b)))
  return (
    <Menu
      trigger={
        <Button look="main">
          <Plus size={16} aria-hidden /> New report
        </Button>
      }
    >
      {lists.map((list) => (
        <MenuLink key={list.id} href={`${base}/reports/new?of=${list.id}`}>
          {nameOf(book, list)}
        </MenuLink>
      ))}
    </Menu>
  )
}
