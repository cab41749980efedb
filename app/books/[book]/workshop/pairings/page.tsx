import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { PairingsChapter } from './pairings-chapter'

export const metadata: Metadata = { title: 'Pairings' }

export default async function PairingsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <PairingsChapter />
}
