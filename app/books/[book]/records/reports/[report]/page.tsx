import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { reportsFor } from '@/server/books'
import { KeptReport } from './kept-report'

export const metadata: Metadata = { title: 'Report' }

interface Props {
  readonly params: Promise<{ book: string; report: string }>
}

export default async function KeptReportPage({ params }: Props) {
  const { book, report: id } = await params
  const { account, stored } = await bookPage(book, 'reader')
  const report = reportsFor(stored.book, account.id).find((one) => one.id === id)
  if (!report) notFound()
  return <KeptReport key={id} report={report} />
}
