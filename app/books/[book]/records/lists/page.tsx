import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { ListsIndex } from './lists-index'

export const metadata: Metadata = { title: 'Lists' }

export default async function ListsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'reader')
  return <ListsIndex />
}
