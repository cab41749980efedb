import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { NewList } from './new-list'

export const metadata: Metadata = { title: 'New list' }

export default async function NewListPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'reader')
  return <NewList />
}
