import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { OpenChapter } from './open-chapter'

export const metadata: Metadata = { title: 'Open' }

export default async function OpenPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <OpenChapter />
}
