import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { usesOf } from '@/server/books'
import { ListsIndex } from './lists-index'

export const metadata: Metadata = { title: 'Lists' }

export default async function ListsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, stored } = await bookPage((await params).book, 'reader')
  const uses = await usesOf(db, stored.id, new Date().toISOString().slice(0, 7))
  return <ListsIndex uses={Object.fromEntries(uses)} />
}
