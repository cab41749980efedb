import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { lastAnswers, listsFor, usesOf } from '@/server/books'
import { KeptList } from './kept-list'

export const metadata: Metadata = { title: 'List' }

export default async function KeptListPage({ params }: { readonly params: Promise<{ book: string; list: string }> }) {
  const { book, list: id } = await params
  const { db, account, stored } = await bookPage(book, 'reader')
  const list = listsFor(stored.book, account.id).find((one) => one.id === id)
  if (!list) notFound()
  const month = new Date().toISOString().slice(0, 7)
  const [answered, uses] = await Promise.all([
    lastAnswers(db, stored.id, account.id, list),
    usesOf(db, stored.id, month),
  ])
  return <KeptList key={id} list={list} answered={answered} use={uses.get(id)} />
}
