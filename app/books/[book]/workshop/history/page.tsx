import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { HistoryChapter } from './history-chapter'

export const metadata: Metadata = { title: 'History' }

export default async function HistoryPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <HistoryChapter />
}
