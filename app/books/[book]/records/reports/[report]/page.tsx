import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { findList } from '@/core/book'
import { lastAnswers, reportsFor } from '@/server/books'
import { KeptReport } from './kept-report'

export const metadata: Metadata = { title: 'Report' }

interface Props {
  readonly params: Promise<{ book: string; report: string }>
}

export default async function KeptReportPage({ params }: Props) {
  const { book, report: id } = await params
  const { db, account, stored } = await bookPage(book, 'reader')
  const report = reportsFor(stored.book, account.id).find((one) => one.id === id)
  if (!report) notFound()
  const list = findList(stored.book, report.list)
  const answered = list ? await lastAnswers(db, stored.id, account.id, list) : {}
  return <KeptReport key={id} report={report} answered={answered} />
}
