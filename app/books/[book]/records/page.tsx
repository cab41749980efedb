import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { shownTables } from '@/core/records'
import { countRows, openedBook } from '@/server/live'
import { RecordsHome } from './records-home'

export const metadata: Metadata = { title: 'Records' }

export default async function RecordsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, stored } = await bookPage((await params).book, 'reader')
  const live = await openedBook(db, stored)
  if (!live.ok) return null
  const { main, lists } = shownTables(live.value.book)
  const counts = await Promise.all(
    [...main, ...lists].map(async (table) => [table.id, await countRows({ db, live: live.value }, table.id)] as const),
  )
  return <RecordsHome counts={Object.fromEntries(counts)} />
}
