import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { ReviewChapter } from './review-chapter'

export const metadata: Metadata = { title: 'Review' }

export default async function ReviewPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <ReviewChapter />
}
