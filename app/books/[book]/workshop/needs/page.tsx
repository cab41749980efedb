import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { NeedsChapter } from './needs-chapter'

export const metadata: Metadata = { title: 'Needs' }

export default async function NeedsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <NeedsChapter />
}
