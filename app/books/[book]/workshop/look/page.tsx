import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { LookChapter } from './look-chapter'

export const metadata: Metadata = { title: 'Look' }

export default async function LookPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <LookChapter />
}
