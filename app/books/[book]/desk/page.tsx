import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { deskTables } from '@/core/records'
import { countRows, openedBook } from '@/server/live'
import { DeskHome } from './desk-home'

export const metadata: Metadata = { title: 'Desk' }

export default async function DeskPage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, stored } = await bookPage((await params).book, 'reader')
  const live = await openedBook(db, stored)
  if (!live.ok) return null
  const { main, lists } = deskTables(live.value.book)
  const counts = await Promise.all(
    [...main, ...lists].map(async (table) => [table.id, await countRows(db, live.value, table.id)] as const),
  )
  return <DeskHome counts={Object.fromEntries(counts)} />
}
