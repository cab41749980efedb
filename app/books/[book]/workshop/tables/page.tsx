import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { TablesChapter } from './tables-chapter'

export const metadata: Metadata = { title: 'Tables' }

export default async function TablesPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <TablesChapter />
}
