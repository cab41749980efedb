import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { postOfficeOf, receivedOf, refusedDomain, usualSender } from '@/server/post'
import { PostSheet } from './post-sheet'

export const metadata: Metadata = { title: 'Post office' }

export default async function PostPage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, role, stored } = await bookPage((await params).book, 'staff')
  const set = await postOfficeOf(db, stored.id)
  return (
    <PostSheet
      senderName={set?.senderName ?? stored.book.letterhead?.name ?? stored.book.name}
      senderAddress={set?.senderAddress ?? usualSender}
      real={set?.real}
      hasPassword={set?.sealed !== undefined}
      maySet={role === 'administrator' && stored.dryOf === undefined}
      received={await receivedOf(db, stored.id)}
      refusedDomain={refusedDomain}
    />
  )
}
