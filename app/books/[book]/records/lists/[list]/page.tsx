import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { listsFor } from '@/server/books'
import { KeptList } from './kept-list'

export const metadata: Metadata = { title: 'List' }

export default async function KeptListPage({ params }: { readonly params: Promise<{ book: string; list: string }> }) {
  const { book, list: id } = await params
  const { account, stored } = await bookPage(book, 'reader')
  const list = listsFor(stored.book, account.id).find((one) => one.id === id)
  if (!list) notFound()
  return <KeptList key={id} list={list} />
}
