import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { dryRunOf } from '@/server/dry-run'
import { ReviewChapter } from './review-chapter'

export const metadata: Metadata = { title: 'Review' }

export default async function ReviewPage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, stored } = await bookPage((await params).book, 'administrator')
  return <ReviewChapter dryRun={await dryRunOf(db, stored.id)} />
}
