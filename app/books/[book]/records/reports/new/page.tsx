import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { NewReport } from './new-report'

export const metadata: Metadata = { title: 'New report' }

export default async function NewReportPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'reader')
  return <NewReport />
}
